'use client';

import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import Typography from '@mui/material/Typography';
import { useState, useSyncExternalStore, type ComponentType } from 'react';
import { LISTENERS, type Listener } from '@/core/documents/ears';
import type { EarsKept } from '@/server/ears';
import { mainListener, useEars } from '@/sound/inputs/ears';
import { INPUT_WORDS } from '@/sound/inputs/useInputs';
import { Page } from '@/ui/Page';
import { HearKeys } from './HearKeys';
import { HearMicrophone } from './HearMicrophone';
import { HearMidi } from './HearMidi';
import { HearPads } from './HearPads';
import { OtherSessions } from './OtherSessions';
import { deviceHere, hasLearnt, useKeptEars } from './useKeptEars';

const WAYS: Record<Listener, { what: string; How: ComponentType }> = {
  keys: { what: 'Nothing to connect. No loudness, and each key is a limb.', How: HearKeys },
  pads: { what: 'Touch the pads in the room: on a phone with two thumbs.', How: HearPads },
  MIDI: { what: 'An electronic kit or pad by USB: every surface and how loud it was.', How: HearMidi },
  microphone: { what: 'A practice pad, a snare or a whole kit, heard by this device.', How: HearMicrophone },
};

interface GettingHeardProps {
  /** What was learnt in this person's sessions. */
  kept: readonly EarsKept[];
  clock: Clock;
}

const nothing = () => () => {};

/** What listens on this device, and how it learns to hear: done once, and again when wished. */
export function InputSetup({ kept, clock }: GettingHeardProps) {
  const [ears, change] = useEars();
  const here = useSyncExternalStore(nothing, deviceHere, () => undefined);
  useKeptEars(ears, kept.find(({ deviceId }) => deviceId === here)?.ears);
  // Of this very device they are what is here already, unless the browser has forgotten.
  const others = kept.filter(({ deviceId }) => here && (deviceId !== here || !hasLearnt(ears)));
  const [chosen, setChosen] = useState<Listener>();
  const listener = chosen ?? mainListener(ears.listens) ?? 'keys';
  const { what, How } = WAYS[listener];
  return (
    <Page title="Getting heard" note="What listens here, and how well. It is kept on this device.">
      <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 3, maxWidth: 860 }}>
        <Box>
          <Box role="group" aria-label="What listens" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
            {LISTENERS.map((one) => (
              <Chip
                key={one}
                label={INPUT_WORDS[one]}
                clickable
                color={one === listener ? 'primary' : 'default'}
                aria-pressed={one === listener}
                onClick={() => setChosen(one)}
                sx={{ height: 44, px: 0.5, borderRadius: 5, fontSize: 15 }}
              />
            ))}
          </Box>
          <Typography color="textSecondary" sx={{ mt: 1.5 }}>
            {what}
          </Typography>
        </Box>
        <How key={listener} />
        {others.length > 0 && <OtherSessions kept={others} clock={clock} onUse={change} />}
      </Box>
    </Page>
  );
}
