import { readGroove, writeGroove, GROOVE_VERSION } from '@/core/documents/groove';
import { metersInWords, type Groove } from '@/core/groove/groove';
import { writtenShape, type WrittenDrill } from '@/core/documents/writtenDrill';
import { sentence } from '@/core/result';
import type { Level } from '@/core/limits';
import type { Db } from './database';
import type { Person } from './people';

/** A groove as lists show it. */
export interface GrooveRow {
  id: string;
  title: string;
  meter: string;
  level: Level;
  tempo: number;
  tags: string[];
  /** Put away, not deleted: takes and what was set keep it. */
  archived: boolean;
  /** Of the person who asks. */
  favourite: boolean;
  saved_at: Date;
}

export interface StoredGroove extends GrooveRow {
  /** Raised with every save. */
  save_number: number;
  groove: Groove;
  /** Of a groove that plays a drill: what it was written by. */
  drill?: WrittenDrill;
}

/** A row with its documents as they are stored. */
type Documents = GrooveRow & { save_number: number; document: unknown; drill: unknown };

const ROW = `select id, title, meter, level, tempo, tags, archived_at is not null as archived, saved_at, save_number,
  exists (select from favourite f where f.groove_id = groove.id and f.person_id = signed_in_person()) as favourite`;

/** All grooves the person may see, those that play a drill among them, the easiest first. */
export async function grooves(db: Db): Promise<StoredGroove[]> {
  const { rows } = await db.query<Documents>(
    `${ROW}, document, drill from groove
     order by array_position(array['first year', 'second year', 'advanced', 'concert'], level), title`,
  );
  return rows.map(read);
}

export async function groove(db: Db, id: string): Promise<StoredGroove | undefined> {
  const { rows } = await db.query<Documents>(`${ROW}, document, drill from groove where id = $1`, [id]);
  return rows[0] && read(rows[0]);
}

function read({ document, drill, ...row }: Documents): StoredGroove {
  const result = readGroove(document);
  // Only what was read before is stored, so this is damage, not something a user did.
  if (!result.ok) throw new Error(`Groove ${row.id} cannot be read: ${sentence(result.problems[0]!)}`);
  return { ...row, groove: result.value, ...(drill !== null && { drill: writtenShape.parse(drill) }) };
}

/** Keeps a new groove in the teacher's workshop. */
export async function addGroove(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  made: { id?: string; groove: Groove; level: Level; tags?: string[]; drill?: WrittenDrill },
): Promise<string> {
  const id = made.id ?? crypto.randomUUID();
  await db.query(
    `insert into groove (id, workshop_id, made_by, title, meter, level, tempo, document_version, document, tags, drill)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      id,
      teacher.workshop_id,
      teacher.id,
      made.groove.title,
      metersInWords(made.groove),
      made.level,
      made.groove.tempo,
      GROOVE_VERSION,
      JSON.stringify(writeGroove(made.groove)),
      made.tags ?? [],
      made.drill ? JSON.stringify(made.drill) : null,
    ],
  );
  return id;
}

/** `saved` with the new save number; `behind` with what stands there when somebody else saved meanwhile; `gone` when there is none that can be saved. */
export type Saved =
  { kind: 'saved'; save_number: number } | { kind: 'behind'; current: StoredGroove } | { kind: 'gone' };

/** Saves a groove that was edited from the save `from`; a later one is never overwritten, and the bars of a drill stay as they are. */
export async function saveGroove(db: Db, id: string, from: number, edited: Groove): Promise<Saved> {
  const { rows } = await db.query<{ save_number: number }>(
    `update groove set title = $3, meter = $4, tempo = $5, document_version = $6, document = $7, save_number = save_number + 1, saved_at = now()
     where id = $1 and save_number = $2 and drill is null returning save_number`,
    [id, from, edited.title, metersInWords(edited), edited.tempo, GROOVE_VERSION, JSON.stringify(writeGroove(edited))],
  );
  if (rows[0]) return { kind: 'saved', save_number: rows[0].save_number };
  const current = await groove(db, id);
  return current && !current.drill ? { kind: 'behind', current } : { kind: 'gone' };
}

/** What the library says of a groove beside its notes. */
export interface GrooveLabels {
  level: Level;
  tags: string[];
}

export async function setLabels(db: Db, id: string, { level, tags }: GrooveLabels): Promise<void> {
  await db.query('update groove set level = $2, tags = $3 where id = $1', [id, level, tags]);
}

/** Puts a groove away, or brings it back. */
export async function setArchived(db: Db, id: string, archived: boolean): Promise<void> {
  await db.query('update groove set archived_at = case when $2 then coalesce(archived_at, now()) end where id = $1', [
    id,
    archived,
  ]);
}

/** Marks a groove as a favourite of the person's own, or takes the mark off. One that may not be seen is left alone. */
export async function setFavourite(
  db: Db,
  person: Pick<Person, 'id' | 'workshop_id'>,
  id: string,
  favourite: boolean,
): Promise<void> {
  if (favourite)
    await db.query(
      `insert into favourite (person_id, groove_id, workshop_id) select $1, id, $3 from groove where id = $2
       on conflict do nothing`,
      [person.id, id, person.workshop_id],
    );
  else await db.query('delete from favourite where person_id = $1 and groove_id = $2', [person.id, id]);
}
