'use server';

import { revalidatePath } from 'next/cache';
import { settingsShape, type WorkshopSettings } from '@/core/documents/settings';
import { asPerson, requireTeacher } from '@/server/session';
import { saveSettings } from '@/server/workshop';

/** What is wrong, by the path of its field ("schools.0.name"); empty when it was kept. */
export type SettingsProblems = Record<string, string>;

/** Keeps the workshop's settings whole, or says at each field what is wrong with it. */
export async function saveSettingsAction(given: WorkshopSettings): Promise<SettingsProblems> {
  const teacher = await requireTeacher();
  const read = settingsShape.safeParse(given);
  if (!read.success)
    return Object.fromEntries(read.error.issues.map((issue) => [issue.path.join('.'), issue.message]).reverse());
  const names = (read.data.schools ?? []).map(({ name }) => name);
  const twice = names.findIndex((name, index) => names.indexOf(name) !== index);
  if (twice >= 0) return { [`schools.${twice}.name`]: 'Another of your schools has this name.' };
  await asPerson((db) => saveSettings(db, teacher.workshop_id, read.data as WorkshopSettings));
  revalidatePath('/', 'layout');
  return {};
}
