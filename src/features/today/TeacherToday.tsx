import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { MOST_STUDENTS, type News, type StudentNews } from '@/server/news';
import { EmptyState } from '@/ui/EmptyState';
import { FindByName, hrefOf, Pages } from '@/ui/FindByName';
import { Page } from '@/ui/Page';
import type { Reader } from '@/ui/reader';
import { verdictOfRow } from '@/ui/take/TakeTable';
import { dayInWords } from '@/ui/words/dates';
import { plural } from '@/ui/words/text';
import { inMs, lateOrEarly, tempoInWords } from '@/ui/words/figures';

interface TeacherTodayProps {
  news: News;
  /** What is looked for, and from which student on. */
  asked: { words: string; from: number };
  workshop: string;
  reader: Reader;
  /** That a backup is wanted, where one is. */
  backupOverdue?: string;
  /** The lessons of the day and who wants an eye, above everybody. */
  children?: ReactNode;
}

/**
 * The day's lessons, who needs what, and each student with the last take's verdict and the week's practice, the least
 * practised first.
 */
export function TeacherToday({
  news: { total, students },
  asked,
  workshop,
  reader,
  backupOverdue,
  children,
}: TeacherTodayProps) {
  const isEmpty = !students.length && !asked.words && !asked.from;
  const isMany = total > MOST_STUDENTS || Boolean(asked.words) || asked.from > 0;
  return (
    <Page
      title="Today"
      note={total > MOST_STUDENTS ? `${workshop} · ${plural(total, 'student')}` : workshop}
      actions={
        <Button href="/people/new" variant="contained">
          Add a student
        </Button>
      }
    >
      {backupOverdue && !isEmpty && (
        <Alert severity="info" sx={{ mb: 2.5, maxWidth: 860 }}>
          {backupOverdue} Take the <Link href="/workshop">workshop</Link> as one file, and keep it on another machine.
        </Alert>
      )}
      {!isEmpty && !asked.words && !asked.from && children}
      {!isEmpty && (
        <Typography variant="h2" sx={{ mb: 1.5 }}>
          Everybody
        </Typography>
      )}
      {isMany && <FindByName action="/today" label="Find a student" words={asked.words} />}
      {isEmpty && (
        <EmptyState
          title="Add your first student"
          action={
            <Button href="/people/new" variant="contained">
              Add a student
            </Button>
          }
        >
          With a student here you can set a groove to practise. What they play comes back to this page, with what to fix
          first. Grooves are on the shelf already; try one <Link href="/grooves">in the room</Link>.
        </EmptyState>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 340px), 1fr))', gap: 2 }}>
        {students.map((one) => (
          <StudentCard key={one.id} one={one} reader={reader} />
        ))}
      </Box>
      {!students.length && !isEmpty && <Typography>Nobody is called “{asked.words}”.</Typography>}
      <Pages
        total={total}
        from={asked.from}
        most={MOST_STUDENTS}
        hrefFrom={(from) => hrefOf('/today', { words: asked.words, from })}
      />
    </Page>
  );
}

function StudentCard({ one, reader }: { one: StudentNews; reader: Reader }) {
  return (
    <Box
      component="article"
      sx={{
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 2,
        p: 2.25,
        display: 'flex',
        flexDirection: 'column',
        gap: 1,
      }}
    >
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline' }}>
        <Typography variant="h2" sx={{ overflowWrap: 'anywhere' }}>
          <Link href={`/people/${one.id}`} color="inherit" underline="hover">
            {one.name}
          </Link>
        </Typography>
        <Typography variant="body2" color="textSecondary" sx={{ ml: 'auto', whiteSpace: 'nowrap' }}>
          {one.takes_this_week
            ? `${plural(one.takes_this_week, 'take')} on ${plural(one.days_this_week, 'day')} of 7`
            : 'nothing this week'}
        </Typography>
      </Box>
      {one.last_id && one.last_at ? (
        <>
          <Typography sx={{ fontWeight: 600 }}>
            {verdictOfRow({ verdict: one.last_verdict, is_judged: false }, reader)}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            <Link href={`/takes/${one.last_id}`}>
              {one.last_title} at {tempoInWords(one.last_tempo!)}, {dayInWords(one.last_at, reader.clock)}
            </Link>
            <br />
            mean {lateOrEarly(one.last_mean_ms)}, spread {inMs(one.last_sd_ms)}
            {one.week_ago_sd_ms !== null && one.last_sd_ms !== null && spreadSince(one.week_ago_sd_ms, one.last_sd_ms)}
          </Typography>
        </>
      ) : (
        <Typography color="textSecondary">
          {one.open ? 'Has not played yet.' : 'Nothing is set yet: open the page and set a groove.'}
        </Typography>
      )}
      {one.kit_takes_this_week > 0 && (
        <Typography variant="body2" color="textSecondary">
          Beside it {plural(one.kit_takes_this_week, 'take')} by the simulated kit, counting for nobody.
        </Typography>
      )}
    </Box>
  );
}

/** Praise is a fact: how the spread moved since a take of this groove a week ago. */
function spreadSince(before: number, last: number): string {
  const by = Math.round(before - last);
  if (by >= 2) return `, ${by} ms closer than a week ago`;
  return by <= -2 ? `, ${-by} ms wider than a week ago` : '';
}
