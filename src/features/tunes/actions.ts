'use server';

import { revalidatePath } from 'next/cache';
import { MOST_TUNES } from '@/core/limits';
import { problemsOf, sentence } from '@/core/result';
import type { Db } from '@/server/database';
import { asPerson, requireTeacher } from '@/server/session';
import { changeTune, dropTune, howManyTunes, keepTunes } from '@/server/tunes';
import { EMPTY_FORM, fieldProblem, readForm, type FormState } from '@/ui/form';
import { dropShape, tuneShape, tunesShape } from './shapes';

const tooMany = `A workshop's list holds ${MOST_TUNES.toLocaleString('en')} tunes. Take some off it first.`;
const isRoomFor = async (db: Db, more: number) => (await howManyTunes(db)) + more <= MOST_TUNES;

/** Keeps a tune, a new one or a change of one. */
export async function keepTuneAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(tuneShape, form);
  if (!read.ok) return read.state;
  const { id, ...given } = read.value;
  const wrong = await asPerson(async (db) => {
    if (id)
      return (await changeTune(db, id, given, teacher))
        ? undefined
        : 'Another tune has this title, or this one is gone.';
    if (!(await isRoomFor(db, 1))) return tooMany;
    await keepTunes(db, teacher, [given]);
    return undefined;
  });
  if (wrong) return fieldProblem(form, 'title', wrong);
  revalidatePath('/tunes');
  return { ...EMPTY_FORM, say: 'Kept.' };
}

/** Keeps what was read from a file, all of it or nothing; a tune of the same title is replaced. */
export async function keepTunesAction(given: unknown): Promise<string | undefined> {
  const teacher = await requireTeacher();
  const read = tunesShape.safeParse(given);
  if (!read.success) return sentence(problemsOf(read.error)[0]!);
  // The last line of a title counts, since a file may name one twice.
  const byTitle = [...new Map(read.data.map((one) => [one.title, one])).values()];
  const isKept = await asPerson(async (db) => {
    if (!(await isRoomFor(db, byTitle.length))) return false;
    await keepTunes(db, teacher, byTitle);
    return true;
  });
  revalidatePath('/tunes');
  return isKept ? undefined : tooMany;
}

/** Takes a tune off the list. */
export async function dropTuneAction(form: FormData): Promise<void> {
  await requireTeacher();
  const read = readForm(dropShape, form);
  if (read.ok) await asPerson((db) => dropTune(db, read.value.tune));
  revalidatePath('/tunes');
}
