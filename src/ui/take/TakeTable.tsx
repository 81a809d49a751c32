import { verdictInWords } from '@/core/take/verdictInWords';
import type { Verdict } from '@/core/documents/verdict';
import type { Reader } from '../reader';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { dayInWords } from '../words/dates';
import { plural } from '../words/text';
import { driftInWords, inMs, lateOrEarly, tempoInWords } from '../words/figures';

/** What a row of the log needs of a take. */
export interface ListedTake {
  id: string;
  player: string;
  title: string;
  played_at: Date;
  tempo: number;
  struck_by: 'player' | 'kit';
  set_aside_why: string | null;
  notes: number;
  has_sound: boolean;
  matched: number;
  missed: number;
  extra: number;
  mean_error_ms: number | null;
  sd_error_ms: number | null;
  tempo_drift_percent: number | null;
  /** Undefined while it is being judged anew, and where it cannot be read. */
  verdict?: Verdict;
  is_judged: boolean;
}

interface TakeTableProps {
  takes: ListedTake[];
  reader: Reader;
  withPlayer?: boolean;
}

/** Takes in a list: when, what, figures, and what to fix first. What the simulated kit played is marked and counts for nobody. */
export function TakeTable({ takes, reader, withPlayer = false }: TakeTableProps) {
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
            <TableRow
              key={take.id}
              hover
              sx={
                take.struck_by === 'kit' || take.set_aside_why
                  ? { '& .MuiTableCell-root': { color: 'text.secondary' } }
                  : undefined
              }
            >
              <TableCell sx={{ whiteSpace: 'nowrap' }}>
                <Link href={`/takes/${take.id}`}>{dayInWords(take.played_at, reader.timeZone)}</Link>
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
                {take.matched + take.missed ? `${take.missed} of ${take.matched + take.missed}` : '–'}
              </TableCell>
              <TableCell align="right">{take.extra}</TableCell>
              <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                {driftInWords(take.tempo_drift_percent)}
              </TableCell>
              <TableCell sx={{ minWidth: 240 }}>
                {take.struck_by === 'kit' && KIT_PLAYED}
                {take.set_aside_why && `Set aside: ${take.set_aside_why} `}
                {verdictOfRow(take, reader)}
                {take.notes > 0 && ` (${plural(take.notes, 'note')})`}
                {take.has_sound && ' (recording)'}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

const KIT_PLAYED = 'The simulated kit played. ';

/** What the list says of a take: its verdict in the reader's school, or why there is none. */
export function verdictOfRow(
  { verdict, is_judged }: Pick<ListedTake, 'verdict' | 'is_judged'>,
  { school, report }: Pick<Reader, 'school' | 'report'>,
): string {
  if (verdict) return verdictInWords(verdict, school, report).say;
  return is_judged ? 'This take cannot be read any more; its figures stand.' : 'Being judged anew …';
}
