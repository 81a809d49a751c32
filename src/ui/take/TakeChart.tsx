import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { placesInWords } from '@/core/form/exercises';
import type { School } from '@/core/counting/schools';
import type { Take } from '@/core/documents/take';
import { format } from '@/core/time/fraction';
import { chartFigures, type HitFigures, type TempoSettled } from '@/core/judging/report/chartFigures';
import type { Judgement } from '@/core/judging/types/judgement';
import { lateOrEarly } from '../words/figures';
import { plural } from '../words/text';

interface TakeChartProps {
  take: Take;
  judgement: Judgement;
  school: School;
}

function landedInWords(landed: number, due: number): string {
  if (due === 1) return landed ? 'The hit landed' : 'The hit did not land';
  return `${landed === due ? 'All' : `${landed} of`} ${due} hits landed`;
}

/** A take of a chart: whether each hit landed with the band, and how long each new tempo took to settle. */
export function TakeChart({ take, judgement, school }: TakeChartProps) {
  const figures = useMemo(() => chartFigures(take, judgement), [take, judgement]);
  if (!figures) return null;
  const { hits, tempos } = figures;
  const due = hits.reduce((all, one) => all + one.due, 0);
  const landed = hits.reduce((all, one) => all + one.landed, 0);
  return (
    <>
      {hits.length > 0 && (
        <section>
          <Typography variant="h2" gutterBottom>
            {landedInWords(landed, due)}
          </Typography>
          <Box sx={{ maxHeight: 340, overflow: 'auto' }} tabIndex={0} role="region" aria-label="Figures by hit">
            <Table size="small" stickyHeader>
              <TableHead>
                <TableRow>
                  <TableCell>Hit</TableCell>
                  <TableCell>Where</TableCell>
                  <TableCell align="right">Landed</TableCell>
                  <TableCell align="right">Mean</TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {hits.map((hit) => (
                  <HitRow
                    key={`${hit.section} ${hit.bar} ${format(hit.written)}`}
                    hit={hit}
                    take={take}
                    school={school}
                  />
                ))}
              </TableBody>
            </Table>
          </Box>
        </section>
      )}
      {tempos.length > 0 && (
        <section>
          <Typography variant="h2" gutterBottom>
            New tempos
          </Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {tempos.map((one) => (
              <li key={one.barInRun}>{settledInWords(one)}</li>
            ))}
          </Box>
        </section>
      )}
    </>
  );
}

function HitRow({ hit, take, school }: { hit: HitFigures; take: Take; school: School }) {
  const { section, bar, written, grooveBar, due, landed, meanErrorMs } = hit;
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        {placesInWords(take.groove, grooveBar, [written], school)}
      </TableCell>
      <TableCell>
        {section}, bar {bar}
      </TableCell>
      <TableCell align="right" sx={{ color: landed < due ? 'error.main' : 'success.main' }}>
        {landed} of {due}
      </TableCell>
      <TableCell align="right">{landed ? lateOrEarly(meanErrorMs) : '–'}</TableCell>
    </TableRow>
  );
}

/** "From 100 to 120 in B, bar 33: settled after 2 counts". */
function settledInWords({ section, barInRun, from, to, counts }: TempoSettled): string {
  const tempo = (bpm: number) => Math.round(bpm * 10) / 10;
  const settled = counts === 0 ? 'there at once' : `settled after ${plural(counts ?? 0, 'count')}`;
  return `From ${tempo(from)} to ${tempo(to)} in ${section}, bar ${barInRun + 1}: ${counts === undefined ? 'never settled' : settled}.`;
}
