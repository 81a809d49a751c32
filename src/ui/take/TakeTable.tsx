import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { dayInWords, driftInWords, inMs, lateOrEarly, tempoInWords } from '../words';

/** What a row of the log needs of a take. */
export interface ListedTake {
  id: string;
  player: string;
  title: string;
  played_at: Date;
  tempo: number;
  click: string;
  matched: number;
  missed: number;
  extra: number;
  mean_error_ms: number | null;
  sd_error_ms: number | null;
  tempo_drift_percent: number | null;
  verdict: string;
}

/** Takes in a list: when, what, figures, and what to fix first. */
export function TakeTable({ takes, withPlayer = false }: { takes: ListedTake[]; withPlayer?: boolean }) {
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Takes">
      <Table size="small" sx={{ minWidth: 820 }}>
        <TableHead>
          <TableRow>
            <TableCell>When</TableCell>
            {withPlayer && <TableCell>Who</TableCell>}
            <TableCell>Groove</TableCell>
            <TableCell align="right">Tempo</TableCell>
            <TableCell align="right">Mean</TableCell>
            <TableCell align="right">Spread</TableCell>
            <TableCell align="right">Missed</TableCell>
            <TableCell align="right">Extra</TableCell>
            <TableCell align="right">Drift</TableCell>
            <TableCell>Verdict</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {takes.map((take) => (
            <TableRow key={take.id} hover>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>
                <Link href={`/takes/${take.id}`}>{dayInWords(take.played_at)}</Link>
              </TableCell>
              {withPlayer && (
                <TableCell sx={{ minWidth: 120, maxWidth: 170, overflowWrap: 'anywhere' }}>{take.player}</TableCell>
              )}
              <TableCell sx={{ minWidth: 130, maxWidth: 200, overflowWrap: 'anywhere' }}>{take.title}</TableCell>
              <TableCell align="right">{tempoInWords(take.tempo)}</TableCell>
              <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                {lateOrEarly(take.mean_error_ms)}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                {inMs(take.sd_error_ms)}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                {take.missed} of {take.matched + take.missed}
              </TableCell>
              <TableCell align="right">{take.extra}</TableCell>
              <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                {driftInWords(take.tempo_drift_percent)}
              </TableCell>
              <TableCell sx={{ minWidth: 240 }}>{take.verdict}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
