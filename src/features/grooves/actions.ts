'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { LEVELS } from '@/core/limits';
import { setArchived, setFavourite, setLabels } from '@/server/grooves';
import { asPerson, requirePerson, requireTeacher } from '@/server/session';
import { tagsShape } from '@/ui/fields';
import { EMPTY_FORM, readForm, type FormState } from '@/ui/form';

const labelsShape = z.object({
  groove: z.uuid(),
  level: z.enum(LEVELS, 'Choose a level from the list.'),
  tags: tagsShape,
});

export async function labelsAction(_before: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const read = readForm(labelsShape, form);
  if (!read.ok) return read.state;
  const { groove, ...labels } = read.value;
  await asPerson((db) => setLabels(db, groove, labels));
  revalidatePath('/grooves');
  return { ...EMPTY_FORM, say: 'Kept.' };
}

export async function favouriteAction(id: string, favourite: boolean): Promise<void> {
  const who = await requirePerson();
  if (z.uuid().safeParse(id).success) await asPerson((db) => setFavourite(db, who, id, favourite === true));
  revalidatePath('/grooves');
}

export async function archiveAction(id: string, archived: boolean): Promise<void> {
  await requireTeacher();
  if (z.uuid().safeParse(id).success) await asPerson((db) => setArchived(db, id, archived === true));
  revalidatePath('/grooves');
}
