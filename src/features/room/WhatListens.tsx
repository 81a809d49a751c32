import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { LISTENERS, type Ears, type Listener } from '@/core/documents/ears';
import { listensAfter, useEars } from '@/sound/inputs/ears';
import { INPUT_WORDS } from '@/sound/inputs/useInputs';
import { delayInWords } from '@/ui/words/ears';

/** What strokes are heard by on this device, and what each adds to their time. */
export function WhatListens() {
  const [ears, change] = useEars();
  return (
    <>
      {LISTENERS.map((name) => (
        <Box key={name}>
          <FormControlLabel
            control={
              <Switch
                checked={ears.listens.includes(name)}
                onChange={(_, on) => change({ listens: listensAfter(ears.listens, name, on) })}
              />
            }
            label={INPUT_WORDS[name]}
          />
          {ears.listens.includes(name) && (
            <Typography variant="body2" color="textSecondary" sx={{ ml: 6 }}>
              {stateInWords(name, ears)}
            </Typography>
          )}
        </Box>
      ))}
      {(ears.listens.includes('MIDI') || ears.listens.includes('microphone')) && (
        <Box>
          <FormControlLabel
            control={
              <Switch checked={ears.startsByFour ?? false} onChange={(_, startsByFour) => change({ startsByFour })} />
            }
            label="Four even strokes begin a take"
          />
          {ears.startsByFour && (
            <Typography variant="body2" color="textSecondary" sx={{ ml: 6 }}>
              Out of silence, on any surface: no hand leaves the sticks. The microphone is opened by a touch: touch the
              page once, beside any button.
            </Typography>
          )}
        </Box>
      )}
      {ears.listens.length === 0 && (
        <Typography variant="body2" role="status">
          Nothing listens: what you play is kept as played, and not judged. A ladder then climbs by hand.
        </Typography>
      )}
      <Button href="/getting-heard" variant="outlined" sx={{ justifySelf: 'start', minHeight: 44 }}>
        Get heard
      </Button>
    </>
  );
}

function stateInWords(name: Listener, { delays, microphone }: Ears): string {
  const added = delayInWords(delays[name]);
  if (name !== 'microphone') return added;
  if (!microphone) return 'Not heard yet: it cannot tell limbs apart, and its delay is guessed. Get heard first.';
  return `${microphone.deviceName}. ${added}`;
}
