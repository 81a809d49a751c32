import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Pick } from '@/ui/Pick';
import { Step } from './Step';
import type { useMicrophoneSteps } from './useMicrophoneSteps';

/** Louder than this it is cut off; softer than that nothing stands out. */
const [CUT_OFF, TOO_QUIET] = [0.98, 0.003];

/** Opening a microphone: which, and how loud it is there. */
export function MicrophoneOpen({ steps }: { steps: ReturnType<typeof useMicrophoneSteps> }) {
  const { step, level, all, open, close } = steps;
  const [chosen, setChosen] = useState('');
  if (step.kind === 'closed')
    return (
      <Step title="The microphone">
        <Typography color="textSecondary" sx={{ maxWidth: 620 }}>
          Put this device or its microphone beside the pad, or in front of the kit at the height of the snare. The
          browser asks whether this page may listen. Nothing that is recorded leaves this device unless you keep it.
        </Typography>
        <Button variant="contained" onClick={() => void open(chosen || undefined)} sx={{ minHeight: 44 }}>
          Open the microphone
        </Button>
      </Step>
    );
  return (
    <Step title="The microphone">
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', width: 1 }}>
        {all.length > 1 && (
          <Pick
            label="Microphone"
            value={all.some(({ id }) => id === chosen) ? chosen : all[0]!.id}
            options={all.map(({ id, name }) => [id, name] as const)}
            disabled={step.kind !== 'open'}
            onPick={(id) => {
              setChosen(id);
              void open(id);
            }}
            sx={{ width: 300 }}
          />
        )}
        <Box sx={{ flex: '1 1 240px', maxWidth: 420 }}>
          <Meter level={level} />
        </Box>
        <Button variant="outlined" onClick={close} sx={{ minHeight: 44 }}>
          Close it
        </Button>
      </Box>
    </Step>
  );
}

/** How loud it is, in decibels under the loudest, with a word where that is too much or too little. */
function Meter({ level }: { level: number }) {
  const db = Math.max(-60, 20 * Math.log10(level + 1e-6));
  return (
    <>
      <LinearProgress
        variant="determinate"
        value={(100 * (db + 60)) / 60}
        color={level >= CUT_OFF ? 'error' : 'primary'}
        aria-label="Level"
        sx={{ height: 10, borderRadius: 1, '& .MuiLinearProgress-bar': { transition: 'none' } }}
      />
      <Typography variant="body2" color={level >= CUT_OFF ? 'error' : 'textSecondary'} sx={{ mt: 0.5, minHeight: 42 }}>
        {levelInWords(level)}
      </Typography>
    </>
  );
}

function levelInWords(level: number): string {
  if (level >= CUT_OFF) return 'Too loud: the loudest strokes are cut off. Move it away or turn it down.';
  if (level < TOO_QUIET) return 'Quiet. Strike as loud as you play: the bar should come near its end.';
  return 'Strike as loud as you play: the bar should come near its end, not into the red.';
}
