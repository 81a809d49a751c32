import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import type { Delay, MicrophoneEars } from '@/core/documents/ears';
import { delayInWords } from '@/ui/words/ears';
import { PlayAlong } from './PlayAlong';
import { Step } from './Step';
import type { useMicrophoneSteps } from './useMicrophoneSteps';
import type { usePlayAlong } from './usePlayAlong';

const NOT_BACK =
  'The clicks did not come back into the microphone. Turn the loudspeaker up and keep still, or choose headphones.';

interface MicrophoneDelayProps {
  steps: ReturnType<typeof useMicrophoneSteps>;
  along: ReturnType<typeof usePlayAlong>;
  click: MicrophoneEars['click'];
  delay?: Delay;
  onClick: (click: MicrophoneEars['click']) => void;
  onMeasured: (delay: Delay) => void;
}

/** How late it hears: by a loudspeaker the click says it, by headphones somebody has to play along. */
export function MicrophoneDelay({ steps, along, click, delay, onClick, onMeasured }: MicrophoneDelayProps) {
  const { step, hearClicks, setSay, listenOn } = steps;
  const measure = async () => {
    const measured = await hearClicks();
    if (measured) onMeasured(measured);
    else setSay((before) => before ?? NOT_BACK);
  };
  return (
    <Step title="How late it hears">
      <ToggleButtonGroup
        exclusive
        value={click}
        aria-label="Where the click sounds"
        onChange={(_, one: MicrophoneEars['click'] | null) => one && onClick(one)}
      >
        <ToggleButton value="loudspeaker" sx={{ minHeight: 44, textTransform: 'none', px: 2 }}>
          Click by loudspeaker
        </ToggleButton>
        <ToggleButton value="headphones" sx={{ minHeight: 44, textTransform: 'none', px: 2 }}>
          By headphones
        </ToggleButton>
      </ToggleButtonGroup>
      {click === 'headphones' ? (
        <PlayAlong
          along={along}
          what="one surface"
          delay={delay}
          disabled={step.kind !== 'open'}
          onStart={() => void listenOn()}
        />
      ) : (
        <>
          <Typography color="textSecondary" sx={{ maxWidth: 620 }}>
            The click plays for a quarter of a minute and is heard as it comes back. Keep still meanwhile. In a take it
            is known and taken out.
          </Typography>
          {step.kind === 'clicks' ? (
            <Typography role="status">Listening to the click …</Typography>
          ) : (
            <Button
              variant={delay ? 'outlined' : 'contained'}
              disabled={step.kind !== 'open'}
              onClick={() => void measure()}
              sx={{ minHeight: 44 }}
            >
              {delay ? 'Measure again' : 'Play the click'}
            </Button>
          )}
          {delay && step.kind !== 'clicks' && <Typography role="status">{delayInWords(delay)}</Typography>}
        </>
      )}
    </Step>
  );
}
