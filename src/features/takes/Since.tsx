import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { School } from '@/core/counting/schools';
import { type Change } from '@/core/judging/report/progress';
import { changeInWords } from '@/core/wording/changeInWords';
import type { ReportWords } from '@/core/documents/verdict';

interface SinceProps {
  changes: readonly Change[];
  school: School;
  /** "Tuesday" */
  day: string;
  /** The two laid side by side. */
  href: string;
  report: ReportWords;
}

/** So many facts are told. */
const MOST_TOLD = 3;

/** What is better than it was on an earlier day: facts, where the 95 % intervals part. */
export function Since({ changes, school, day, href, report }: SinceProps) {
  const better = changes.filter(({ isBetter }) => isBetter).slice(0, MOST_TOLD);
  return (
    <section>
      <Typography variant="h2" gutterBottom>
        {better.length ? `Better since ${day}` : `Since ${day}`}
      </Typography>
      {better.map((change) => (
        <Typography key={`${change.kind} ${change.of}`} sx={{ py: 0.25 }}>
          {changeInWords(change, school, report)}
        </Typography>
      ))}
      {!better.length && (
        <Typography color="textSecondary">Nothing that is more than chance. Give it some days.</Typography>
      )}
      <Box sx={{ mt: 0.5 }}>
        <Link href={href}>Lay both side by side</Link>
      </Box>
    </section>
  );
}
