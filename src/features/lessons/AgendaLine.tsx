import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { AgendaEntry } from '@/server/lessonTimes';
import { timeInWords } from '@/ui/words/dates';
import { namesInWords } from '@/ui/words/text';
import { OpenLesson } from './OpenLesson';

/** One lesson in the order of its day: when, who, and the way into it. */
export function AgendaLine({ entry, clock }: { entry: AgendaEntry; clock: Clock }) {
  const { lesson, time, holiday, startsAt, endsAt } = entry;
  const who = namesInWords((lesson?.students ?? time!.students).map(({ name }) => name));
  const state = holiday ?? (lesson && lesson.state !== 'planned' ? lesson.state : undefined);
  const isOff = Boolean(holiday) || lesson?.state === 'skipped';
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', py: 0.75, borderTop: 1, borderColor: 'divider' }}>
      <Typography
        sx={{
          width: 110,
          flex: 'none',
          fontVariantNumeric: 'tabular-nums',
          color: isOff ? 'text.secondary' : 'text.primary',
        }}
      >
        {timeInWords(startsAt, clock)}–{timeInWords(endsAt, clock)}
      </Typography>
      <Typography
        sx={{
          flex: 1,
          minWidth: 0,
          fontWeight: 600,
          overflowWrap: 'anywhere',
          ...(isOff && { textDecoration: 'line-through', color: 'text.secondary' }),
        }}
      >
        {who}
      </Typography>
      {state && <Typography color={state === 'running' ? 'primary' : 'textSecondary'}>{state}</Typography>}
      {lesson ? (
        <Button href={`/lessons/${lesson.id}`} aria-label={`Open the lesson of ${who}`}>
          Open
        </Button>
      ) : (
        !holiday && <OpenLesson timeId={time!.id} day={entry.ofDay!} who={who} />
      )}
    </Box>
  );
}
