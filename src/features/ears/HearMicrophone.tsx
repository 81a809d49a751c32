import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Surface } from '@/core/groove/limbs';
import { NOT_SECURE } from '@/sound/inputs/microphone/microphone';
import { MicrophoneDelay } from './MicrophoneDelay';
import { MicrophoneOpen } from './MicrophoneOpen';
import { SixStrokes } from './SixStrokes';
import { Step } from './Step';
import { SurfaceChoice } from './SurfaceChoice';
import { ToldTable } from './ToldTable';
import { useMeasured } from './useMeasured';
import { useMicrophoneSteps } from './useMicrophoneSteps';
import { usePlayAlong } from './usePlayAlong';

/** A microphone: opened, each surface struck for it, and how late it hears. */
export function HearMicrophone() {
  const { ears, change, delay, measured } = useMeasured('microphone');
  const { microphone } = ears;
  const along = usePlayAlong(measured);
  const [surfaces, setSurfaces] = useState<readonly Surface[]>(
    microphone?.kit?.surfaces.map(({ surface }) => surface) ?? ['pad'],
  );
  const [click, setClick] = useState(microphone?.click ?? 'loudspeaker');
  const steps = useMicrophoneSteps(along.strike, (learnt) => {
    const heardOn = new Date().toISOString().slice(0, 10);
    change({ microphone: { ...learnt, click, heardOn }, listens: ['microphone'] });
  });
  const { step, say } = steps;
  const isBusy = step.kind !== 'open';
  return (
    <>
      {!globalThis.isSecureContext && <Alert severity="warning">{NOT_SECURE}</Alert>}
      {say && <Alert severity="warning">{say}</Alert>}
      <MicrophoneOpen steps={steps} />
      {step.kind !== 'closed' && (
        <Step title="What it hears">
          {step.kind !== 'strike' && <SurfaceChoice chosen={surfaces} disabled={isBusy} onChange={setSurfaces} />}
          {step.kind === 'strike' && <SixStrokes step={step} />}
          {step.kind === 'learning' && <Typography role="status">Learning what each sounds like …</Typography>}
          {step.kind === 'open' && (
            <Button
              variant={microphone?.kit ? 'outlined' : 'contained'}
              disabled={!surfaces.length}
              onClick={() => void steps.strikeAll(surfaces)}
              sx={{ minHeight: 44 }}
            >
              {microphone?.kit ? 'Strike them again' : 'Begin: strike each six times'}
            </Button>
          )}
          {microphone && step.kind === 'open' && <ToldTable microphone={microphone} />}
        </Step>
      )}
      {step.kind !== 'closed' && microphone && (
        <MicrophoneDelay
          steps={steps}
          along={along}
          click={click}
          delay={delay}
          onClick={(wanted) => {
            setClick(wanted);
            change({ microphone: { ...microphone, click: wanted } });
          }}
          onMeasured={measured}
        />
      )}
    </>
  );
}
