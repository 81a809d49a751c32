'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { MOST_REASON } from '@/core/limits';
import { fail, ok, problem, sentence, type Result } from '@/core/result';
import {
  changeAssignment,
  endAssignment,
  setAgain,
  setAssignment,
  undoAssignment,
  type NewAssignment,
} from '@/server/assignments';
import type { Db } from '@/server/database';
import { drill, grooveOfDrill } from '@/server/drills';
import { groove } from '@/server/grooves';
import { student, type Person } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { tune } from '@/server/tunes';
import { EMPTY_FORM, fieldProblem, readForm, textOf, type FormState } from '@/ui/form';
import { assignmentShape, changedShape, type What } from './shapes';

const gone = (say: string, remedy: string) => fail(problem('gone', say, remedy));

/** The groove that is set, a drill written out for it, the first that fits a tune; of a listening drill none. */
async function grooveFor(db: Db, teacher: Person, what: What, level: Person['level']): Promise<Result<string | null>> {
  if (what.what === 'by ear') return ok(null);
  if (what.what === 'drill') {
    const found = await drill(db, what.id);
    if (!found) return gone('This drill is not there any more.', 'Choose another.');
    if (!found.rule.ok) return found.rule;
    return grooveOfDrill(db, teacher, { name: found.name, rule: found.rule.value }, level);
  }
  if (what.what === 'tune') {
    const found = await tune(db, what.id);
    if (!found) return gone('This tune is not on the list any more.', 'Choose another.');
    const [fitting] = found.grooves;
    if (!fitting) return gone('No groove fits this tune.', 'Say on the page of tunes which one does.');
    return ok(fitting.id);
  }
  const found = await groove(db, what.id);
  if (!found) return gone('This groove is not there any more.', 'Choose another.');
  if (found.archived) return gone('This groove is archived.', 'Bring it back on its shelf first, or choose another.');
  return ok(found.id);
}

/** Why it is set, as it was written; of a tune which, and what is asked for in it, where nothing was written. */
async function reasonFor(db: Db, what: What, written: string): Promise<string> {
  const found = what.what === 'tune' && !written ? await tune(db, what.id) : undefined;
  return found ? `For “${found.title}”. ${found.part}`.trim().slice(0, MOST_REASON) : written;
}

/** Sets something for one student, or for each of a group. */
export async function setAssignmentAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(assignmentShape, form);
  if (!read.ok) return read.state;
  const { students, what, ...how } = read.value;
  const wrong = await asPerson(async (db) => {
    const all: NewAssignment[] = [];
    for (const id of students) {
      const pupil = await student(db, id);
      if (!pupil) return 'This student is not there any more.';
      if (pupil.archived) return `${pupil.name} is archived. Bring ${pupil.name} back first.`;
      const played = await grooveFor(db, teacher, what, pupil.level);
      if (!played.ok) return sentence({ ...played.problems[0]!, where: '' });
      const set = played.value === null ? { bar_from: null, bar_to: null } : {};
      const subject = what.what === 'by ear' ? what.subject : null;
      const reason = await reasonFor(db, what, how.reason);
      all.push({ ...how, ...set, reason, student_id: id, groove_id: played.value, subject });
    }
    for (const one of all) await setAssignment(db, teacher, one);
    return undefined;
  });
  if (wrong) return fieldProblem(form, 'what', wrong);
  refresh();
  return { ...EMPTY_FORM, say: 'Set. It is on Today from now on.' };
}

/** Changes how something that is set is practised. */
export async function changeAssignmentAction(_before: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const read = readForm(changedShape, form);
  if (!read.ok) return read.state;
  const { assignment, ...how } = read.value;
  if (!(await asPerson((db) => changeAssignment(db, assignment, how))))
    return fieldProblem(form, 'tempo', 'This is not set any more: it was ended or taken back meanwhile.');
  refresh();
  return { ...EMPTY_FORM, say: 'Changed. It holds from now on.' };
}

async function withAssignment(form: FormData, work: (db: Db, id: string) => Promise<unknown>): Promise<void> {
  await requireTeacher();
  const id = z.uuid().safeParse(textOf(form, 'assignment'));
  if (id.success) await asPerson((db) => work(db, id.data));
  refresh();
}

/** Ends what is set: it stays in the log and leaves Today. */
export async function endAssignmentAction(form: FormData): Promise<void> {
  await withAssignment(form, endAssignment);
}

/** Sets again what was ended. */
export async function setAgainAction(form: FormData): Promise<void> {
  await withAssignment(form, setAgain);
}

/** Takes back what was set by mistake; what was played already is ended instead. */
export async function undoAssignmentAction(form: FormData): Promise<void> {
  await withAssignment(form, async (db, id) => (await undoAssignment(db, id)) || endAssignment(db, id));
}

function refresh(): void {
  revalidatePath('/people', 'layout');
  revalidatePath('/lessons', 'layout');
  revalidatePath('/today');
}
