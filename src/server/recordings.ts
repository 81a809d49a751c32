import { MOST_SOUNDS_KEPT, type SoundKind } from '@/core/limits';
import type { Ms } from '@/core/time/units';
import type { Db } from './database';
import type { Person } from './people';

/** The kept sound of a take, without the sound. */
export interface RecordingRow {
  take_id: string;
  kept_at: Date;
  is_pinned: boolean;
  kind: SoundKind;
  bytes: number;
  length_ms: Ms;
  /** Where in the sound a stroke on the first count lies. */
  zero_ms: Ms;
}

/** What is known of the sound that is kept of a take; undefined where there is none, or it is not theirs to hear. */
export async function recordingOf(db: Db, takeId: string): Promise<RecordingRow | undefined> {
  const { rows } = await db.query<RecordingRow>(
    'select take_id, kept_at, is_pinned, kind, bytes, length_ms, zero_ms from recording where take_id = $1',
    [takeId],
  );
  return rows[0];
}

/** So many bytes of a kept sound, from one on; undefined where there is none. */
export async function soundOf(db: Db, takeId: string, from: number, bytes: number): Promise<Buffer | undefined> {
  const { rows } = await db.query<{ part: Buffer }>(
    'select substring(sound from $2 for $3) as part from recording where take_id = $1',
    [takeId, from + 1, bytes],
  );
  return rows[0]?.part;
}

export interface NewRecording {
  takeId: string;
  kind: SoundKind;
  lengthMs: Ms;
  zeroMs: Ms;
  sound: Buffer;
}

/**
 * Keeps the sound of a take of the signed-in person's own; sent a second time it is kept once. `full` where they keep
 * as many as there is room for, `gone` where the take is not there or another's.
 */
export async function keepRecording(
  db: Db,
  player: Pick<Person, 'id' | 'workshop_id'>,
  { takeId, kind, lengthMs, zeroMs, sound }: NewRecording,
): Promise<'kept' | 'full' | 'gone'> {
  await db.query('select drop_old_recordings()');
  // Whoever keeps two at once has them counted one after the other.
  await db.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [`recording ${player.id}`]);
  const { rows } = await db.query<{ has: boolean; kept: number }>(
    `select exists (select from recording r where r.take_id = t.id) as has,
       (select count(*)::int from recording r where r.player_id = $2) as kept
     from take t where t.id = $1 and t.player_id = $2`,
    [takeId, player.id],
  );
  if (!rows[0]) return 'gone';
  if (rows[0].has) return 'kept';
  if (rows[0].kept >= MOST_SOUNDS_KEPT) return 'full';
  await db.query(
    `insert into recording (take_id, workshop_id, player_id, kind, length_ms, zero_ms, sound)
     values ($1, $2, $3, $4, $5, $6, $7)`,
    [takeId, player.workshop_id, player.id, kind, Math.max(1, Math.round(lengthMs)), zeroMs, sound],
  );
  return 'kept';
}

/** Pins a kept sound, so that it stays longer than its days, or lets it loose; false where there is none. */
export async function pinRecording(db: Db, takeId: string, pinned: boolean): Promise<boolean> {
  return (await db.query('update recording set is_pinned = $2 where take_id = $1', [takeId, pinned])).rowCount === 1;
}

/** Drops a kept sound of one's own; the take stays. False where there is none. */
export async function dropRecording(db: Db, takeId: string): Promise<boolean> {
  return (await db.query('delete from recording where take_id = $1', [takeId])).rowCount === 1;
}
