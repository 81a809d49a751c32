import { verdictInWords } from '@/core/wording/verdictInWords';
import type { Verdict } from '@/core/documents/verdict';
import type { Reader } from '../reader';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { Fragment } from 'react';
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

/** Takes that stand together under a line that says what they are. */
export interface TakeGroup {
  say: string;
  takes: readonly ListedTake[];
}

interface TakeTableProps {
  takes: readonly ListedTake[];
  /** The same takes in groups, where they are to stand so. */
  groups?: readonly TakeGroup[];
  /** What people wrote on a take, a line each, by its id. */
  words?: ReadonlyMap<string, readonly string[]>;
  reader: Reader;
  withPlayer?: boolean;
}

/**
 * Takes in a list: when, what, figures, and what to fix first. What the simulated kit played is marked and counts for
 * nobody.
 */
export function TakeTable({ takes, groups, words, reader, withPlayer = false }: TakeTableProps) {
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
          {(groups ?? [{ say: '', takes }]).map(({ say, takes: together }, index) => (
            <Fragment key={together[0]?.id ?? index}>
              {say && (
                <TableRow>
                  <TableCell
                    colSpan={withPlayer ? 10 : 9}
                    component="th"
                    scope="rowgroup"
                    sx={{ pt: 2, fontWeight: 650, borderBottom: 0 }}
                  >
                    {say}
                  </TableCell>
                </TableRow>
              )}
              {together.map((take) => (
                <Row key={take.id} take={take} reader={reader} withPlayer={withPlayer} words={words?.get(take.id)} />
              ))}
            </Fragment>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

interface RowProps {
  take: ListedTake;
  reader: Reader;
  withPlayer: boolean;
  words?: readonly string[];
}

function Row({ take, reader, withPlayer, words }: RowProps) {
  const isAside = take.struck_by === 'kit' || take.set_aside_why;
  return (
    <TableRow hover sx={isAside ? { '& .MuiTableCell-root': { color: 'text.secondary' } } : undefined}>
      <TableCell sx={{ whiteSpace: 'nowrap' }}>
        <Link href={`/takes/${take.id}`}>{dayInWords(take.played_at, reader.clock)}</Link>
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
      <TableCell align="right">{take.extra.toLocaleString('en')}</TableCell>
      <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
        {driftInWords(take.tempo_drift_percent)}
      </TableCell>
      <TableCell sx={{ minWidth: 240 }}>
        {take.struck_by === 'kit' && KIT_PLAYED}
        {take.set_aside_why && `Set aside: ${take.set_aside_why} `}
        {verdictOfRow(take, reader)}
        {take.notes > 0 && !words && ` (${plural(take.notes, 'note')})`}
        {take.has_sound && ' (recording)'}
        {words?.map((line) => (
          <Box key={line} sx={{ color: 'text.secondary', overflowWrap: 'anywhere' }}>
            {line}
          </Box>
        ))}
      </TableCell>
    </TableRow>
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
