'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { ok, sentence } from '@/core/result';
import { endAssignment, setAssignment } from '@/server/assignments';
import { drill, grooveOfDrill } from '@/server/drills';
import { groove } from '@/server/grooves';
import { invite, takeBackInvitation } from '@/server/invitations';
import { addStudent, archivePerson, changePerson, deleteStudent, setPassword, student } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { passwordShape } from '@/ui/fields';
import { fieldProblem, readForm, EMPTY_FORM, type FormState, textOf } from '@/ui/form';
import { assignmentShape, changeShape, studentShape } from './shapes';

export async function addStudentAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(studentShape, form);
  if (!read.ok) return read.state;
  const added = await asPerson((db) => addStudent(db, teacher, read.value));
  if (added === 'taken')
    return fieldProblem(form, 'signInName', 'This sign-in name is taken. Add a letter or a digit.');
  redirect(`/people/${added}`);
}

/** What a student, or the teacher herself, is called, level, kit and counting. */
export async function changePersonAction(_before: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const read = readForm(changeShape, form);
  if (!read.ok) return read.state;
  const { person, ...change } = read.value;
  if (!(await asPerson((db) => changePerson(db, person, change))))
    return fieldProblem(form, 'school', 'This person is not there any more.');
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
  if (!token) return { say: 'This student is not there any more, or is archived.' };
  revalidatePath('/people', 'layout');
  return { token };
}

/** Takes an invitation back: its link holds no more. */
export async function takeBackInvitationAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'person'));
  if (id.success) await asPerson((db) => takeBackInvitation(db, id.data));
  revalidatePath('/people', 'layout');
}

/** Deletes an archived student for good, with everything of theirs. */
export async function deleteStudentAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'person'));
  if (!id.success || !(await asPerson((db) => deleteStudent(db, id.data)))) return;
  revalidatePath('/', 'layout');
  redirect('/people');
}

export async function setAssignmentAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(assignmentShape, form);
  if (!read.ok) return read.state;
  const { student: student_id, groove: chosen, ...given } = read.value;
  const wrong = await asPerson(async (db) => {
    const pupil = await student(db, student_id);
    if (!pupil) return fieldProblem(form, 'groove', 'This student is not there any more.');
    const found = chosen.drill ? await drill(db, chosen.id) : await groove(db, chosen.id);
    if (!found)
      return fieldProblem(
        form,
        'groove',
        `This ${chosen.drill ? 'drill' : 'groove'} is not there any more. Choose another.`,
      );
    if (pupil.archived)
      return fieldProblem(form, 'groove', `${pupil.name} is archived. Bring ${pupil.name} back first.`);
    if ('archived' in found && found.archived)
      return fieldProblem(
        form,
        'groove',
        'This groove is archived. Bring it back on its shelf first, or choose another.',
      );
    const rule = 'rule' in found ? found.rule : undefined;
    if (rule && !rule.ok) return fieldProblem(form, 'groove', sentence({ ...rule.problems[0]!, where: '' }));
    const played =
      rule && 'name' in found
        ? await grooveOfDrill(db, teacher, { name: found.name, rule: rule.value }, pupil.level)
        : ok(found.id);
    if (!played.ok) return fieldProblem(form, 'groove', sentence({ ...played.problems[0]!, where: '' }));
    await setAssignment(db, teacher, { student_id, groove_id: played.value, ...given });
    return undefined;
  });
  if (wrong) return wrong;
  revalidatePath(`/people/${student_id}`);
  return { ...EMPTY_FORM, say: 'Set. It is on Today from now on.' };
}

export async function endAssignmentAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'assignment'));
  if (id.success) await asPerson((db) => endAssignment(db, id.data));
  revalidatePath('/people', 'layout');
}
