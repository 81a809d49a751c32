import { differenceInDays } from 'date-fns';
import { namesInWords, plural } from '@/ui/words/text';

/** What a teacher is told of the last backup; nothing while it is young enough, or where none is wanted. */
export function backupOverdue(last: Date | null, wantedDays: number, now: Date): string | undefined {
  if (!wantedDays) return undefined;
  if (!last) return 'No backup has been made yet.';
  const days = differenceInDays(now, last);
  return days >= wantedDays ? `The last backup is ${plural(days, 'day')} old.` : undefined;
}

/** What is counted of a backup, in the order it is said. */
const COUNTED: [table: string, one: string, many?: string][] = [
  ['person', 'person', 'people'],
  ['groove', 'groove'],
  ['drill', 'drill rule'],
  ['assignment', 'homework', 'pieces of homework'],
  ['lesson', 'lesson'],
  ['take', 'take'],
  ['recording', 'recording'],
  ['tune', 'tune'],
  ['path', 'path'],
];

/** What a backup holds, by its rows: "8 people, 26 grooves and 112 takes". */
export const rowsInWords = (rows: Readonly<Record<string, number>>): string =>
  namesInWords(COUNTED.flatMap(([table, one, many]) => (rows[table] ? plural(rows[table], one, many) : [])));
