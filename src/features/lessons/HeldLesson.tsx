import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { LessonPlan } from '@/core/documents/lesson';
import { stepTitle } from '@/core/plan/lesson';
import { opening } from '@/ui/words/text';
import { EndLesson } from './EndLesson';

interface HeldLessonProps {
  id: string;
  plan: LessonPlan;
  words: string;
}

/** A lesson that was held: what was done, how long, what was noted, and what the student took home. */
export function HeldLesson({ id, plan, words }: HeldLessonProps) {
  return (
    <section>
      <EndLesson id={id} words={words} isHeld />
      <Typography variant="h2" sx={{ mb: 1 }}>
        What was done
      </Typography>
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {plan.steps.map((step, at) => (
          <Box component="li" key={at} sx={{ borderTop: 1, borderColor: 'divider', py: 1.25 }}>
            <Typography sx={{ overflowWrap: 'anywhere' }}>
              <strong>{opening(stepTitle(step))}</strong>
              <Box component="span" sx={{ color: 'text.secondary' }}>
                {stepTitle(step) !== step.kind && ` · ${step.kind}`}
                {step.spentMs > 0
                  ? ` · ${Math.max(1, Math.round(step.spentMs / 60_000))} of ${step.minutes} min`
                  : ` · left out (${step.minutes} min were planned)`}
              </Box>
            </Typography>
            {step.notes && (
              <Typography color="textSecondary" sx={{ whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>
                {step.notes}
              </Typography>
            )}
          </Box>
        ))}
      </Box>
    </section>
  );
}
