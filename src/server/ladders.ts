import { bpmAt, resumed } from '@/core/plan/ladder';
import { readClimb, type Climb } from '@/core/documents/climb';
import { ok, type Result } from '@/core/result';
import { asJson } from './asJson';
import type { Db } from './database';
import type { Person } from './people';

/** A ladder as it is kept: where one stands, and which step that is of those that were kept. */
export interface KeptLadder {
  /** As the next practice begins; a problem where it cannot be read. */
  climb: Result<Climb>;
  step: number;
}

/** Where somebody stands on the ladder of a groove; undefined when there is no ladder yet. */
export async function ladderOf(db: Db, personId: string, grooveId: string, now: Date): Promise<KeptLadder | undefined> {
  const { rows } = await db.query<{ document: unknown; changed_at: Date; step: number }>(
    'select document, changed_at, step from ladder where person_id = $1 and groove_id = $2',
    [personId, grooveId],
  );
  if (!rows[0]) return undefined;
  const { document, changed_at, step } = rows[0];
  const read = readClimb(document);
  return { climb: read.ok ? ok(resumed(read.value, now.getTime() - changed_at.getTime())) : read, step };
}

/**
 * Keeps where a person stands, going on from the step `from` (0 for the first). Gives the new step; nothing where
 * another window has gone on meanwhile: its step is never overwritten.
 */
export async function keepLadder(
  db: Db,
  person: Pick<Person, 'id' | 'workshop_id'>,
  grooveId: string,
  climb: Climb,
  from: number,
): Promise<number | undefined> {
  const { rows } = await db.query<{ step: number }>(
    `insert into ladder (person_id, groove_id, workshop_id, tempo, document) values ($1, $2, $3, $4, $5)
     on conflict (person_id, groove_id) do update
       set tempo = excluded.tempo, document = excluded.document, changed_at = now(), step = ladder.step + 1
       where ladder.step = $6
     returning step`,
    [person.id, grooveId, person.workshop_id, bpmAt(climb.ladder, climb.standing), asJson(climb), from],
  );
  return rows[0]?.step;
}
