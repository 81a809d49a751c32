import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { Wanting } from '@/server/news';
import { dayInWords, shortDayInWords } from '@/ui/words/dates';
import { tempoInWords } from '@/ui/words/figures';

const TITLES = { quiet: 'Gone quiet', ready: 'Ready to move up', due: 'Due' } as const;

/** Who wants an eye, and why: quiet for a week, ready to move up, something due. Nothing at all where nobody does. */
export function WantsAnEye({ wanting, clock }: { wanting: readonly Wanting[]; clock: Clock }) {
  const groups = (['ready', 'due', 'quiet'] as const)
    .map((about) => ({ about, all: wanting.filter((one) => one.about === about) }))
    .filter(({ all }) => all.length);
  if (!groups.length) return null;
  return (
    <Box
      component="section"
      aria-label="Wants an eye"
      sx={{
        display: 'grid',
        gridTemplateColumns: { md: `repeat(${groups.length}, minmax(0, 1fr))` },
        gap: { xs: 2, md: 4 },
        mb: 4,
        maxWidth: 1180,
      }}
    >
      {groups.map(({ about, all }) => (
        <div key={about}>
          <Typography variant="h2" sx={{ mb: 0.5 }}>
            {TITLES[about]}
          </Typography>
          {all.map((one) => (
            <Typography key={`${one.student_id} ${one.title}`} sx={{ overflowWrap: 'anywhere' }}>
              <Link href={`/people/${one.student_id}`}>{one.name}</Link>{' '}
              <Box component="span" sx={{ color: 'text.secondary' }}>
                {whyInWords(one, clock)}
              </Box>
            </Typography>
          ))}
        </div>
      ))}
    </Box>
  );
}

function whyInWords({ about, title, tempo, at, clean, pass_takes }: Wanting, clock: Clock): string {
  if (about === 'quiet') return at ? `last played ${shortDayInWords(at, clock)}` : `has not played “${title}” yet`;
  if (about === 'ready') return `“${title}” is clean at ${tempoInWords(tempo)}`;
  const open = pass_takes === null ? '' : `, ${clean} of ${pass_takes} clean`;
  return `“${title}” by ${dayInWords(at!, clock)}${open}`;
}
