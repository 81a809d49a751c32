import { readEars, type Ears } from '@/core/documents/ears';
import type { Db } from './database';
import type { Person } from './people';

/** What listens on a device of a person's, as it was kept. */
export interface EarsKept {
  deviceId: string;
  name: string;
  keptAt: Date;
  ears: Ears;
}

/** Devices a person has something kept of; of more the oldest goes. */
export const MOST_DEVICES = 10;

/** What a person's devices have learnt, the newest first; what cannot be read is learnt again by getting heard. */
export async function earsKept(db: Db, person: Pick<Person, 'id'>): Promise<EarsKept[]> {
  const { rows } = await db.query<{ device_id: string; name: string; kept_at: Date; document: unknown }>(
    'select device_id, name, kept_at, document from ears where person_id = $1 order by kept_at desc limit $2',
    [person.id, MOST_DEVICES],
  );
  return rows.flatMap(({ device_id, name, kept_at, document }) => {
    const read = readEars(document);
    return read.ok ? [{ deviceId: device_id, name, keptAt: kept_at, ears: read.value }] : [];
  });
}

/** Keeps what a device has learnt, in place of what was kept of it. */
export async function keepEars(
  db: Db,
  person: Pick<Person, 'id' | 'workshop_id'>,
  { deviceId, name, ears }: { deviceId: string; name: string; ears: Ears },
): Promise<void> {
  await db.query(
    `insert into ears (person_id, device_id, workshop_id, name, document) values ($1, $2, $3, $4, $5)
     on conflict (person_id, device_id) do update set name = excluded.name, document = excluded.document,
       kept_at = now()`,
    [person.id, deviceId, person.workshop_id, name, JSON.stringify(ears)],
  );
  await db.query(
    `delete from ears where person_id = $1 and device_id not in
       (select device_id from ears where person_id = $1 order by kept_at desc limit $2)`,
    [person.id, MOST_DEVICES],
  );
}
