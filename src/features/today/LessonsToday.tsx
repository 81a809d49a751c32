import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Homework } from '@/server/assignments';
import type { AgendaEntry, Coming } from '@/server/lessonTimes';
import type { StudentNews } from '@/server/news';
import type { Reader } from '@/ui/reader';
import { verdictOfRow } from '@/ui/take/TakeTable';
import { FIGURE_FONT } from '@/ui/theme';
import { shortDayInWords, timeInWords } from '@/ui/words/dates';
import { goingInWords } from '@/ui/words/homework';
import { namesInWords } from '@/ui/words/text';

/** What is known of each student who comes today, by their id. */
export interface KnownOfStudents {
  news: ReadonlyMap<string, StudentNews>;
  homework: ReadonlyMap<string, readonly Homework[]>;
  words: ReadonlyMap<string, { words: string; at: Date }>;
}

interface LessonsTodayProps {
  entries: readonly AgendaEntry[];
  known: KnownOfStudents;
  reader: Reader;
  /** The way into a lesson that nobody has opened yet. */
  openLesson: (timeId: string, day: string, who: string) => ReactNode;
}

/** The lessons of the day in their order, each with what the teacher wants to know before the door opens. */
export function LessonsToday({ entries, known, reader, openLesson }: LessonsTodayProps) {
  return (
    <Box component="section" sx={{ mb: 4, maxWidth: 1180 }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', mb: 1 }}>
        <Typography variant="h2">Lessons today</Typography>
        <Link href="/lessons">The week</Link>
      </Box>
      {!entries.length && <Typography color="textSecondary">None today.</Typography>}
      {entries.map((entry) => (
        <LessonLine
          key={entry.lesson?.id ?? `${entry.time!.id} ${entry.ofDay}`}
          entry={entry}
          known={known}
          reader={reader}
          openLesson={openLesson}
        />
      ))}
    </Box>
  );
}

function LessonLine({ entry, known, reader, openLesson }: Omit<LessonsTodayProps, 'entries'> & { entry: AgendaEntry }) {
  const { lesson, time, holiday, startsAt } = entry;
  const students = lesson?.students ?? time!.students;
  const who = namesInWords(students.map(({ name }) => name));
  const state = holiday ?? (lesson && lesson.state !== 'planned' ? lesson.state : undefined);
  const isOff = Boolean(holiday) || lesson?.state === 'skipped';
  return (
    <Box
      component="article"
      aria-label={`Lesson of ${who}`}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '64px 1fr', md: '84px 1fr auto' },
        columnGap: 2,
        rowGap: 1,
        py: 1.5,
        borderTop: 1,
        borderColor: 'divider',
        ...(isOff && { color: 'text.secondary' }),
      }}
    >
      <Typography sx={{ fontFamily: FIGURE_FONT, fontWeight: 750, fontSize: 24, lineHeight: 1.1 }}>
        {timeInWords(startsAt, reader.clock)}
      </Typography>
      <Box sx={{ minWidth: 0, display: 'grid', gap: 1 }}>
        {isOff ? (
          <Typography sx={{ overflowWrap: 'anywhere' }}>
            {who}: {state}
          </Typography>
        ) : (
          students.map((one) => <StudentLine key={one.id} one={one} known={known} reader={reader} />)
        )}
      </Box>
      <Box sx={{ gridColumn: { xs: 2, md: 'auto' }, display: 'flex', gap: 1.5, alignItems: 'start' }}>
        {state && !isOff && <Typography color={state === 'running' ? 'primary' : 'textSecondary'}>{state}</Typography>}
        {lesson ? (
          <Button href={`/lessons/${lesson.id}`} variant={lesson.state === 'running' ? 'contained' : 'outlined'}>
            {lesson.state === 'running' ? 'Go on' : 'Open'}
          </Button>
        ) : (
          !holiday && openLesson(time!.id, entry.ofDay!, who)
        )}
      </Box>
    </Box>
  );
}

/** Homework lines that stand in a lesson's line. */
const SHOWN = 2;

function StudentLine({ one, known, reader }: { one: Coming; known: KnownOfStudents; reader: Reader }) {
  const [news, set, last] = [known.news.get(one.id), known.homework.get(one.id) ?? [], known.words.get(one.id)];
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography sx={{ fontSize: '1.1rem', overflowWrap: 'anywhere' }}>
        <Link href={`/people/${one.id}`} color="inherit" underline="hover" sx={{ fontWeight: 650 }}>
          {one.name}
        </Link>
        {news?.last_verdict && <> · {verdictOfRow({ verdict: news.last_verdict, is_judged: false }, reader)}</>}
      </Typography>
      {set.slice(0, SHOWN).map((item) => (
        <Typography key={item.id} color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
          {item.title}: {goingInWords(item)}
        </Typography>
      ))}
      {set.length > SHOWN && <Typography color="textSecondary">and {set.length - SHOWN} more set</Typography>}
      {!set.length && <Typography color="textSecondary">Nothing is set.</Typography>}
      {last && (
        <Typography
          variant="body2"
          sx={{ mt: 0.25, overflow: 'hidden', display: '-webkit-box', WebkitLineClamp: 2, WebkitBoxOrient: 'vertical' }}
        >
          {shortDayInWords(last.at, reader.clock)}: {last.words}
        </Typography>
      )}
    </Box>
  );
}
