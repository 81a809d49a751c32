import type { Db } from './database';

/** Where somebody is signed in. */
export interface OwnSession {
  id: string;
  opened_at: Date;
  /** What the browser is, in words; empty where it was not said. */
  opened_with: string;
  /** It is the one that asks. */
  is_this: boolean;
}

/** Where the signed-in person is signed in, the newest first. */
export const ownSessions = async (db: Db): Promise<OwnSession[]> =>
  (await db.query<OwnSession>('select * from own_sessions()')).rows;

/** Ends one of them; false where there is none of that id. */
export const endOwnSession = async (db: Db, id: string): Promise<boolean> =>
  (await db.query<{ ended: boolean }>('select end_own_session($1) as ended', [id])).rows[0]!.ended;
