import type { InSession } from '../database';
import { STARTER_GROOVES } from '../demo/grooves';
import { addGroove } from '../grooves';
import type { ThrowAway } from './throwAway';

/** Who owns a workshop, and works in it. */
export interface Owner {
  id: string;
  workshop: string;
  inSession: InSession;
}

/** An empty workshop with an owner of its own. */
export async function emptyWorkshop(db: ThrowAway, signInName: string): Promise<Owner> {
  const { rows } = await db.owner.query<{ id: string; workshop: string }>(
    `with w as (insert into workshop (name) values ('Empty shed') returning id)
     insert into person (workshop_id, role, is_owner, name, sign_in_name, level, school)
       select id, 'teacher', true, 'Somebody', $1, 'concert', 'e-and-a / trip-let' from w
         returning id, workshop_id as workshop`,
    [signInName],
  );
  const owner = { ...rows[0]!, inSession: await sessionOf(db, rows[0]!.id) };
  // As every new one has.
  await owner.inSession((asOwner) =>
    addGroove(asOwner, { id: owner.id, workshop_id: owner.workshop }, STARTER_GROOVES[0]!),
  );
  return owner;
}

/** A session, opened without the door, whose pool is of the database that was made last. */
export async function sessionOf(db: ThrowAway, personId: string): Promise<InSession> {
  const token = crypto.randomUUID().replaceAll('-', '').padEnd(43, 'x');
  await db.owner.query(
    `insert into session (token_hash, person_id, expires_at) values (sha256($1), $2, now() + interval '1 day')`,
    [Buffer.from(token), personId],
  );
  return (work, way) => db.as(token, work, way);
}

/** Every row of every table of a workshop as text, in an order that does not hang on names. */
export async function everything(db: ThrowAway, workshop: string): Promise<Record<string, string[]>> {
  const { rows } = await db.owner.query<{ all: string[] }>('select backup_tables() as all');
  const found: Record<string, string[]> = {};
  for (const table of rows[0]!.all) {
    const { rows: kept } = await db.owner.query<{ row: string }>(
      `select to_jsonb(r)::text as row from ${table} r
        where ${(await db.owner.query<{ is: string }>('select rows_of_workshop($1) as is', [table])).rows[0]!.is}`,
      [workshop],
    );
    found[table] = kept.map(({ row }) => row).toSorted();
  }
  return found;
}

/** The same with what is allowed to differ taken out, and with names told as they were. */
export function comparable(
  all: Record<string, string[]>,
  owner: Owner,
  names?: Map<string, string>,
): Record<string, string[]> {
  const called = (row: string) => row.replaceAll(owner.id, 'the owner').replaceAll(owner.workshop, 'the workshop');
  return Object.fromEntries(
    Object.entries(all).map(([table, rows]) => [
      table,
      rows
        .map((row) => {
          let plain = called(row);
          for (const [from, to] of names ?? []) plain = plain.replaceAll(from, to);
          // Of the workshop its address at the door and when a backup was made are its own; changes are numbered anew.
          if (table === 'workshop') plain = plain.replace(/"(handle|backed_up_at|is_demo)": [^,}]+,? ?/g, '');
          if (table === 'event') plain = plain.replace(/"id": \d+, /, '');
          return plain;
        })
        .filter((row) => !(table === 'event' && /"(backup made|restored)"/.test(row)))
        .toSorted(),
    ]),
  );
}
