import { z } from 'zod';
import { fail, ok, problem, type Result } from '../result';
import { readVersioned } from './reader';

/**
 * A workshop as one file: text, compressed with gzip. The first line says what it is, the last how many rows there
 * are of each table, so that a file that was cut off is known for what it is; each line between is the name of a
 * table, a blank, and a row of it as the database writes it. Numbers and times go through untouched: a row is never
 * taken apart on its way.
 */
const BACKUP_VERSION = 1;

export const headShape = z.strictObject({
  version: z.literal(BACKUP_VERSION),
  mochila: z.literal('workshop'),
  workshop: z.string().max(400),
  madeAt: z.iso.datetime(),
});
export type BackupHead = Omit<z.infer<typeof headShape>, 'version' | 'mochila'>;

export const endShape = z.strictObject({ rows: z.record(z.string().max(60), z.number().int().min(0)) });
/** How many rows there are, by table. */
export type BackupRows = Record<string, number>;

export const notOurs = fail(
  problem(
    'no-backup',
    'This is no backup of a workshop.',
    'Choose the file that Mochila gave under “One file”, as it was given.',
  ),
);

export const cutOff = fail(
  problem('cut-off', 'This backup ends too early: a part of it is missing.', 'Copy the file again from where it lies.'),
);

function json(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return undefined;
  }
}

export const headLine = (head: BackupHead): string =>
  JSON.stringify({ mochila: 'workshop', version: BACKUP_VERSION, ...head });

/** The first line of a backup. */
export function readHead(line: string): Result<BackupHead> {
  const document = json(line);
  if ((document as { mochila?: unknown } | undefined)?.mochila !== 'workshop') return notOurs;
  const read = readVersioned(document, { name: 'backup', version: BACKUP_VERSION, shape: headShape });
  if (!read.ok) return read.problems[0]!.code === 'newer-version' ? read : notOurs;
  const { workshop, madeAt } = read.value;
  return ok({ workshop, madeAt });
}

export const endLine = (rows: BackupRows): string => JSON.stringify({ rows });

/** The last line of a backup, with the rows that came before it: every one must have come. */
export function readEnd(line: string | undefined, came: BackupRows): Result<BackupRows> {
  const read = endShape.safeParse(line === undefined ? undefined : json(line));
  if (!read.success) return cutOff;
  const tables = new Set([...Object.keys(read.data.rows), ...Object.keys(came)]);
  return [...tables].every((table) => (read.data.rows[table] ?? 0) === (came[table] ?? 0))
    ? ok(read.data.rows)
    : cutOff;
}

export const rowLine = (table: string, row: string): string => `${table} ${row}`;

const ROW = /^([a-z_]{1,60}) (\{.*)$/s;

/** A line between the first and the last; undefined where it is none. */
export function readRow(line: string): { table: string; row: string } | undefined {
  const found = ROW.exec(line);
  return found ? { table: found[1]!, row: found[2]! } : undefined;
}

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;

/** A row with the names of things replaced, wherever they stand in it. */
export const renamed = (row: string, nameOf: (id: string) => string): string => row.replace(UUID, nameOf);
