import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { LessonRow } from '@/server/lessons';
import { dayInWords } from '@/ui/words/dates';

interface LessonListProps {
  lessons: readonly LessonRow[];
  clock: Clock;
  /** Whether the reader may open them: a teacher. */
  canOpen?: boolean;
}

/** A student's lessons that were held, with what they took home. */
export function LessonList({ lessons, clock, canOpen = true }: LessonListProps) {
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        Lessons
      </Typography>
      {lessons.map((one) => (
        <Box
          key={one.id}
          sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 3, py: 1, borderTop: 1, borderColor: 'divider' }}
        >
          <Box sx={{ width: 240, flex: 'none' }}>
            {canOpen ? (
              <Link href={`/lessons/${one.id}`}>{dayInWords(one.starts_at, clock)}</Link>
            ) : (
              `${dayInWords(one.starts_at, clock)}, ${one.teacher}`
            )}
            {one.state === 'running' && <Typography color="primary">running</Typography>}
          </Box>
          <Typography sx={{ flex: '1 1 360px', whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>
            {one.words || (
              <Box component="span" sx={{ color: 'text.secondary' }}>
                nothing written down
              </Box>
            )}
          </Typography>
        </Box>
      ))}
    </section>
  );
}
