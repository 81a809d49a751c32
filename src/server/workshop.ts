import type { WorkshopSettings } from '@/core/documents/settings';
import { asTypedName } from '@/core/format/signInName';
import { asJson } from './asJson';
import type { Db } from './database';
import { hashPassword } from './door';

/**
 * Keeps what the owner sets for the whole workshop, and what it is called when given, going on from the save `from`.
 * Gives the new save's number; nothing where another window has kept something meanwhile: that is never overwritten.
 */
export async function saveSettings(
  db: Db,
  workshopId: string,
  settings: WorkshopSettings,
  from: number,
  name?: string,
): Promise<number | undefined> {
  const { rows } = await db.query<{ settings_number: number }>(
    `update workshop set settings = $2, settings_number = settings_number + 1, name = coalesce($4, name)
     where id = $1 and settings_number = $3 returning settings_number`,
    [workshopId, asJson(settings), from, name],
  );
  return rows[0]?.settings_number;
}

/** When the last backup was made, for a teacher; nothing where there was none, or for a student. */
export async function lastBackup(db: Db): Promise<Date | null> {
  return (await db.query<{ at: Date | null }>('select last_backup() as at')).rows[0]!.at;
}

/** Whom a workshop begins with. */
export interface FirstOwner {
  workshop: string;
  name: string;
  signInName: string;
  password: string;
}

/**
 * Takes the demo away for good, its people and all they played; the owner who does it begins a workshop of their own
 * there, with the demo's grooves and drills where they wish. False where this is no demo, or not theirs.
 */
export async function leaveDemo(db: Db, owner: FirstOwner, keepsGrooves: boolean): Promise<boolean> {
  const given = [
    owner.workshop,
    owner.name,
    asTypedName(owner.signInName),
    await hashPassword(owner.password),
    keepsGrooves,
  ];
  return (await db.query<{ done: boolean }>('select leave_demo($1, $2, $3, $4, $5) as done', given)).rows[0]!.done;
}
