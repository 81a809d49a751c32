import type { WorkshopSettings } from '@/core/documents/settings';
import { asJson } from './asJson';
import type { Db } from './database';

/**
 * Keeps what the teacher sets for the whole workshop, going on from the save `from`. Gives the new save's number; nothing
 * where another window has kept something meanwhile: that is never overwritten.
 */
export async function saveSettings(
  db: Db,
  workshopId: string,
  settings: WorkshopSettings,
  from: number,
): Promise<number | undefined> {
  const { rows } = await db.query<{ settings_number: number }>(
    `update workshop set settings = $2, settings_number = settings_number + 1
     where id = $1 and settings_number = $3 returning settings_number`,
    [workshopId, asJson(settings), from],
  );
  return rows[0]?.settings_number;
}

/** When the last backup was made, for a teacher; nothing where there was none, or for a student. */
export async function lastBackup(db: Db): Promise<Date | null> {
  return (await db.query<{ at: Date | null }>('select last_backup() as at')).rows[0]!.at;
}
