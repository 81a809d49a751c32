import { FASTEST, SLOWEST } from '@/core/limits';
import { TUNE_FEELS } from '@/core/plan/tunes';
import { problemsOf } from '@/core/result';
import type { CsvColumn } from '@/ui/csv/ImportCsv';
import type { CsvLine } from '@/ui/csv/table';
import { tuneLineShape, type TuneSent } from './shapes';

/** What a file of tunes has: what is written out, and what is read in. */
export const TUNE_COLUMNS: readonly CsvColumn[] = [
  { name: 'title', isWanted: true, hint: 'a second time it replaces the first' },
  { name: 'tempo', isWanted: true, hint: `${SLOWEST} to ${FASTEST}` },
  { name: 'meter', hint: 'like 4/4' },
  { name: 'feel', hint: TUNE_FEELS.join(', ') },
  { name: 'grooves', hint: 'titles, with semicolons between them' },
  { name: 'part', hint: 'what is asked for, in words' },
];

/** A line of a file as a tune, or what is wrong with it. */
export function tuneOfLine(
  { cells }: CsvLine,
  grooves: readonly { id: string; title: string }[],
): { value: TuneSent } | { say: string } {
  const filled = Object.fromEntries(Object.entries(cells).filter(([, cell]) => cell));
  const read = tuneLineShape.safeParse(filled);
  if (!read.success) {
    const { path, say } = problemsOf(read.error)[0]!;
    return { say: `${String(path[0])}: ${say}` };
  }
  const titles = (cells.grooves ?? '')
    .split(';')
    .map((title) => title.trim())
    .filter(Boolean);
  const known = new Map(grooves.map(({ id, title }) => [title.toLowerCase(), id]));
  const unknown = titles.find((title) => !known.has(title.toLowerCase()));
  if (unknown) return { say: `grooves: no groove here is called “${unknown.slice(0, 60)}”.` };
  return { value: { ...read.data, grooves: [...new Set(titles.map((title) => known.get(title.toLowerCase())!))] } };
}
