'use server';

import { revalidatePath } from 'next/cache';
import type { DayPlan } from '@/core/documents/dayPlan';
import { reordered, without } from '@/core/plan/dayPlan';
import type { Suggestion } from '@/core/plan/nextStep';
import { suggestionInWords } from '@/core/wording/planInWords';
import { USUAL_PASS } from '@/core/plan/review';
import { sentence } from '@/core/result';
import { changeAssignment, endAssignment, homework, setAssignment } from '@/server/assignments';
import type { Db } from '@/server/database';
import { keepPlan, makePlan, planOfToday } from '@/server/dayPlans';
import { knownOf, refuse, suggestionsFor, type Known } from '@/server/nextSteps';
import { student, type Person } from '@/server/people';
import { asPerson, requirePerson, requireTeacher } from '@/server/session';
import { EMPTY_FORM, readForm, type FormState } from '@/ui/form';
import { doneShape, planChangeShape, planShape, refusedShape } from './shapes';

/** Minutes a day of what is set by a suggestion: those of a usual drill. */
const USUAL_MINUTES = 10;

/** Plans today's practice for the time there is; what was left out of an earlier plan of the day stays out. */
export async function planDayAction(_before: FormState, form: FormData): Promise<FormState> {
  const who = await requirePerson();
  const read = readForm(planShape, form);
  if (!read.ok) return read.state;
  const { timeZone } = who.settings;
  await asPerson(async (db) => {
    const before = await planOfToday(db, who.id, timeZone);
    const left = before?.plan.ok ? before.plan.value.left : [];
    const set = await homework(db, [who.id], { timeZone });
    await keepPlan(db, who, await makePlan(db, who, { ...read.value, homework: set, left }), timeZone);
  });
  revalidatePath('/today');
  return EMPTY_FORM;
}

/** Changes today's plan of the person who is signed in; a word where it cannot be. */
export async function changePlanAction(given: unknown): Promise<string | undefined> {
  const who = await requirePerson();
  const read = planChangeShape.safeParse(given);
  if (!read.success) return 'This is no change of a plan. Reload the page and try again.';
  const { timeZone } = who.settings;
  const say = await asPerson(async (db) => {
    const kept = await planOfToday(db, who.id, timeZone);
    if (!kept) return 'There is no plan for today any more: a new day has begun. Plan it anew.';
    if (!kept.plan.ok) return sentence(kept.plan.problems[0]!);
    await keepPlan(db, who, changed(kept.plan.value, read.data), timeZone);
    return undefined;
  });
  revalidatePath('/today');
  return say;
}

const changed = (plan: DayPlan, change: { order: string[] } | { leave: string }): DayPlan =>
  'order' in change ? reordered(plan, change.order) : without(plan, change.leave);

/** Does what was suggested for a student, as it stands now: what is not suggested any more is not done. */
export async function doSuggestionAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(doneShape, form);
  if (!read.ok) return read.state;
  const { student: id, key } = read.value;
  const say = await asPerson(async (db) => {
    const pupil = await student(db, id);
    if (!pupil || pupil.archived) return undefined;
    const { timeZone } = teacher.settings;
    const known = await knownOf(db, id, timeZone);
    const { suggestions } = await suggestionsFor(db, id, timeZone, known);
    const one = suggestions.find((each) => each.key === key);
    return one && (await done(db, teacher, { one, pupil, known }));
  });
  revalidatePath('/', 'layout');
  return say
    ? { ...EMPTY_FORM, say }
    : { ...EMPTY_FORM, problems: { key: 'This is not suggested any more: something was played or set meanwhile.' } };
}

interface Doing {
  one: Suggestion;
  pupil: Person;
  known: Known;
}

async function done(db: Db, teacher: Person, { one, pupil, known }: Doing): Promise<string | undefined> {
  const { why } = suggestionInWords(one, pupil.school, 'plain words');
  const usual = { student_id: pupil.id, click: 'counts' as const, minutes: USUAL_MINUTES, reason: why };
  switch (one.does) {
    case 'end':
      return (await endAssignment(db, one.work.assignmentId)) ? 'Ended.' : undefined;
    case 'raise':
    case 'ease': {
      const before = known.homework.find(({ id }) => id === one.work.assignmentId);
      return before && (await changeAssignment(db, before.id, { ...before, tempo: one.to }))
        ? `Set at ${one.to}.`
        : undefined;
    }
    case 'again':
      await setAssignment(db, teacher, {
        ...usual,
        groove_id: one.kept.grooveId,
        tempo: one.kept.recall.bpm,
        pass_takes: USUAL_PASS,
      });
      return 'Set again.';
    case 'path': {
      const { pathId, at, grooveId, goal } = one.path;
      // Passed as the path asks it.
      const step = known.paths.find(({ id }) => id === pathId)?.steps[at];
      await setAssignment(db, teacher, {
        ...usual,
        groove_id: grooveId,
        tempo: goal,
        pass_takes: step?.passTakes ?? USUAL_PASS,
      });
      return 'Set.';
    }
    case 'listen':
      await setAssignment(db, teacher, { ...usual, groove_id: null, subject: one.subject, tempo: 80 });
      return 'Set.';
    case 'drill':
      // A drill is made and looked at first.
      return undefined;
  }
}

/** Does not suggest this for so many weeks. */
export async function refuseAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(refusedShape, form);
  if (!read.ok) return read.state;
  const { student: studentId, key, weeks } = read.value;
  const { timeZone } = teacher.settings;
  await asPerson(async (db) => {
    if (await student(db, studentId)) await refuse(db, teacher, { studentId, key, weeks, timeZone });
  });
  revalidatePath('/', 'layout');
  return { ...EMPTY_FORM, say: `Not suggested for ${weeks === 1 ? 'a week' : `${weeks} weeks`}.` };
}
