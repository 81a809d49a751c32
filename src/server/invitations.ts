import { randomBytes } from 'node:crypto';
import type { Db } from './database';
import { tokenHash } from './door';
import type { Person } from './people';

/** An invitation that was not used yet. */
export interface Invitation {
  made_at: Date;
  expires_at: Date;
}

/** The open invitation of a person; undefined where there is none. */
export async function invitationOf(db: Db, personId: string): Promise<Invitation | undefined> {
  const { rows } = await db.query<Invitation>(
    'select made_at, expires_at from invitation where person_id = $1 and expires_at > now()',
    [personId],
  );
  return rows[0];
}

/**
 * Invites a student, or as an owner a teacher, to come in for the first time or with a new password; what was open
 * before holds no more. Gives what the link holds, which is kept nowhere; undefined where one has no such person.
 */
export async function invite(
  db: Db,
  teacher: Pick<Person, 'workshop_id'>,
  personId: string,
): Promise<string | undefined> {
  const { rowCount } = await db.query('select from person where id = $1 and archived_at is null and may_invite(id)', [
    personId,
  ]);
  if (!rowCount) return undefined;
  const token = randomBytes(32).toString('base64url');
  await db.query('delete from invitation where person_id = $1', [personId]);
  await db.query('insert into invitation (person_id, workshop_id, token_hash) values ($1, $2, $3)', [
    personId,
    teacher.workshop_id,
    tokenHash(token),
  ]);
  return token;
}

/** Takes an invitation back: its link holds no more. False where there is none. */
export async function takeBackInvitation(db: Db, personId: string): Promise<boolean> {
  return (await db.query('delete from invitation where person_id = $1', [personId])).rowCount === 1;
}
