'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { readGroove, type GrooveJson } from '@/core/documents/groove';
import { LEVELS, type Level } from '@/core/limits';
import { problemsOf, sentence } from '@/core/result';
import { addGroove, groovesOf, setArchived, setFavourite, setLabels, type GrooveContent } from '@/server/grooves';
import { asPerson, requirePerson, requireTeacher } from '@/server/session';
import { tagsShape } from '@/ui/fields';
import { EMPTY_FORM, readForm, type FormState } from '@/ui/form';
import { MOST_FILES } from '@/core/format/unpack';

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
  revalidatePath('/drills/at-sight');
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

const keptShape = z.strictObject({
  grooves: z
    .array(z.unknown())
    .min(1, 'There is nothing to keep.')
    .max(MOST_FILES, `At most ${MOST_FILES} grooves at once.`),
  level: z.enum(LEVELS, 'Choose a level from the list.'),
});

/** Keeps grooves that were read from files, all of them or none; a sentence where they cannot be. */
export async function keepGroovesAction(given: { grooves: GrooveJson[]; level: Level }): Promise<string | undefined> {
  const teacher = await requireTeacher();
  const sent = keptShape.safeParse(given);
  if (!sent.success) return sentence(problemsOf(sent.error)[0]!);
  const { level } = sent.data;
  const read = sent.data.grooves.map(readGroove);
  for (const one of read) if (!one.ok) return sentence(one.problems[0]!);
  await asPerson(async (db) => {
    for (const one of read) if (one.ok) await addGroove(db, teacher, { groove: one.value, level });
  });
  revalidatePath('/grooves');
  return undefined;
}
