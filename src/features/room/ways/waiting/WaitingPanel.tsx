import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { CLEAN_ROUNDS, type Waiting } from '@/core/practice/waiting';
import type { Bpm } from '@/core/time/units';
import { plural } from '@/ui/words/text';

interface WaitingPanelProps {
  waitsAt?: Waiting;
  /** The tempo of the click that is offered next. */
  clickAt: Bpm;
  onWithClick: () => void;
}

export function WaitingPanel({ waitsAt, clickAt, onWithClick }: WaitingPanelProps) {
  const wrong = waitsAt?.wrong.length ? `. The ${waitsAt.wrong.join(' and the ')} has nothing here` : '';
  return (
    <>
      <Typography role="status" sx={{ fontSize: '1.1rem', minHeight: 28 }}>
        {waitsAt
          ? `${plural(waitsAt.rounds, 'round')} through, ${waitsAt.clean} clean in a row${wrong}.`
          : 'No clock: the strip waits at each slot until the right limbs have struck.'}
      </Typography>
      {waitsAt && waitsAt.clean >= CLEAN_ROUNDS && (
        <Alert
          severity="success"
          role="status"
          action={
            <Button onClick={onWithClick} sx={{ minHeight: 44 }}>
              With a click at {clickAt}
            </Button>
          }
        >
          {CLEAN_ROUNDS} clean rounds: the motion is there. Now slowly, in time.
        </Alert>
      )}
    </>
  );
}
