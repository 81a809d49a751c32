import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ChartData } from '@/server/charts';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import type { Reader } from '@/ui/reader';
import { PlaceHeat } from '@/ui/student/PlaceHeat';
import { dateInWords } from '@/ui/words/dates';
import { ChartSection } from './ChartSection';
import { chartsOf } from './series';

/** Spans that can be looked at, in weeks. */
export const SPANS = [4, 8, 12, 26, 52] as const;

interface ChartsPageProps {
  student: { id: string; name: string };
  /** Whether the reader is the student. */
  isOwn: boolean;
  weeks: number;
  now: ChartData;
  /** The span before it, where both are looked at. */
  before?: ChartData;
  reader: Reader;
}

/** What somebody's practice came to over some weeks, beside the weeks before where it is asked for. */
export function ChartsPage({ student, isOwn, weeks, now, before, reader }: ChartsPageProps) {
  const href = (many: number, beside: boolean) =>
    `/charts?${new URLSearchParams({ ...(!isOwn && { student: student.id }), weeks: String(many), ...(beside && { beside: 'yes' }) })}`;
  const { school, clock } = reader;
  const charts = chartsOf(now, before, clock);
  const heats = [now, ...(before ? [before] : [])].filter(({ heat }) => heat.length);
  return (
    <Page
      title={isOwn ? 'Charts' : `Charts of ${student.name}`}
      note={`${dateInWords(now.span.from, clock)} to ${dateInWords(now.span.to, clock)}`}
      actions={<Button href={isOwn ? '/takes' : `/takes?student=${student.id}`}>Log</Button>}
    >
      <Box component="nav" aria-label="Span" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mb: 3 }}>
        {SPANS.map((many) => (
          <Button
            key={many}
            href={href(many, Boolean(before))}
            size="small"
            variant={many === weeks ? 'contained' : 'outlined'}
            aria-current={many === weeks ? 'true' : undefined}
          >
            {many} weeks
          </Button>
        ))}
        <Button href={href(weeks, !before)} size="small" variant={before ? 'contained' : 'text'}>
          {before
            ? `Beside ${dateInWords(before.span.from, clock)} to ${dateInWords(before.span.to, clock)}`
            : 'Beside the weeks before'}
        </Button>
      </Box>
      {!charts.length && !heats.length ? (
        <EmptyState
          title="Nothing was played in these weeks"
          action={<Button href={href(52, false)}>Look at a year</Button>}
        >
          Charts come from takes that were heard. Choose a longer span, or play something first.
        </EmptyState>
      ) : (
        <Box sx={{ display: 'grid', gap: 5 }}>
          {charts.map((chart) => (
            <ChartSection key={chart.title} chart={chart} />
          ))}
          {heats.map(({ heat, span }) => (
            <section key={span.from}>
              {heats.length > 1 && (
                <Typography color="textSecondary">
                  {dateInWords(span.from, clock)} to {dateInWords(span.to, clock)}
                </Typography>
              )}
              <PlaceHeat places={heat} school={school} />
            </section>
          ))}
        </Box>
      )}
    </Page>
  );
}
