import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Groove } from '@/core/groove/groove';
import { plainMetronome } from '@/core/schedule/metronome';
import { CLICK_PLAN_NAMES, CLICK_PLANS, type ClickPlan } from '@/core/time/clickPlan';
import { tempoInWords } from '@/ui/words/figures';

interface PlainMetronomesProps {
  groove: Groove;
  /** The bar that is clicked. */
  bar: number;
  onHear: (click: ClickPlan) => void;
}

/** Where a metronome that only ticks is set for each way of clicking. */
export function PlainMetronomes({ groove, bar, onHear }: PlainMetronomesProps) {
  const { meter, cells } = groove.bars[bar]!;
  const clicked = { meter, reading: groove.reading, cells };
  return (
    <Box>
      <Typography variant="h3" gutterBottom>
        On a plain metronome
      </Typography>
      {CLICK_PLAN_NAMES.map((name) => {
        const set = plainMetronome(CLICK_PLANS[name], clicked, groove.tempo);
        return (
          <Typography key={name} component="div" variant="body2" sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
            <Button size="small" aria-label={`Hear the click on ${name}`} onClick={() => onHear(CLICK_PLANS[name])}>
              Hear
            </Button>
            {name}:{' '}
            {set
              ? `${tempoInWords(set.bpm)}${set.outOfRange ? ', where most metronomes cannot be set' : ''}`
              : 'no plain metronome clicks this unevenly'}
          </Typography>
        );
      })}
    </Box>
  );
}
