import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import { pipeline } from 'node:stream';
import { createGunzip } from 'node:zlib';
import {
  cutOff,
  notOurs,
  readEnd,
  readHead,
  readRow,
  renamed,
  type BackupHead,
  type BackupRows,
} from '@/core/documents/backupFile';
import { sentence, type Failure } from '@/core/result';
import type { Db, InSession } from '../database';
import { STARTER_GROOVES } from '../demo/grooves';
import { idFrom } from '../idFrom';
import { linesIn, TooMuch } from './lines';
import { backupTables } from './write';

/** Rows that are kept at a time, and how many characters they may be together. */
const AT_ONCE = 500;
const MOST_TOGETHER = 8_000_000;
/** People that are looked through for the owner. */
const MOST_PEOPLE = 100_000;

/** What came of a file: its rows by table, and whom the owner who restored it is in it. */
export interface Restored {
  head: BackupHead;
  rows: BackupRows;
  owner: { name: string; signInName: string };
}
export type RestoreAnswer = ({ ok: true } & Restored) | { ok: false; say: string };

/** Undoes everything, and is said. */
class Refused extends Error {}
/**
 * Something here has a name of the file's already, most likely since the same workshop stands here: it is tried again
 * with others.
 */
class Taken extends Refused {}
/** Undoes everything, since it was only tried. */
class OnlyTried extends Error {
  constructor(readonly restored: Restored) {
    super('only tried');
  }
}

interface Way {
  /** Does everything and keeps nothing, so that what is said before is what will happen. */
  isTry: boolean;
  /** Told how many rows have come, now and then. */
  onRows?: (rows: number) => void;
  signal?: AbortSignal;
}
interface Me {
  id: string;
  signInName: string;
}

/**
 * Restores a backup into the workshop of the owner in whose session it is done, where nobody and nothing is yet but
 * the grooves every new one has: all of it or nothing. The owner becomes the owner in the file who signs in by the
 * same name, or else the first there, and keeps the password there is.
 */
export async function restore(inSession: InSession, me: Me, path: string, way: Way): Promise<RestoreAnswer> {
  const tryIt = (salt?: string) =>
    inSession(async (db) => {
      const restored = await restoreIn(db, me, path, way, salt);
      if (way.isTry) throw new OnlyTried(restored);
      return restored;
    });
  try {
    try {
      return { ok: true, ...(await tryIt()) };
    } catch (error) {
      if (!(error instanceof Taken)) throw error;
      return { ok: true, ...(await tryIt(randomUUID())) };
    }
  } catch (error) {
    if (error instanceof OnlyTried) return { ok: true, ...error.restored };
    const say = saidOf(error);
    if (say === undefined) throw error;
    return { ok: false, say };
  }
}

/** What went wrong with the file, in words; undefined where it was not the file. */
function saidOf(error: unknown): string | undefined {
  if (error instanceof Refused) return error.message;
  if (error instanceof TooMuch)
    return 'This backup is larger than is taken in here. Whoever runs the server moves everything with npm run backup and npm run restore.';
  const { code } = error as { code?: string };
  if (code === 'Z_BUF_ERROR') return said(cutOff);
  return code?.startsWith('Z_') ? said(notOurs) : undefined;
}

const said = ({ problems }: Failure): string => sentence(problems[0]!);

/** What the database says of rows that cannot be kept, as SQLSTATE: a name that is there, and what does not fit. */
const UNIQUE = '23505';
const OF_ROWS = /^(22|23|42703)/;

/** What every new workshop has on its shelf makes room. */
const STARTERS = STARTER_GROOVES.map(({ groove }) => groove.title);

/** What stands in the way, in words. */
const THERE: Record<string, string> = { person: 'other people', take: 'takes', groove: 'grooves', drill: 'drills' };

async function restoreIn(db: Db, me: Me, path: string, { onRows, signal }: Way, salt?: string): Promise<Restored> {
  const there = (await db.query<{ there: string | null }>('select restore_begin($1) as there', [STARTERS])).rows[0]!
    .there;
  if (there)
    throw new Refused(
      `There are ${THERE[there] ?? 'things'} in this workshop already, and a backup goes into an empty one. Begin a new workshop, and bring it in there first.`,
    );
  const unpacked = createGunzip();
  // What goes wrong in reading is told where the lines are read.
  pipeline(fs.createReadStream(path, { signal }), unpacked, () => {});
  const lines = linesIn(unpacked);
  try {
    return await restoreLines(db, lines, new Keeper(db, me, salt), onRows);
  } finally {
    unpacked.destroy();
  }
}

async function restoreLines(
  db: Db,
  lines: AsyncGenerator<string>,
  keeper: Keeper,
  onRows: Way['onRows'],
): Promise<Restored> {
  const first = await lines.next();
  const head = readHead(first.done ? '' : first.value);
  if (!head.ok) throw new Refused(said(head));

  const tables = await backupTables(db);
  const came: BackupRows = {};
  let number = 1;
  let last: string | undefined;
  for await (const line of lines) {
    number++;
    const found = readRow(line);
    if (last !== undefined || (found && !tables.includes(found.table)))
      throw new Refused(
        `Line ${number} is not as Mochila writes it, so nothing is kept. Take another copy of the backup.`,
      );
    if (!found) {
      last = line;
      continue;
    }
    came[found.table] = (came[found.table] ?? 0) + 1;
    await keeper.add(found.table, found.row, number);
    if (number % AT_ONCE === 0) onRows?.(number);
  }
  await keeper.keep(number);
  const end = readEnd(last, came);
  if (!end.ok) throw new Refused(said(end));
  if (!keeper.owner) throw new Refused(said(notOurs));
  await db.query('select restore_end()');
  return { head: head.value, rows: end.value, owner: keeper.owner };
}

/** Keeps the rows of one table after another, many at a time. */
class Keeper {
  /** Who the owner becomes; known once the people have come. */
  owner: Restored['owner'] | undefined;
  /** What is called otherwise here than in the file. */
  #names = new Map<string, string>();
  #table = '';
  #rows: string[] = [];
  #characters = 0;

  constructor(
    private readonly db: Db,
    private readonly me: Me,
    private readonly salt: string | undefined,
  ) {}

  async add(table: string, row: string, number: number): Promise<void> {
    // Everybody is looked at before the first is kept: whom the owner becomes is known then.
    const isFull = table !== 'person' && (this.#rows.length >= AT_ONCE || this.#characters > MOST_TOGETHER);
    if (table !== this.#table || isFull) await this.keep(number);
    if (this.#rows.length >= MOST_PEOPLE) throw new Refused('There are more people in this file than a workshop has.');
    this.#table = table;
    this.#rows.push(row);
    this.#characters += row.length;
  }

  /** Keeps what has come up to a line of the file. */
  async keep(number: number): Promise<void> {
    const rows = this.#rows.splice(0);
    this.#characters = 0;
    if (this.#table === 'person' && rows.length) this.#chooseOwner(rows);
    for (let at = 0; at < rows.length; at += AT_ONCE)
      await this.#keep(
        rows.slice(at, at + AT_ONCE).map((row) => renamed(row, this.#nameOf)),
        number,
      );
  }

  async #keep(rows: string[], number: number): Promise<void> {
    try {
      await this.db.query('select restore_rows($1, $2)', [this.#table, rows]);
    } catch (error) {
      const code = (error as { code?: string }).code ?? '';
      const say = `Something before line ${number} (${this.#table}) is not as Mochila writes it, so nothing is kept. Take another copy of the backup.`;
      if (code === UNIQUE) throw new Taken(say);
      throw OF_ROWS.test(code) ? new Refused(say) : error;
    }
  }

  /** Puts the owner first, who is called here as whoever restores. */
  #chooseOwner(rows: string[]): void {
    const people = rows.map((row) => JSON.parse(row) as Record<string, unknown>);
    const owns = ({ role, is_owner, archived_at }: Record<string, unknown>) =>
      role === 'teacher' && is_owner === true && !archived_at;
    let at = people.findIndex((one) => owns(one) && one.sign_in_name === this.me.signInName);
    if (at < 0) at = people.findIndex(owns);
    const owner = people[at];
    if (!owner) throw new Refused(said(notOurs));
    this.owner = { name: String(owner.name), signInName: String(owner.sign_in_name) };
    this.#names.set(String(owner.id), this.me.id);
    rows.unshift(...rows.splice(at, 1));
  }

  readonly #nameOf = (id: string): string => {
    const known = this.#names.get(id);
    if (known !== undefined || this.salt === undefined) return known ?? id;
    return idFrom(`${this.salt} ${id}`);
  };
}
