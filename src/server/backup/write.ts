import { createGzip } from 'node:zlib';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { endLine, headLine, rowLine, type BackupRows } from '@/core/documents/backupFile';
import type { Db, InSession } from '../database';

/** Rows that are fetched at a time: few where each holds a sound. */
const AT_ONCE = 400;
const SOUNDS_AT_ONCE = 4;

/** The tables of a workshop, each after those it points at. */
export const backupTables = async (db: Db): Promise<string[]> =>
  (await db.query<{ all: string[] }>('select backup_tables() as all')).rows[0]!.all;

/** Every row of a table, as text, in pieces. */
async function* rowsOf(db: Db, table: string): AsyncGenerator<string[]> {
  const pieces = (await db.query<{ n: number }>('select backup_pieces($1) as n', [table])).rows[0]!.n;
  const atOnce = table === 'recording' ? SOUNDS_AT_ONCE : AT_ONCE;
  for (let piece = 0; piece < pieces; piece++) {
    await db.query(`declare piece cursor for select backup_rows as row from backup_rows('${table}', ${piece})`);
    for (;;) {
      const { rows } = await db.query<{ row: string }>(`fetch ${atOnce} from piece`);
      if (rows.length) yield rows.map(({ row }) => row);
      if (rows.length < atOnce) break;
    }
    await db.query('close piece');
  }
}

async function* linesOf(db: Db, workshop: string, now: Date): AsyncGenerator<string> {
  yield `${headLine({ workshop, madeAt: now.toISOString() })}\n`;
  const came: BackupRows = {};
  for (const table of await backupTables(db)) {
    came[table] = 0;
    for await (const rows of rowsOf(db, table)) {
      came[table] += rows.length;
      yield `${rows.map((row) => rowLine(table, row)).join('\n')}\n`;
    }
  }
  yield `${endLine(came)}\n`;
}

/**
 * The whole workshop of the owner in whose session it is read, as one file (see `backupFile`), as it stands at one
 * moment, also while takes arrive. Nobody else is given a row. It is noted once all of it was read.
 */
export function backupOf(inSession: InSession, workshop: string, now: Date): Readable {
  const file = createGzip();
  const write = async () => {
    await inSession((db) => pipeline(Readable.from(linesOf(db, workshop, now)), file, { end: false }), {
      isSnapshot: true,
    });
    file.end();
    await inSession((db) => db.query('select backup_made()'));
  };
  // Also where whoever fetches it has gone.
  write().catch((error: unknown) => file.destroy(error as Error));
  return file;
}
