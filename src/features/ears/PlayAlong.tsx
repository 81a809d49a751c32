import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { delayInWords } from '@/ui/words/ears';
import type { Delay } from '@/core/documents/ears';
import { clicksMs } from './clicks';
import type { usePlayAlong } from './usePlayAlong';

interface PlayAlongProps {
  along: ReturnType<typeof usePlayAlong>;
  /** What to strike: "any pad". */
  what: string;
  delay?: Delay;
  disabled?: boolean;
  onStart?: () => void;
}

/** Sixteen clicks to strike with, which tells how late strokes come in. */
export function PlayAlong({ along: { playing, say, start }, what, delay, disabled, onStart }: PlayAlongProps) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5, justifyItems: 'start' }}>
      <Typography color="textSecondary" sx={{ maxWidth: 620 }}>
        Four clicks count you in, then strike {what} with each of sixteen. How late your strokes come in is taken off
        from then on.
      </Typography>
      {playing ? (
        <Box role="status" sx={{ width: 1, maxWidth: 420 }}>
          <Typography gutterBottom>
            {playing.struck ? `${Math.min(playing.struck, clicksMs.length)} of ${clicksMs.length}` : 'Counting in …'}
          </Typography>
          <LinearProgress
            variant="determinate"
            value={Math.min(100, (100 * playing.struck) / clicksMs.length)}
            aria-label="Clicks that were struck with"
          />
        </Box>
      ) : (
        <Button
          variant={delay ? 'outlined' : 'contained'}
          disabled={disabled}
          onClick={() => {
            onStart?.();
            void start();
          }}
          sx={{ minHeight: 44 }}
        >
          {delay ? 'Measure again' : 'Play along'}
        </Button>
      )}
      {say && <Alert severity="warning">{say}</Alert>}
      {delay && !playing && <Typography role="status">{delayInWords(delay)}</Typography>}
    </Box>
  );
}
