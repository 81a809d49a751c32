'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { settingsShape, type WorkshopSettings } from '@/core/documents/settings';
import { MOST_SAVES } from '@/core/limits';
import { asPerson, requireTeacher } from '@/server/session';
import { saveSettings } from '@/server/workshop';

/** What is wrong, by the path of its field ("schools.0.name"). */
export type SettingsProblems = Record<string, string>;

/** `behind`: another window has kept something since this one was opened. */
export type SettingsAnswer =
  { kind: 'kept'; number: number } | { kind: 'behind' } | { kind: 'refused'; problems: SettingsProblems };

/** Keeps the workshop's settings whole, or says at each field what is wrong with it. */
export async function saveSettingsAction(given: WorkshopSettings, from: number): Promise<SettingsAnswer> {
  const teacher = await requireTeacher();
  if (!teacher.is_owner) return refused({ '': 'What holds for the whole workshop is the owner’s to set.' });
  const read = settingsShape.safeParse(given);
  if (!read.success)
    return refused(
      Object.fromEntries(read.error.issues.map(({ path, message }) => [path.join('.'), message]).reverse()),
    );
  const names = (read.data.schools ?? []).map(({ name }) => name);
  const twice = names.findIndex((name, index) => names.indexOf(name) !== index);
  if (twice >= 0) return refused({ [`schools.${twice}.name`]: 'Another of your schools has this name.' });
  const number = z.number().int().min(1).max(MOST_SAVES).safeParse(from);
  if (!number.success) return { kind: 'behind' };
  const kept = await asPerson((db) =>
    saveSettings(db, teacher.workshop_id, read.data as WorkshopSettings, number.data),
  );
  if (kept === undefined) return { kind: 'behind' };
  revalidatePath('/', 'layout');
  return { kind: 'kept', number: kept };
}

const refused = (problems: SettingsProblems): SettingsAnswer => ({ kind: 'refused', problems });
