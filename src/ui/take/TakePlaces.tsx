import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { School } from '@/core/counting/schools';
import type { Take } from '@/core/documents/take';
import type { Judgement } from '@/core/judging/types/judgement';
import { placeJudged } from '@/core/judging/verdict/verdict';
import { judgedPlaceInWords } from '@/core/wording/phrases';
import { inMs, lateOrEarly } from '../words/figures';
import { opening } from '../words/text';

interface TakePlacesProps {
  take: Take;
  judgement: Judgement;
  school: School;
}

/** What the beads show, to be read: every written place with where its strokes fell. */
export function TakePlaces({ take, judgement: { byPlace }, school }: TakePlacesProps) {
  const rows = byPlace
    .map((one) => ({ ...one, place: placeJudged(take, one.limb, one.bar, one.written) }))
    .sort((a, b) => a.bar - b.bar || a.place.count - b.place.count || a.place.part - b.place.part);
  return (
    <Box component="details" className="fold">
      <Typography component="summary" sx={{ cursor: 'pointer', py: 1, fontWeight: 650 }}>
        Every place as a table
      </Typography>
      <Box sx={{ maxHeight: 420, overflow: 'auto' }} tabIndex={0} role="region" aria-label="Figures by place">
        <Table size="small" stickyHeader>
          <TableHead>
            <TableRow>
              <TableCell>Place</TableCell>
              <TableCell>Limb</TableCell>
              <TableCell align="right">Mean</TableCell>
              <TableCell align="right">Spread</TableCell>
              <TableCell align="right">Missed</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((one) => (
              <TableRow key={`${one.limb} ${one.bar} ${one.place.count} ${one.place.part}`}>
                <TableCell component="th" scope="row">
                  {opening(judgedPlaceInWords(one.place, school))}
                </TableCell>
                <TableCell>{one.limb}</TableCell>
                <TableCell align="right">{lateOrEarly(one.meanErrorMs)}</TableCell>
                <TableCell align="right">{inMs(one.sdErrorMs)}</TableCell>
                <TableCell align="right">
                  {one.missed} of {one.matched + one.missed}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  );
}
