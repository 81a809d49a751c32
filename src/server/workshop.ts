import type { WorkshopSettings } from '@/core/documents/settings';
import type { Db } from './database';

/** Keeps what the teacher sets for the whole workshop. */
export async function saveSettings(db: Db, workshopId: string, settings: WorkshopSettings): Promise<void> {
  await db.query('update workshop set settings = $2 where id = $1', [workshopId, JSON.stringify(settings)]);
}
