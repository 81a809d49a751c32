import { bpmAt, resumed } from '@/core/plan/ladder';
import { climbShape, type Climb } from '@/core/documents/climb';
import type { Db } from './database';
import type { Person } from './people';

/** Where somebody stands on the ladder of a groove, as the next practice begins; undefined when there is no ladder yet. */
export async function ladderOf(db: Db, personId: string, grooveId: string, now: Date): Promise<Climb | undefined> {
  const { rows } = await db.query<{ document: unknown; changed_at: Date }>(
    'select document, changed_at from ladder where person_id = $1 and groove_id = $2',
    [personId, grooveId],
  );
  const read = climbShape.safeParse(rows[0]?.document);
  return read.success ? resumed(read.data, now.getTime() - rows[0]!.changed_at.getTime()) : undefined;
}

/** Keeps where a person stands. */
export async function keepLadder(
  db: Db,
  person: Pick<Person, 'id' | 'workshop_id'>,
  grooveId: string,
  climb: Climb,
): Promise<void> {
  await db.query(
    `insert into ladder (person_id, groove_id, workshop_id, tempo, document) values ($1, $2, $3, $4, $5)
     on conflict (person_id, groove_id) do update set tempo = excluded.tempo, document = excluded.document, changed_at = now()`,
    [person.id, grooveId, person.workshop_id, bpmAt(climb.ladder, climb.standing), JSON.stringify(climb)],
  );
}
