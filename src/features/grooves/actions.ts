'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { LEVELS } from '@/core/limits';
import { groovesOf, setArchived, setFavourite, setLabels, type GrooveContent } from '@/server/grooves';
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

/** As many as come into sight at once on any screen. */
const MOST_ASKED = 60;

/** What these grooves hold, as far as the person may see them. */
export async function contentsAction(ids: string[]): Promise<[id: string, content: GrooveContent][]> {
  await requirePerson();
  const wanted = z.array(z.uuid()).max(MOST_ASKED).safeParse(ids);
  if (!wanted.success) return [];
  const found = await asPerson((db) => groovesOf(db, wanted.data));
  return found.map(({ id, content }) => [id, content]);
}
