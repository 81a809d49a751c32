import { z } from 'zod';
import { textShape } from '@/core/documents/shapes';
import { FASTEST, LONGEST_TAKE_MS, MOST_LINES_IN, SLOWEST } from '@/core/limits';
import { instantOf } from '@/core/plan/agenda';
import { problemsOf } from '@/core/result';
import type { CsvColumn } from '@/ui/csv/ImportCsv';
import type { CsvLine } from '@/ui/csv/table';
import { MOST_NOTE } from './shapes';

/** What a file of practice has: the log as it is written out holds these and more. */
export const LOG_COLUMNS: readonly CsvColumn[] = [
  { name: 'played at', isWanted: true, hint: 'like 2026-11-20 17:30, by the clock of the workshop' },
  { name: 'what', isWanted: true, hint: 'the title of a groove' },
  { name: 'tempo', isWanted: true, hint: `${SLOWEST} to ${FASTEST}` },
  { name: 'minutes', hint: `up to ${LONGEST_TAKE_MS / 60_000}; or sounding (s)` },
  { name: 'who', hint: 'your name' },
  { name: 'words', hint: 'what is to be remembered' },
];

const wrongTempo = `Write a tempo from ${SLOWEST} to ${FASTEST}, like 96.`;
const tempo = z.number({ error: wrongTempo }).min(SLOWEST, wrongTempo).max(FASTEST, wrongTempo);
const playedMs = z
  .number({ error: 'Write how many minutes, like 12.' })
  .int()
  .min(1000, 'Write how many minutes, like 12.')
  .max(LONGEST_TAKE_MS, `At most ${LONGEST_TAKE_MS / 60_000} minutes a line: write a longer practice as two.`);

/** Practice as it was read from a file, and as it is sent. */
export const logLineShape = z.strictObject({
  groove: z.uuid(),
  playedAt: z.iso.datetime(),
  tempo,
  playedMs,
  words: textShape(MOST_NOTE),
});
export type LogLine = z.infer<typeof logLineShape>;
export const logLinesShape = z
  .array(logLineShape)
  .min(1, 'There is nothing to keep.')
  .max(MOST_LINES_IN, `At most ${MOST_LINES_IN.toLocaleString('en')} lines at a time.`);

/** Whose log it is, what they can play, and when now is. */
export interface LogOwner {
  name: string;
  timeZone: string;
  grooves: readonly { id: string; title: string }[];
  now: Date;
}

const BY_CLOCK = /^(\d{4}-\d{2}-\d{2})(?:[ T](\d{1,2}:\d{2}))?(?::\d{2})?$/;
/** Where only the day is known. */
const NOON = '12:00';

function instantFrom(typed: string, timeZone: string): Date | undefined {
  const byClock = BY_CLOCK.exec(typed);
  const instant = byClock ? instantOf(byClock[1]!, byClock[2] ?? NOON, timeZone) : new Date(typed);
  const isExact = byClock || /T.*(Z|[+-]\d\d:\d\d)$/.test(typed);
  // "2026-02-30" would roll over into March.
  const isDay = !byClock || new Date(`${byClock[1]!}T00:00:00Z`).toISOString().startsWith(byClock[1]!);
  return isExact && isDay && !Number.isNaN(instant.getTime()) ? instant : undefined;
}

const numberOf = (typed = '') => (typed === '' ? undefined : Number(typed.replace(',', '.')));

/** A line of a file as practice of one's own, or what is wrong with it. */
export function logLineOf({ cells }: CsvLine, owner: LogOwner): { value: LogLine } | { say: string } {
  if (cells.who && cells.who !== owner.name)
    return { say: `who: this is of ${cells.who.slice(0, 60)}. Only one’s own practice is read in.` };
  const playedAt = instantFrom(cells['played at'] ?? '', owner.timeZone);
  if (!playedAt) return { say: 'played at: write a day and a time, like 2026-11-20 17:30.' };
  if (playedAt > owner.now) return { say: 'played at: this is still to come.' };
  const title = (cells.what ?? '').toLowerCase();
  const groove = owner.grooves.find((one) => one.title.toLowerCase() === title);
  if (!groove) return { say: `what: no groove here is called “${(cells.what ?? '').slice(0, 60)}”.` };
  const minutes = numberOf(cells.minutes);
  const seconds = numberOf(cells['sounding (s)']);
  const read = logLineShape.safeParse({
    groove: groove.id,
    playedAt: playedAt.toISOString(),
    tempo: numberOf(cells.tempo),
    playedMs: Math.round(minutes === undefined ? (seconds ?? NaN) * 1000 : minutes * 60_000),
    words: cells.words ?? '',
  });
  if (read.success) return { value: read.data };
  const { path, say } = problemsOf(read.error)[0]!;
  return { say: `${path[0] === 'playedMs' ? 'minutes' : String(path[0])}: ${say}` };
}
