'use client';

import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Ears } from '@/core/documents/ears';
import type { EarsKept } from '@/server/ears';
import { INPUT_WORDS } from '@/sound/inputs/useInputs';
import { shortDayInWords } from '@/ui/words/dates';

interface OtherSessionsProps {
  kept: readonly EarsKept[];
  clock: Clock;
  onUse: (ears: Ears) => void;
}

/**
 * What was learnt on this person's devices in other sessions: where a browser has forgotten, it need not be learnt
 * again.
 */
export function OtherSessions({ kept, clock, onUse }: OtherSessionsProps) {
  return (
    <Box component="section" aria-label="From other sessions">
      <Typography variant="h2" gutterBottom>
        From your other sessions
      </Typography>
      <Typography color="textSecondary" gutterBottom>
        What was learnt on a device is right for that device, in that room.
      </Typography>
      {kept.map(({ deviceId, name, keptAt, ears }) => (
        <Box
          key={deviceId}
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            alignItems: 'center',
            gap: 2,
            py: 1,
            borderTop: 1,
            borderColor: 'divider',
          }}
        >
          <Typography sx={{ flex: '1 1 260px' }}>
            {name}, {shortDayInWords(keptAt, clock)}
            <Typography component="span" color="textSecondary">
              {' '}
              · {whatInWords(ears)}
            </Typography>
          </Typography>
          <Button variant="outlined" onClick={() => onUse(ears)} sx={{ minHeight: 44 }}>
            Use it here
          </Button>
        </Box>
      ))}
    </Box>
  );
}

/** "Microphone: snare, kick" */
function whatInWords({ listens, microphone }: Ears): string {
  const inputs = listens.map((one) => INPUT_WORDS[one]).join(', ') || 'nothing listens';
  const surfaces = microphone?.kit?.surfaces.map(({ surface }) => surface).join(', ');
  return surfaces ? `${inputs}: ${surfaces}` : inputs;
}
