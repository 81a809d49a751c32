'use client';

import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, useSyncExternalStore } from 'react';
import { SOUND_DAYS } from '@/core/limits';
import { emptyOutbox, onOutbox, outboxState, post, soundId, type WaitingSound } from './outbox';

interface KeepSoundProps {
  takeId: string;
  playerId: string;
  /** Makes of a sound what is sent. */
  make: () => Promise<Pick<WaitingSound, 'kind' | 'bytes' | 'lengthMs' | 'zeroMs'>>;
}

/** Keeps the sound of a take, when its player says so: otherwise it is gone with the page. */
export function KeepSound({ takeId, playerId, make }: KeepSoundProps) {
  const { kept, refused } = useSyncExternalStore(onOutbox, outboxState, () => emptyOutbox);
  const [state, setState] = useState<'here' | 'being kept' | 'sent' | 'failed'>('here');
  const id = soundId(takeId);
  const keep = async () => {
    setState('being kept');
    try {
      await post({ id, takeId, playerId, ...(await make()) });
      setState('sent');
    } catch {
      setState('failed');
    }
  };
  const words = () => {
    if (state === 'failed') return 'This browser could not keep it: its storage may be full.';
    if (kept.has(id)) return `Kept for ${SOUND_DAYS} days, for you and your teacher`;
    if (refused.some((one) => one.id === id)) return 'Not kept';
    return state === 'sent' ? 'Safe in this browser, being sent …' : 'Nobody hears it unless you keep it';
  };
  return (
    <>
      <Typography variant="body2" color="textSecondary" role="status">
        {words()}
      </Typography>
      {state !== 'sent' && (
        <Button variant="outlined" loading={state === 'being kept'} onClick={() => void keep()} sx={{ minHeight: 44 }}>
          Keep the recording
        </Button>
      )}
    </>
  );
}
