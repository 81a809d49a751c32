import type { Db } from './database';

/** What the database itself notes down; see `note_event` in its migrations. */
export type EventKind =
  | 'signed in'
  | 'password set'
  | 'person added'
  | 'person changed'
  | 'invited'
  | 'deleted'
  | 'archived'
  | 'brought back'
  | 'homework set'
  | 'teacher added'
  | 'shared'
  | 'shared no more'
  | 'owner made'
  | 'owner ended'
  | 'homework changed'
  | 'homework set again'
  | 'homework undone'
  | 'homework ended'
  | 'settings changed'
  | 'backup made'
  | 'restored'
  | 'demo removed';

/** A sign-in, or a change of people, homework or settings. Nobody can alter it. */
export interface EventRow {
  id: string;
  happened_at: Date;
  kind: EventKind;
  detail: string;
  /** Who did it; nobody where it was done at the server itself. */
  by: string | null;
  about: string | null;
  /** Whether somebody did it to themselves. */
  is_own: boolean;
}

/** How many events a page lists. */
export const MOST_EVENTS = 100;

/** The workshop's events, the newest first; those before one of them when named. */
export async function events(db: Db, before?: number): Promise<EventRow[]> {
  const { rows } = await db.query<EventRow>(
    `select e.id, e.happened_at, e.kind, e.detail, p.name as by, a.name as about,
       coalesce(e.by_person = e.about, false) as is_own
     from event e left join person p on p.id = e.by_person left join person a on a.id = e.about
     where $1::bigint is null or e.id < $1 order by e.id desc limit $2`,
    [before ?? null, MOST_EVENTS],
  );
  return rows;
}
