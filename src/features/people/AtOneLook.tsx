import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { StudentNews } from '@/server/news';
import type { Person } from '@/server/people';
import type { Reader } from '@/ui/reader';
import { verdictOfRow } from '@/ui/take/TakeTable';
import { dayInWords } from '@/ui/words/dates';
import { inMs, lateOrEarly, tempoInWords } from '@/ui/words/figures';
import { plural } from '@/ui/words/text';

interface AtOneLookProps {
  student: Person;
  news: StudentNews;
  next?: Date;
  reader: Reader;
}

/** A student in one look: how the last take went, how often there is practice, when they come, what they are after. */
export function AtOneLook({ student, news, next, reader }: AtOneLookProps) {
  return (
    <Box
      component="section"
      aria-label="At one look"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', md: '2fr 1fr 1fr' },
        gap: { xs: 2, md: 4 },
      }}
    >
      <Part title="To fix first">
        {news.last_id && news.last_at ? (
          <>
            <Typography sx={{ fontSize: '1.2rem', fontWeight: 650, lineHeight: 1.35 }}>
              {verdictOfRow({ verdict: news.last_verdict, is_judged: false }, reader)}
            </Typography>
            <Typography color="textSecondary">
              <Link href={`/takes/${news.last_id}`}>
                {news.last_title} at {tempoInWords(news.last_tempo!)}, {dayInWords(news.last_at, reader.clock)}
              </Link>
              , mean {lateOrEarly(news.last_mean_ms)}, spread {inMs(news.last_sd_ms)}
            </Typography>
          </>
        ) : (
          <Typography color="textSecondary">Nothing was played yet.</Typography>
        )}
      </Part>
      <Part title="This week">
        <Typography sx={{ fontSize: '1.2rem', fontWeight: 650 }}>
          {news.takes_this_week ? `${news.days_this_week} of 7 days` : 'No practice'}
        </Typography>
        <Typography color="textSecondary">
          {plural(news.takes_this_week, 'take')}
          {news.kit_takes_this_week > 0 && `, ${news.kit_takes_this_week} more by the simulated kit`}
        </Typography>
      </Part>
      <Part title="Comes next">
        <Typography sx={{ fontSize: '1.2rem', fontWeight: 650 }}>
          {next ? dayInWords(next, reader.clock) : 'No lesson is set down'}
        </Typography>
        <Typography color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
          {student.goals ? `After: ${student.goals}` : <Link href="/lessons">Lessons</Link>}
        </Typography>
      </Part>
    </Box>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography variant="body2" component="h2" color="textSecondary" sx={{ fontWeight: 650 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}
