'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { problemsOf, sentence } from '@/core/result';
import { asPerson, requirePerson } from '@/server/session';
import { grooveTitles, keepPractice, MOST_BY_WORD } from '@/server/logLines';
import { dropRecording, pinRecording } from '@/server/recordings';
import { dropNote, MOST_NOTES, setAside, writeNote } from '@/server/takeNotes';
import { EMPTY_FORM, fieldProblem, readForm, textOf, type FormState } from '@/ui/form';
import { logLinesShape } from './logLines';
import { asideShape, noteShape, takeInShape } from './shapes';

const GONE = 'This take is not there any more.';

/** Writes a note on a take, in the name of whoever is signed in. */
export async function writeNoteAction(_before: FormState, form: FormData): Promise<FormState> {
  const who = await requirePerson();
  const read = readForm(noteShape, form);
  if (!read.ok) return read.state;
  const { take, bar, words } = read.value;
  const written = await asPerson((db) => writeNote(db, who, { takeId: take, bar, words }));
  if (written === 'gone') return fieldProblem(form, 'words', GONE);
  if (written === 'full')
    return fieldProblem(form, 'words', `This take has ${MOST_NOTES} notes, and room for no more. Take one back first.`);
  revalidatePath('/takes', 'layout');
  return EMPTY_FORM;
}

/** Takes back a note of one's own. */
export async function dropNoteAction(form: FormData): Promise<void> {
  await requirePerson();
  const id = z.uuid().safeParse(textOf(form, 'note'));
  if (id.success) await asPerson((db) => dropNote(db, id.data));
  revalidatePath('/takes', 'layout');
}

/** Pins the kept sound of a take, so that it stays longer than its days, or lets it loose. */
export async function pinRecordingAction(form: FormData): Promise<void> {
  await requirePerson();
  const id = z.uuid().safeParse(textOf(form, 'take'));
  if (id.success) await asPerson((db) => pinRecording(db, id.data, textOf(form, 'pinned') === 'yes'));
  revalidatePath('/takes', 'layout');
}

/** Drops the kept sound of a take of one's own. */
export async function dropRecordingAction(form: FormData): Promise<void> {
  await requirePerson();
  const id = z.uuid().safeParse(textOf(form, 'take'));
  if (id.success) await asPerson((db) => dropRecording(db, id.data));
  revalidatePath('/takes', 'layout');
}

/** Sets a take aside with why: it stays, and counts for nobody. Or takes it in again. */
export async function setAsideAction(_before: FormState, form: FormData): Promise<FormState> {
  const who = await requirePerson();
  const read = readForm(textOf(form, 'again') === 'yes' ? takeInShape : asideShape, form);
  if (!read.ok) return read.state;
  const { take, why } = read.value;
  if (!(await asPerson((db) => setAside(db, who, take, why)))) return fieldProblem(form, 'why', GONE);
  revalidatePath('/', 'layout');
  return EMPTY_FORM;
}

/** What one may play, by title: what a file of practice can name. */
export async function grooveTitlesAction(): Promise<{ id: string; title: string }[]> {
  await requirePerson();
  return asPerson(grooveTitles);
}

/** Keeps practice that was read from a file in one's own log, all of it or nothing. A sentence where it cannot be. */
export async function keepLogAction(given: unknown): Promise<string | undefined> {
  const who = await requirePerson();
  const read = logLinesShape.safeParse(given);
  if (!read.success) return sentence(problemsOf(read.error)[0]!);
  const now = new Date().toISOString();
  if (read.data.some(({ playedAt }) => playedAt > now)) return 'Something here is still to come. Read the file again.';
  const kept = await asPerson((db) => keepPractice(db, who, read.data));
  if (kept === 'gone') return 'A groove of these is not there any more. Read the file again.';
  if (kept === 'full')
    return `A log holds ${MOST_BY_WORD.toLocaleString('en')} lines of practice that nothing heard. There is no room for so many more.`;
  revalidatePath('/takes', 'layout');
  return undefined;
}
