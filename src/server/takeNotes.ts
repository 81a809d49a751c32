import type { Db } from './database';
import type { Person } from './people';

/** Words on a take, or on one bar of its run. */
export interface TakeNote {
  id: string;
  author_id: string;
  author: string;
  bar: number | null;
  words: string;
  written_at: Date;
}

/** Notes a take can have. */
export const MOST_NOTES = 50;

/** What was written on a take, in the order in which it was. */
export async function notesOf(db: Db, takeId: string): Promise<TakeNote[]> {
  const { rows } = await db.query<TakeNote>(
    `select n.id, n.author_id, p.name as author, n.bar, n.words, n.written_at
     from take_note n join person p on p.id = n.author_id where n.take_id = $1 order by n.written_at, n.id limit $2`,
    [takeId, MOST_NOTES],
  );
  return rows;
}

/**
 * What was written on each of these takes, as "Oda: …" in the order in which it was; at most so many a take as one
 * can have.
 */
export async function wordsOn(db: Db, takeIds: readonly string[]): Promise<Map<string, string[]>> {
  const { rows } = await db.query<{ take_id: string; words: string[] }>(
    `select n.take_id, array_agg(p.name || ': ' || n.words order by n.written_at, n.id) as words
     from take_note n join person p on p.id = n.author_id where n.take_id = any ($1::uuid[]) group by n.take_id`,
    [takeIds],
  );
  return new Map(rows.map(({ take_id, words }) => [take_id, words]));
}

/**
 * Writes a note in the name of whoever is signed in. `full` when there are as many as there may be; `gone` when the
 * take is not theirs to see.
 */
export async function writeNote(
  db: Db,
  author: Pick<Person, 'id' | 'workshop_id'>,
  { takeId, bar, words }: { takeId: string; bar?: number; words: string },
): Promise<'written' | 'full' | 'gone'> {
  const { rows } = await db.query<{ count: number }>(
    `select (select count(*)::int from take_note where take_id = t.id) as count from take t where t.id = $1`,
    [takeId],
  );
  if (!rows[0]) return 'gone';
  if (rows[0].count >= MOST_NOTES) return 'full';
  await db.query(
    'insert into take_note (id, take_id, workshop_id, author_id, bar, words) values ($1, $2, $3, $4, $5, $6)',
    [crypto.randomUUID(), takeId, author.workshop_id, author.id, bar ?? null, words],
  );
  return 'written';
}

/** Takes back a note of one's own; false when there is no such one. */
export async function dropNote(db: Db, id: string): Promise<boolean> {
  return (await db.query('delete from take_note where id = $1', [id])).rowCount === 1;
}

/** Sets a take aside with why, or, with no reason, takes it in again; false when it is not theirs to do. */
export async function setAside(
  db: Db,
  by: Pick<Person, 'id'>,
  takeId: string,
  why: string | undefined,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `update take set set_aside_at = case when $2::text is null then null else now() end,
       set_aside_by = case when $2::text is null then null else $3::uuid end, set_aside_why = $2 where id = $1`,
    [takeId, why ?? null, by.id],
  );
  return rowCount === 1;
}
