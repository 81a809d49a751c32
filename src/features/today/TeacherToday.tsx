import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { StudentNews } from '@/server/news';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { dayInWords, inMs, lateOrEarly, plural, tempoInWords } from '@/ui/words';

/** Who needs what: each student with the last take's verdict and the week's practice, the least practised first. */
export function TeacherToday({ news, workshop }: { news: StudentNews[]; workshop: string }) {
  return (
    <Page
      title="Today"
      note={workshop}
      actions={
        <Button href="/people/new" variant="contained">
          Add a student
        </Button>
      }
    >
      {!news.length && (
        <EmptyState
          title="Add your first student"
          action={
            <Button href="/people/new" variant="contained">
              Add a student
            </Button>
          }
        >
          With a student here you can set a groove to practise. What they play comes back to this page, with what to fix
          first. Eight grooves are on the shelf already; try one <Link href="/grooves">in the room</Link>.
        </EmptyState>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 340px), 1fr))', gap: 2 }}>
        {news.map((one) => (
          <StudentCard key={one.id} one={one} />
        ))}
      </Box>
    </Page>
  );
}

function StudentCard({ one }: { one: StudentNews }) {
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
          <Typography sx={{ fontWeight: 600 }}>{one.last_verdict}</Typography>
          <Typography variant="body2" color="textSecondary">
            <Link href={`/takes/${one.last_id}`}>
              {one.last_title} at {tempoInWords(one.last_tempo!)}, {dayInWords(one.last_at)}
            </Link>
            <br />
            mean {lateOrEarly(one.last_mean_ms)}, spread {inMs(one.last_sd_ms)}
            {one.first_sd_ms !== null && one.last_sd_ms !== null && spreadSince(one.first_sd_ms, one.last_sd_ms)}
          </Typography>
        </>
      ) : (
        <Typography color="textSecondary">
          {one.open ? 'Has not played yet.' : 'Nothing is set yet: open the page and set a groove.'}
        </Typography>
      )}
    </Box>
  );
}

/** Praise is a fact: how the spread moved over the week's takes of this groove. */
function spreadSince(first: number, last: number): string {
  const by = Math.round(first - last);
  return by >= 2 ? `, ${by} ms closer than a week ago` : by <= -2 ? `, ${-by} ms wider than a week ago` : '';
}
