import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { whyInWords } from '@/core/wording/planInWords';
import { sentence } from '@/core/result';
import { doneOf, type PlannedDay } from '@/server/dayPlans';
import { plural } from '@/ui/words/text';
import { Pieces } from './Pieces';
import { PlanForm } from './PlanForm';

interface DayPlanSectionProps {
  planned?: PlannedDay;
  /** Whether anything is there to be planned. */
  hasWork: boolean;
}

/**
 * Today's practice for the time there is: asked for, and then piece by piece with why, how much is done, and where to
 * go on.
 */
export function DayPlanSection({ planned, hasWork }: DayPlanSectionProps) {
  if (!planned?.plan.ok) {
    const unreadable = planned && !planned.plan.ok ? planned.plan.problems[0]! : undefined;
    return (
      hasWork && (
        <Box component="section" sx={{ mb: 3, maxWidth: 1080 }}>
          <Typography variant="h2">How long have you got?</Typography>
          <Typography color="textSecondary" sx={{ mb: 1.25 }}>
            {unreadable
              ? sentence(unreadable)
              : 'A practice is planned to fit: warm-up, what is due again, what is new, something to enjoy.'}
          </Typography>
          <PlanForm />
        </Box>
      )
    );
  }
  const { minutes, pieces } = planned.plan.value;
  const done = doneOf(pieces, planned);
  const given = pieces.reduce((all, one) => all + one.minutes, 0);
  const isOver = pieces.length > 0 && pieces.every((one, index) => done[index]! >= one.minutes * 60_000);
  const left = pieces.reduce(
    (all, one, index) => all + Math.max(0, one.minutes - Math.floor(done[index]! / 60_000)),
    0,
  );
  return (
    <Box component="section" aria-label="Practice of today" sx={{ mb: 4, maxWidth: 1080 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, alignItems: 'baseline' }}>
        <Typography variant="h2">{plural(minutes, 'minute')} today</Typography>
        <Typography color="textSecondary">
          {[
            isOver ? 'all of it is done' : `${plural(left, 'minute')} left`,
            given < minutes && `${plural(minutes - given, 'minute')} free`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Typography>
      </Box>
      {pieces.length ? (
        <Pieces
          pieces={pieces.map((piece, index) => ({ ...piece, say: whyInWords(piece.why), doneMs: done[index]! }))}
        />
      ) : (
        <Typography sx={{ my: 1 }}>Nothing is left in this plan.</Typography>
      )}
      <Typography sx={{ mt: 2, mb: 1 }} color="textSecondary">
        Plan it anew for
      </Typography>
      <PlanForm minutes={minutes} />
    </Box>
  );
}
