'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { plural } from '../words/text';
import { readCsv, type CsvLine } from './table';

/** A column of a file that is read in. */
export interface CsvColumn {
  name: string;
  isWanted?: boolean;
  hint: string;
}

interface ImportCsvProps<T> {
  /** "tune". */
  one: string;
  /** Of several, where it is no "tunes". */
  many?: string;
  columns: readonly CsvColumn[];
  /** A line as it is kept, or what is wrong with it in a sentence. */
  readLine: (line: CsvLine) => { value: T } | { say: string };
  /** Keeps them all, or none; a sentence where they cannot be. */
  onKeep: (values: T[]) => Promise<string | undefined>;
  onClose: () => void;
}

interface Preview<T> {
  good: { number: number; value: T; cells: CsvLine['cells'] }[];
  bad: { number: number; say: string }[];
}

/** Lines that are read between two looks at whether to stop. */
const AT_ONCE = 250;
/** How many of the good and of the bad lines are shown. */
const SHOWN = 12;
/** The largest file that is read, in bytes. */
const MOST_BYTES = 4_000_000;

/** A file of lines looked through before anything is kept: what is understood, and each bad line with its number. */
export function ImportCsv<T>({ one, many = `${one}s`, columns, readLine, onKeep, onClose }: ImportCsvProps<T>) {
  const [preview, setPreview] = useState<Preview<T>>();
  const [say, setSay] = useState<string>();
  const [done, setDone] = useState<number>();
  const [isKeeping, setKeeping] = useState(false);
  const stopped = useRef(false);
  const picker = useRef<HTMLInputElement>(null);

  const read = async (file: File) => {
    setPreview(undefined);
    setSay(undefined);
    if (file.size > MOST_BYTES) return setSay('This file is larger than 4 MB: cut it in two.');
    const table = readCsv(
      await file.text(),
      columns.flatMap(({ name, isWanted }) => (isWanted ? name : [])),
    );
    if ('say' in table) return setSay(table.say);
    stopped.current = false;
    const found: Preview<T> = { good: [], bad: [] };
    for (const [index, line] of table.lines.entries()) {
      const result = readLine(line);
      if ('say' in result) found.bad.push({ number: line.number, say: result.say });
      else found.good.push({ number: line.number, value: result.value, cells: line.cells });
      if (index % AT_ONCE !== AT_ONCE - 1) continue;
      setDone((100 * index) / table.lines.length);
      await new Promise((resolve) => setTimeout(resolve));
      if (stopped.current) return setDone(undefined);
    }
    setDone(undefined);
    setPreview(found);
  };
  const keep = async (values: T[]) => {
    setKeeping(true);
    const problem = await onKeep(values).catch(
      () => 'It could not be kept: Mochila did not answer. Nothing was written.',
    );
    setKeeping(false);
    if (problem) setSay(problem);
    else onClose();
  };
  return (
    <Box component="section" aria-label={`Read ${many} from a file`} sx={{ display: 'grid', gap: 1.5, maxWidth: 900 }}>
      <Typography variant="h2">Read {many} from a file</Typography>
      <Typography color="textSecondary">
        A file of comma-separated values with these columns:{' '}
        {columns
          .map(({ name, hint, isWanted }) => `${name} (${hint}${isWanted ? '' : '; may be left out'})`)
          .join(', ')}
        . You see what is understood before anything is kept.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="outlined" sx={{ minHeight: 44 }} onClick={() => picker.current?.click()}>
          Choose a file
        </Button>
        <input
          ref={picker}
          type="file"
          accept=".csv,text/csv,text/plain"
          hidden
          aria-label={`File of ${many}`}
          onChange={({ target }) => {
            const file = target.files?.[0];
            target.value = '';
            if (file) void read(file);
          }}
        />
        <Button onClick={onClose}>Close</Button>
      </Box>
      {done !== undefined && (
        <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
          <LinearProgress variant="determinate" value={done} aria-label="Lines read" sx={{ flex: 1 }} />
          <Button onClick={() => (stopped.current = true)}>Stop</Button>
        </Box>
      )}
      {say && <Alert severity="error">{say}</Alert>}
      {preview && (
        <Understood
          one={one}
          many={many}
          columns={columns}
          preview={preview}
          isKeeping={isKeeping}
          onKeep={() => void keep(preview.good.map(({ value }) => value))}
        />
      )}
    </Box>
  );
}

interface UnderstoodProps<T> {
  one: string;
  many: string;
  columns: readonly CsvColumn[];
  preview: Preview<T>;
  isKeeping: boolean;
  onKeep: () => void;
}

function Understood<T>({ one, many, columns, preview: { good, bad }, isKeeping, onKeep }: UnderstoodProps<T>) {
  const shown = columns.filter(({ name }) => good.some(({ cells }) => cells[name]));
  return (
    <>
      {bad.length > 0 && (
        <Alert severity="warning">
          {plural(bad.length, 'line')} left out:
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {bad.slice(0, SHOWN).map(({ number, say: wrong }) => (
              <li key={number}>
                Line {number}: {wrong}
              </li>
            ))}
          </Box>
          {bad.length > SHOWN && `and ${bad.length - SHOWN} more.`}
        </Alert>
      )}
      {good.length > 0 && (
        <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="What is understood">
          <Table size="small">
            <TableHead>
              <TableRow>
                {shown.map(({ name }) => (
                  <TableCell key={name}>{name}</TableCell>
                ))}
              </TableRow>
            </TableHead>
            <TableBody>
              {good.slice(0, SHOWN).map(({ number, cells }) => (
                <TableRow key={number}>
                  {shown.map(({ name }) => (
                    <TableCell key={name}>{cells[name]}</TableCell>
                  ))}
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <Button variant="contained" disabled={!good.length} loading={isKeeping} onClick={onKeep}>
          Keep {plural(good.length, one, many)}
        </Button>
        {good.length > SHOWN && <Typography color="textSecondary">The first {SHOWN} are shown.</Typography>}
      </Box>
    </>
  );
}
