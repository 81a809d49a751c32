'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, useSyncExternalStore } from 'react';
import { SOUND_DAYS } from '@/core/limits';
import { compressed } from '@/sound/recordings/compress';
import { lengthOf, type TakeSound } from '@/sound/recordings/takeSound';
import { emptyOutbox, onOutbox, outboxState, post, soundId } from '@/ui/outbox/outbox';
import { useRoom } from './RoomContext';

/** Keeps the sound of a take, when its player says so: otherwise it is gone with the page. */
export function KeepSound({ takeId, sound }: { takeId: string; sound: TakeSound }) {
  const { playerId } = useRoom();
  const { kept, refused } = useSyncExternalStore(onOutbox, outboxState, () => emptyOutbox);
  const [state, setState] = useState<'here' | 'being kept' | 'sent' | 'failed'>('here');
  const id = soundId(takeId);
  const keep = async () => {
    setState('being kept');
    try {
      const { kind, bytes } = await compressed(sound);
      await post({ id, takeId, playerId, kind, bytes, lengthMs: lengthOf(sound), zeroMs: sound.zeroMs });
      setState('sent');
    } catch {
      setState('failed');
    }
  };
  const words = () => {
    if (kept.has(id)) return `Kept for ${SOUND_DAYS} days, for you and your teacher`;
    if (refused.some((one) => one.id === id)) return 'Not kept';
    return state === 'sent' ? 'Safe in this browser, being sent …' : 'Nobody hears it unless you keep it';
  };
  return (
    <>
      <Typography variant="body2" color="textSecondary" role="status">
        {state === 'failed' ? 'This browser could not keep it: its storage may be full.' : words()}
      </Typography>
      {state !== 'sent' && (
        <Button variant="outlined" loading={state === 'being kept'} onClick={() => void keep()} sx={{ minHeight: 44 }}>
          Keep the recording
        </Button>
      )}
    </>
  );
}
