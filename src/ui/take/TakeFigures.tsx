import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { Judgement } from '@/core/take/judge';
import { FIGURE_FONT } from '../theme';
import { opening } from '../words/text';
import { driftInWords, inMs, lateOrEarly } from '../words/figures';

/** The figures of a take: all of it in large, limb by limb beneath. */
export function TakeFigures({ judgement }: { judgement: Judgement }) {
  const { figures, byLimb, toleranceMs } = judgement;
  const large: [string, string, string][] = [
    ['Mean', lateOrEarly(figures.meanErrorMs), 'where the take sits'],
    ['Spread', inMs(figures.sdErrorMs), `${inMs(toleranceMs)} passes at this level`],
    ['Drift', driftInWords(figures.tempoDriftPercent), `spread round it ${inMs(figures.sdAroundTrendMs)}`],
    ['Missed', `${figures.missed} of ${figures.matched + figures.missed}`, 'strokes that were due'],
    ['Extra', String(figures.extra), 'hits where none was due'],
    ...(figures.notJudgeable
      ? [['Not judgeable', String(figures.notJudgeable), 'this input cannot tell'] as [string, string, string]]
      : []),
  ];
  return (
    <Box>
      <Box
        component="dl"
        sx={{ m: 0, display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(140px, 1fr))', gap: 2 }}
      >
        {large.map(([name, value, note]) => (
          <Box key={name} sx={{ borderTop: 2, borderColor: 'divider', pt: 1 }}>
            <Typography component="dt" variant="body2" color="textSecondary">
              {name}
            </Typography>
            <Typography
              component="dd"
              sx={{ m: 0, fontFamily: FIGURE_FONT, fontWeight: 700, fontSize: '1.35rem', lineHeight: 1.25 }}
            >
              {value}
            </Typography>
            <Typography component="dd" variant="body2" color="textSecondary" sx={{ m: 0 }}>
              {note}
            </Typography>
          </Box>
        ))}
      </Box>
      <Box sx={{ overflowX: 'auto', mt: 2.5 }} tabIndex={0} role="region" aria-label="Figures by limb">
        <Table size="small">
          <TableHead>
            <TableRow>
              <TableCell>Limb</TableCell>
              <TableCell align="right">Mean</TableCell>
              <TableCell align="right">Spread</TableCell>
              <TableCell align="right">Missed</TableCell>
              <TableCell align="right">Extra</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {byLimb.map((one) => (
              <TableRow key={one.limb}>
                <TableCell component="th" scope="row">
                  {opening(one.limb)}
                </TableCell>
                <TableCell align="right">{lateOrEarly(one.meanErrorMs)}</TableCell>
                <TableCell align="right">{inMs(one.sdErrorMs)}</TableCell>
                <TableCell align="right">
                  {one.missed} of {one.matched + one.missed}
                </TableCell>
                <TableCell align="right">{one.extra}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  );
}
