'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { settingsShape, type WorkshopSettings } from '@/core/documents/settings';
import { MOST_SAVES } from '@/core/limits';
import { problemsOf } from '@/core/result';
import { asPerson, requireTeacher } from '@/server/session';
import { leaveDemo, saveSettings } from '@/server/workshop';
import { nameShape, passwordShape, signInNameShape } from '@/ui/fields';
import { EMPTY_FORM, readForm, textOf, type FormState } from '@/ui/form';

/** What is wrong, by the path of its field ("schools.0.name"). */
export type SettingsProblems = Record<string, string>;

/** `behind`: another window has kept something since this one was opened. */
export type SettingsAnswer =
  { kind: 'kept'; number: number } | { kind: 'behind' } | { kind: 'refused'; problems: SettingsProblems };

/** Keeps the workshop's settings whole and what it is called, or says at each field what is wrong with it. */
export async function saveSettingsAction(
  given: WorkshopSettings,
  from: number,
  called: string,
): Promise<SettingsAnswer> {
  const teacher = await requireTeacher();
  if (!teacher.is_owner) return refused({ '': 'What holds for the whole workshop is the owner’s to set.' });
  const read = settingsShape.safeParse(given);
  if (!read.success)
    return refused(
      Object.fromEntries(
        problemsOf(read.error)
          .map(({ path, say }) => [path.join('.'), say])
          .reverse(),
      ),
    );
  const workshop = nameShape.safeParse(called);
  if (!workshop.success) return refused({ name: problemsOf(workshop.error)[0]!.say });
  const names = (read.data.schools ?? []).map(({ name }) => name);
  const twice = names.findIndex((name, index) => names.indexOf(name) !== index);
  if (twice >= 0) return refused({ [`schools.${twice}.name`]: 'Another of your schools has this name.' });
  const number = z.number().int().min(1).max(MOST_SAVES).safeParse(from);
  if (!number.success) return { kind: 'behind' };
  const kept = await asPerson((db) =>
    saveSettings(db, teacher.workshop_id, read.data as WorkshopSettings, number.data, workshop.data),
  );
  if (kept === undefined) return { kind: 'behind' };
  revalidatePath('/', 'layout');
  return { kind: 'kept', number: kept };
}

const ownShape = z.object({
  workshop: nameShape,
  teacher: nameShape,
  signInName: signInNameShape,
  password: passwordShape,
});

/** Takes the demo away; whoever does it has a workshop of their own there. */
export async function leaveDemoAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  if (!teacher.is_owner || !teacher.is_demo) return { ...EMPTY_FORM, say: 'This is no demo of yours.' };
  const read = readForm(ownShape, form);
  if (!read.ok) return read.state;
  const { teacher: name, ...given } = read.value;
  await asPerson((db) => leaveDemo(db, { name, ...given }, textOf(form, 'keepsGrooves') === 'on'));
  revalidatePath('/', 'layout');
  redirect('/today');
}

const refused = (problems: SettingsProblems): SettingsAnswer => ({ kind: 'refused', problems });
