import PlayArrowRounded from '@mui/icons-material/PlayArrowRounded';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { turnFor } from '@/core/groove/kit';
import type { Assignment } from '@/server/assignments';
import type { StoredGroove } from '@/server/grooves';
import type { Person } from '@/server/people';
import type { TakeRow } from '@/server/takes';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { glanceOf } from '@/ui/strip/glance';
import { Strip } from '@/ui/strip/Strip';
import { TakeTable } from '@/ui/take/TakeTable';
import { FIGURE_FONT } from '@/ui/theme';
import { rowInWords } from '@/ui/words/grooves';
import { readerOf } from '@/ui/reader';
import { Unreadable } from '@/ui/Unreadable';
import { plural } from '@/ui/words/text';
import { tempoInWords } from '@/ui/words/figures';

interface StudentTodayProps {
  student: Person;
  assignments: Assignment[];
  /** The groove of the first of them. */
  first?: StoredGroove;
  recent: TakeRow[];
}

/** What to practise today, at which tempo and why; the newest first and largest. */
export function StudentToday({ student, assignments, first: shown, recent }: StudentTodayProps) {
  const [first, ...others] = assignments;
  return (
    <Page
      title="Today"
      note={
        first
          ? `${plural(
              assignments.reduce((sum, one) => sum + one.minutes, 0),
              'minute',
            )} to practise`
          : undefined
      }
    >
      {!first && (
        <EmptyState title="Nothing is set for you yet">
          Your teacher has not set a groove. As soon as one is set it stands here with its tempo, and one touch starts
          it.
        </EmptyState>
      )}
      {first && shown && <Main assignment={first} stored={shown} student={student} />}
      {others.length > 0 && (
        <Box component="section" sx={{ mt: 4, maxWidth: 1080 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            Then
          </Typography>
          {others.map((one) => (
            <Box
              key={one.id}
              sx={{
                display: 'flex',
                flexWrap: 'wrap',
                gap: 2,
                alignItems: 'center',
                py: 1.5,
                borderTop: 1,
                borderColor: 'divider',
              }}
            >
              <Box sx={{ flex: '1 1 320px', minWidth: 0 }}>
                <Typography sx={{ fontWeight: 650 }}>
                  {one.title}{' '}
                  <Box component="span" sx={{ fontWeight: 450, color: 'text.secondary' }}>
                    at {tempoInWords(one.tempo)}, click on {one.click}, {plural(one.minutes, 'minute')}
                  </Box>
                </Typography>
                <Typography color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
                  {one.reason}
                </Typography>
              </Box>
              <Button
                href={`/room/${one.groove_id}?set=${one.id}`}
                variant="outlined"
                startIcon={<PlayArrowRounded />}
                sx={{ minHeight: 44 }}
              >
                Open in the room
              </Button>
            </Box>
          ))}
        </Box>
      )}
      {recent.length > 0 && (
        <Box component="section" sx={{ mt: 4, maxWidth: 1080 }}>
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', mb: 1 }}>
            <Typography variant="h2">Lately</Typography>
            <Link href="/takes">All takes</Link>
          </Box>
          <TakeTable takes={recent} reader={readerOf(student)} />
        </Box>
      )}
    </Page>
  );
}

interface MainProps {
  assignment: Assignment;
  stored: StoredGroove;
  student: Person;
}

function Main({ assignment, stored, student }: MainProps) {
  const { content } = stored;
  return (
    <Box
      component="section"
      aria-label={assignment.title}
      sx={{
        maxWidth: 1080,
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 2,
        p: { xs: 2, sm: 3 },
      }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'flex-end', gap: 3, mb: 2.5 }}>
        <Box sx={{ flex: '1 1 340px', minWidth: 0 }}>
          <Typography variant="h1" component="h2" sx={{ fontSize: '2rem', overflowWrap: 'anywhere' }}>
            {assignment.title}
          </Typography>
          <Typography color="textSecondary">{rowInWords(stored)}</Typography>
          <Typography sx={{ mt: 1.5, fontSize: '1.1rem', maxWidth: 560, overflowWrap: 'anywhere' }}>
            {assignment.reason}
          </Typography>
          <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
            Set by {assignment.set_by}
          </Typography>
        </Box>
        <Stack direction="row" sx={{ gap: 2.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <Box sx={{ textAlign: { sm: 'right' } }}>
            <Typography component="p" sx={{ fontFamily: FIGURE_FONT, fontWeight: 750, fontSize: 64, lineHeight: 0.95 }}>
              {tempoInWords(assignment.tempo)}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              bpm, click on {assignment.click}
            </Typography>
          </Box>
          <Button
            href={`/room/${assignment.groove_id}?set=${assignment.id}`}
            variant="contained"
            size="large"
            startIcon={<PlayArrowRounded />}
            sx={{ minHeight: 60, px: { xs: 2, sm: 3 }, fontSize: '1.1rem', whiteSpace: 'nowrap' }}
          >
            Open in the room
          </Button>
        </Stack>
      </Box>
      {'unreadable' in content ? (
        <Unreadable what={assignment.title} problem={content.unreadable} />
      ) : (
        <Strip
          groove={turnFor(glanceOf(content), student.setup)}
          school={student.school}
          bpm={assignment.tempo}
          size="glance"
        />
      )}
    </Box>
  );
}
