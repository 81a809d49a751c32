import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { SightPlan } from '@/core/documents/sightPlan';
import { FIGURE_FONT } from '@/ui/theme';
import { sightInWords } from '@/ui/words/sight';
import { plural } from '@/ui/words/text';

interface SightPanelProps {
  plan: SightPlan;
  leftS: number | undefined;
  /** Nothing of it was shown yet. */
  isUnseen: boolean;
}

/** What will be read and for how long one may look, then how much of that is left. */
export function SightPanel({ plan, leftS, isUnseen }: SightPanelProps) {
  const what = plan.kind === 'line' ? 'line' : 'chart';
  if (isUnseen)
    return (
      <Box sx={{ py: { xs: 2, sm: 6 }, maxWidth: 640 }}>
        <Typography variant="h2" component="p" gutterBottom>
          A {what} nobody has seen yet
        </Typography>
        <Typography sx={{ fontSize: '1.1rem' }}>
          {sightInWords(plan)}.{' '}
          {plan.lookS
            ? `Press play and look at it for ${plural(plan.lookS, 'second')}: where it is dense, where it repeats, what the last bar does. Then it is counted in.`
            : 'Press play: it is shown and counted in at once.'}
          {plan.kind === 'line' && ' Either hand may play each stroke.'}
        </Typography>
      </Box>
    );
  if (leftS === undefined) return null;
  return (
    <Box role="timer" sx={{ display: 'flex', alignItems: 'baseline', gap: 2 }}>
      <Typography component="p" sx={{ fontFamily: FIGURE_FONT, fontWeight: 800, fontSize: 44, lineHeight: 1 }}>
        {leftS}
      </Typography>
      <Typography sx={{ fontSize: '1.1rem' }}>
        {leftS ? 'seconds to look. Press play as soon as you are ready.' : 'Press play, and it is counted in.'}
      </Typography>
    </Box>
  );
}
