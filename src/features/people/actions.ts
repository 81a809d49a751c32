'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { problemsOf, sentence } from '@/core/result';
import { addStudents } from '@/server/manyStudents';
import { invite, takeBackInvitation } from '@/server/invitations';
import { addStudent, archivePerson, changePerson, deleteStudent, setPassword, student } from '@/server/people';
import { addTeacher, setOwner, shareStudent, takeOver, teachers } from '@/server/teachers';
import { asPerson, requireTeacher } from '@/server/session';
import { nameShape, passwordShape } from '@/ui/fields';
import { fieldProblem, readForm, EMPTY_FORM, type FormState, textOf } from '@/ui/form';
import { studentsShape } from './csv';
import { changeShape, studentShape, teachersOf } from './shapes';

export async function addStudentAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(studentShape, form);
  if (!read.ok) return read.state;
  const added = await asPerson((db) => addStudent(db, teacher, read.value));
  if (added === 'taken')
    return fieldProblem(form, 'signInName', 'This sign-in name is taken. Add a letter or a digit.');
  redirect(`/people/${added}`);
}

/** Adds the students of a file, all of them or none; a word where they cannot be. */
export async function addStudentsAction(given: unknown): Promise<string | undefined> {
  const teacher = await requireTeacher();
  const read = studentsShape.safeParse(given);
  if (!read.success) return sentence(problemsOf(read.error)[0]!);
  await asPerson((db) => addStudents(db, teacher, read.data));
  revalidatePath('/', 'layout');
  return undefined;
}

/** What a student, or the teacher herself, is called, level, kit and counting. */
export async function changePersonAction(_before: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const read = readForm(changeShape, form);
  if (!read.ok) return read.state;
  const { person, ...change } = read.value;
  try {
    if (!(await asPerson((db) => changePerson(db, person, change))))
      return fieldProblem(form, 'school', 'This person is not there any more.');
  } catch (error) {
    // Unique violation: of the sign-in name, the only one that is changed here.
    if ((error as { code?: string }).code !== '23505') throw error;
    return fieldProblem(form, 'signInName', 'This sign-in name is taken. Add a letter or a digit.');
  }
  revalidatePath('/', 'layout');
  return { ...EMPTY_FORM, say: 'Kept. It holds from now on.' };
}

const passwordOfShape = z.object({ person: z.uuid('This student is not there any more.'), password: passwordShape });

/** Sets a student's password anew. */
export async function setStudentPasswordAction(_before: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const read = readForm(passwordOfShape, form);
  if (!read.ok) return read.state;
  const { person, password } = read.value;
  const isSet = await asPerson(async (db) => Boolean(await student(db, person)) && setPassword(db, person, password));
  if (!isSet) return fieldProblem(form, 'password', 'This student is not there any more.');
  return { ...EMPTY_FORM, say: 'Set. Tell it to the student.' };
}

/** Archives a student or brings one back. */
export async function archivePersonAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'person'));
  if (id.success) await asPerson((db) => archivePerson(db, id.data, textOf(form, 'archived') === 'yes'));
  revalidatePath('/', 'layout');
}

/** Which teachers have a student from now on; a teacher who leaves themselves out sees them no more. */
export async function shareAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const [id, chosen] = [z.uuid().safeParse(textOf(form, 'student')), teachersOf(form)];
  if (!id.success) return fieldProblem(form, 'teachers', 'This student is not there any more.');
  if (!chosen.length) return fieldProblem(form, 'teachers', 'Leave at least one teacher.');
  const wrong = await asPerson(async (db) => {
    if (!(await student(db, id.data))) return 'This student is not there any more.';
    const there = (await teachers(db)).filter(({ archived }) => !archived).map((one) => one.id);
    if (!chosen.every((one) => there.includes(one))) return 'One of them teaches here no more. Load the page anew.';
    await shareStudent(db, teacher, id.data, chosen);
    return undefined;
  });
  if (wrong) return fieldProblem(form, 'teachers', wrong);
  revalidatePath('/', 'layout');
  return { ...EMPTY_FORM, say: 'Kept. It holds from now on.' };
}

/** Adds a teacher to the owner's workshop; they come in by a link. */
export async function addTeacherAction(_before: FormState, form: FormData): Promise<FormState> {
  const owner = await requireTeacher();
  const read = readForm(z.object({ name: nameShape }), form);
  if (!read.ok) return read.state;
  if (!owner.is_owner) return fieldProblem(form, 'name', 'Teachers are the owner’s to add.');
  await asPerson((db) => addTeacher(db, owner, read.value.name));
  revalidatePath('/workshop');
  return { ...EMPTY_FORM, say: 'Added. Make a link for them to come in by.' };
}

/** Makes a teacher an owner too, or no longer. */
export async function setOwnerAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'person'));
  if (id.success) await asPerson((db) => setOwner(db, id.data, textOf(form, 'owns') === 'yes'));
  revalidatePath('/', 'layout');
}

/** Takes over what a teacher who is archived leaves behind. */
export async function takeOverAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'person'));
  if (id.success) await asPerson((db) => takeOver(db, id.data));
  revalidatePath('/', 'layout');
}

/** The link of an invitation that was made just now, or why none was. */
export interface Invited {
  token?: string;
  say?: string;
}

/** Invites a student by a link, in place of one that was open. */
export async function inviteAction(_before: Invited, form: FormData): Promise<Invited> {
  const teacher = await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'person'));
  const token = id.success ? await asPerson((db) => invite(db, teacher, id.data)) : undefined;
  if (!token) return { say: 'This person is not there any more, or is archived.' };
  revalidatePath('/', 'layout');
  return { token };
}

/** Takes an invitation back: its link holds no more. */
export async function takeBackInvitationAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'person'));
  if (id.success) await asPerson((db) => takeBackInvitation(db, id.data));
  revalidatePath('/', 'layout');
}

/** Deletes an archived student for good, with everything of theirs. */
export async function deleteStudentAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'person'));
  if (!id.success || !(await asPerson((db) => deleteStudent(db, id.data)))) return;
  revalidatePath('/', 'layout');
  redirect('/people');
}
