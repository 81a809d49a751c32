'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Take } from '@/core/documents/take';
import type { TakeFigure } from '@/core/documents/takeFigures';
import { figureInWords } from '@/core/wording/figuresInWords';
import { toleranceOf } from '@/core/judging/types/figures';
import { judge } from '@/core/judging/verdict/judge';
import type { Judgement } from '@/core/judging/types/judgement';
import { changesSince } from '@/core/judging/report/progress';
import { changeInWords } from '@/core/wording/changeInWords';
import { comparedOf } from '@/core/judging/report/takeFigures';
import { verdictInWords } from '@/core/wording/verdictInWords';
import type { EarlierTake } from '@/server/takeFigures';
import type { TakeRow } from '@/server/takes';
import { Page } from '@/ui/Page';
import { PrintButton } from '@/ui/PrintButton';
import type { Reader } from '@/ui/reader';
import { beadsOf, unheardBands, WIDENED } from '@/ui/strip/beads';
import { Strip } from '@/ui/strip/Strip';
import { PlaceErrors } from '@/ui/take/PlaceErrors';
import { dayInWords } from '@/ui/words/dates';
import { tempoInWords } from '@/ui/words/figures';
import { BesideChoice } from './BesideChoice';

interface Side {
  row: TakeRow;
  take: Take;
}

interface BesideViewProps {
  now: Side;
  before: Side;
  others: readonly EarlierTake[];
  reader: Reader;
}

/** Two takes of the same groove, one under the other on the same axis, and what changed in words. */
export function BesideView({ now, before, others, reader: { school, clock, report } }: BesideViewProps) {
  const later = useJudged(now);
  const earlier = useJudged(before);
  const changes = useMemo(() => changesSince(later.compared, earlier.compared), [later, earlier]);
  const isSameGroove = JSON.stringify(now.take.groove.bars) === JSON.stringify(before.take.groove.bars);
  return (
    <Page
      title={now.row.title}
      note={`${now.row.player}, ${dayInWords(now.row.played_at, clock)} against ${dayInWords(before.row.played_at, clock)}`}
      actions={
        <>
          <BesideChoice takeId={now.row.id} others={others} chosen={before.row.id} clock={clock} />
          <PrintButton />
          <Button href={`/takes/${now.row.id}`} variant="outlined" className="no-print">
            This take alone
          </Button>
        </>
      }
    >
      <Box sx={{ display: 'grid', gap: 3.5, maxWidth: 1180 }}>
        <section>
          <Typography variant="h2" gutterBottom>
            What changed
          </Typography>
          {changes.map((change) => (
            <Typography
              key={`${change.kind} ${change.of}`}
              sx={{ color: change.isBetter ? 'success.main' : 'error.main', py: 0.25 }}
            >
              {change.isBetter ? 'Better: ' : 'Not as good: '}
              {changeInWords(change, school, report)}
            </Typography>
          ))}
          {!changes.length && (
            <Typography color="textSecondary">
              Nothing that is more than chance: the 95 % intervals of every figure overlap.
            </Typography>
          )}
        </section>
        {[now, before].map((side, index) => {
          const { judgement } = index ? earlier : later;
          return (
            <section key={side.row.id}>
              <Typography variant="h2">
                {dayInWords(side.row.played_at, clock)} at {tempoInWords(side.row.tempo)}
              </Typography>
              <Typography color="textSecondary" sx={{ mb: 1 }}>
                {verdictInWords(judgement.verdict, school, report).say}
              </Typography>
              <PlainPicture take={side.take} judgement={judgement} school={school} />
            </section>
          );
        })}
        {isSameGroove && (
          <PlaceErrors take={now.take} judgement={later.judgement} beside={earlier.judgement} school={school} />
        )}
        {report === 'figures' && (
          <BesideTable
            now={later.compared.figures}
            before={earlier.compared.figures}
            days={[now, before].map((side) => dayInWords(side.row.played_at, clock))}
          />
        )}
      </Box>
    </Page>
  );
}

function useJudged({ take, row: { level, tolerance_factor } }: Side) {
  return useMemo(() => {
    const judgement = judge(take, toleranceOf(level, tolerance_factor));
    return { judgement, compared: comparedOf(take, judgement) };
  }, [take, level, tolerance_factor]);
}

/** The beads of a take on its strip, widened, and nothing to set. */
function PlainPicture({ take, judgement, school }: { take: Take; judgement: Judgement; school: Reader['school'] }) {
  const [beads, bands] = useMemo(() => [beadsOf(judgement, WIDENED), unheardBands(judgement, WIDENED)], [judgement]);
  return (
    <Strip
      groove={take.groove}
      school={school}
      bpm={take.bpm}
      swing={take.swing}
      size="desk"
      task={take.task}
      beads={beads}
      bands={bands}
      rounds={1 + Math.max(0, ...beads.map(({ round }) => round))}
    />
  );
}

interface BesideTableProps {
  now: readonly TakeFigure[];
  before: readonly TakeFigure[];
  days: readonly string[];
}

/** Every figure that both takes have. */
function BesideTable({ now, before, days }: BesideTableProps) {
  const rows = now.flatMap((one) => {
    const other = before.find(({ kind, of }) => kind === one.kind && of === one.of);
    return other ? [{ key: `${one.kind} ${one.of}`, now: figureInWords(one), before: figureInWords(other) }] : [];
  });
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Figures of both takes">
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>Figure</TableCell>
            {days.map((day) => (
              <TableCell key={day} colSpan={2}>
                {day}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row) => (
            <TableRow key={row.key}>
              <TableCell component="th" scope="row">
                {row.now.name}
              </TableCell>
              {[row.now, row.before].map((figure, index) => [
                <TableCell key={`${index} value`}>{figure.value}</TableCell>,
                <TableCell key={`${index} range`} sx={{ color: 'text.secondary' }}>
                  {figure.range}
                </TableCell>,
              ])}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
