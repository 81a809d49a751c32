import { clockOf } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { turnFor } from '@/core/groove/kit';
import type { Homework } from '@/server/assignments';
import type { LessonRow } from '@/server/lessons';
import type { StoredGroove } from '@/server/grooves';
import type { Person } from '@/server/people';
import type { TakeRow } from '@/server/takes';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { glanceOf } from '@/ui/strip/glance';
import { Strip } from '@/ui/strip/Strip';
import { TakeTable } from '@/ui/take/TakeTable';
import { FIGURE_FONT } from '@/ui/theme';
import { dayInWords } from '@/ui/words/dates';
import { rowInWords } from '@/ui/words/grooves';
import { dayDoneInWords, goalInWords } from '@/ui/words/homework';
import { readerOf } from '@/ui/reader';
import { Unreadable } from '@/ui/Unreadable';
import { PlayArrowRounded } from '@/ui/icons';
import { sightInWords } from '@/ui/words/sight';
import { plural } from '@/ui/words/text';
import { tempoInWords } from '@/ui/words/figures';

interface StudentTodayProps {
  student: Person;
  homework: readonly Homework[];
  /** The groove of the first of them that is played. */
  first?: StoredGroove;
  /** When they come next. */
  next?: Date;
  /** The lesson they had last, with what they took home. */
  last?: LessonRow;
  recent: TakeRow[];
  /** Today's practice, asked for or as it was planned. */
  plan: ReactNode;
  /** The paths they walk and the tunes that fit. */
  reached: ReactNode;
  /** Whether there is one: then what is set stands below it in a list. */
  isPlanned: boolean;
}

/** What of a day's minutes is left, whole ones; what sounds is counted. */
const leftOf = ({ minutes, today_ms }: Homework) => Math.max(0, minutes - Math.floor(today_ms / 60_000));

/** What to practise today, how much of it is left, and why; the first that is not done largest. */
export function StudentToday({
  student,
  homework,
  first: shown,
  next,
  last,
  recent,
  plan,
  reached,
  isPlanned,
}: StudentTodayProps) {
  const clock = clockOf(student.settings);
  const main = isPlanned ? undefined : homework.find(({ groove_id }) => groove_id && groove_id === shown?.id);
  const others = homework.filter((one) => one !== main);
  const left = homework.filter(({ groove_id }) => groove_id).reduce((sum, one) => sum + leftOf(one), 0);
  const isDone = homework.some(({ groove_id }) => groove_id) && left === 0;
  return (
    <Page
      title="Today"
      note={[
        homework.length > 0 && (isDone ? 'all minutes of today are done' : `${plural(left, 'minute')} to practise`),
        next && `next lesson ${dayInWords(next, clock)}`,
      ]
        .filter(Boolean)
        .join(' · ')}
    >
      {!homework.length && (
        <EmptyState title="Nothing is set for you yet">
          Your teacher has not set a groove. As soon as one is set it stands here with its tempo, and one touch starts
          it.
        </EmptyState>
      )}
      {plan}
      {main && shown && <Main one={main} stored={shown} student={student} />}
      {others.length > 0 && (
        <Box component="section" sx={{ mt: 4, maxWidth: 1080 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            {isPlanned ? 'Set for you' : 'Then'}
          </Typography>
          {others.map((one) => (
            <Other key={one.id} one={one} student={student} />
          ))}
        </Box>
      )}
      <Box sx={{ mt: 4, maxWidth: 1080, display: 'grid', gap: 4, '&:empty': { display: 'none' } }}>{reached}</Box>
      {last?.words && (
        <Box component="section" sx={{ mt: 4, maxWidth: 720 }}>
          <Typography variant="h2">From the lesson</Typography>
          <Typography variant="body2" color="textSecondary">
            {dayInWords(last.starts_at, clock)}, {last.teacher}
          </Typography>
          <Typography sx={{ whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>{last.words}</Typography>
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

/** How much of a day's minutes is left, or, once they are done, what they came to. */
function todayOf(one: Homework, { report }: Pick<Person, 'report'>): string {
  if (leftOf(one) === 0) return dayDoneInWords(one, report);
  return one.today_ms > 0
    ? `${plural(leftOf(one), 'minute')} left of ${one.minutes} today`
    : `${plural(one.minutes, 'minute')} today`;
}

const wayIn = (one: Homework) => (one.groove_id ? `/room/${one.groove_id}?set=${one.id}` : '/listening');

function Other({ one, student }: { one: Homework; student: Person }) {
  return (
    <Box
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
            {one.groove_id
              ? `at ${tempoInWords(one.tempo)}, click on ${one.click}, ${todayOf(one, student)}`
              : goalInWords(one)}
          </Box>
        </Typography>
        <Typography color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
          {one.reason}
        </Typography>
      </Box>
      <Button href={wayIn(one)} variant="outlined" startIcon={<PlayArrowRounded />} sx={{ minHeight: 44 }}>
        {one.groove_id ? 'Open in the room' : 'Listen'}
      </Button>
    </Box>
  );
}

interface MainProps {
  one: Homework;
  stored: StoredGroove;
  student: Person;
}

function Main({ one, stored, student }: MainProps) {
  const { content } = stored;
  return (
    <Box
      component="section"
      aria-label={one.title}
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
            {one.title}
          </Typography>
          <Typography color="textSecondary">{rowInWords(stored)}</Typography>
          <Typography sx={{ mt: 1.5, fontSize: '1.1rem', maxWidth: 560, overflowWrap: 'anywhere' }}>
            {one.reason}
          </Typography>
          <Typography sx={{ mt: 1, fontWeight: 650 }}>{todayOf(one, student)}</Typography>
          <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
            Set by {one.set_by}
            {one.due_at && `, by ${dayInWords(one.due_at, student.settings)}`}
            {one.pass_takes !== null && `. ${goalInWords(one)}`}
          </Typography>
        </Box>
        <Stack direction="row" sx={{ gap: 2.5, alignItems: 'center', flexWrap: 'wrap' }}>
          <Box sx={{ textAlign: { sm: 'right' } }}>
            <Typography component="p" sx={{ fontFamily: FIGURE_FONT, fontWeight: 750, fontSize: 64, lineHeight: 0.95 }}>
              {tempoInWords(one.tempo)}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              bpm, click on {one.click}
              {one.ladder_start !== null && <>, from {tempoInWords(one.ladder_start)}</>}
            </Typography>
          </Box>
          <Button
            href={wayIn(one)}
            variant="contained"
            size="large"
            startIcon={<PlayArrowRounded />}
            sx={{ minHeight: 60, px: { xs: 2, sm: 3 }, fontSize: '1.1rem', whiteSpace: 'nowrap' }}
          >
            Open in the room
          </Button>
        </Stack>
      </Box>
      <AtAGlance one={one} content={content} student={student} />
    </Box>
  );
}

/** What is set, drawn small; what is read at sight only in words, since nobody has seen it yet. */
function AtAGlance({ one, content, student }: Pick<MainProps, 'one' | 'student'> & Pick<StoredGroove, 'content'>) {
  if ('unreadable' in content) return <Unreadable what={one.title} problem={content.unreadable} />;
  if (content.sight)
    return <Typography>{sightInWords(content.sight)}: another each time, and looked at only once.</Typography>;
  const groove = turnFor(glanceOf(content), student.setup);
  return <Strip groove={groove} school={student.school} bpm={one.tempo} size="glance" />;
}
