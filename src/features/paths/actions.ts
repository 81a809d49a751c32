'use server';

import { revalidatePath } from 'next/cache';
import type { z } from 'zod';
import { LEVELS } from '@/core/limits';
import { problemsOf, sentence } from '@/core/result';
import type { Db } from '@/server/database';
import { drill, grooveOfDrill } from '@/server/drills';
import { groove } from '@/server/grooves';
import { keepPath, setPathArchived, setWalks } from '@/server/paths';
import { student, type Person } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { EMPTY_FORM, readForm, type FormState } from '@/ui/form';
import { archiveShape, DRILL, pathShape, walksShape } from './shapes';

const SAID = {
  behind: 'Somebody changed this path meanwhile. Reload the page to see it; what you typed is lost then.',
  gone: 'This path is not yours to change, or not there any more.',
};

/** Keeps a path with its steps; words where it cannot be. */
export async function keepPathAction(given: unknown): Promise<string | undefined> {
  const teacher = await requireTeacher();
  const read = pathShape.safeParse(given);
  if (!read.success) return sentence(problemsOf(read.error)[0]!);
  const said = await asPerson(async (db) => {
    const steps = await writtenOut(db, teacher, read.data.steps);
    if ('say' in steps) return steps.say;
    const kept = await keepPath(db, teacher, { ...read.data, steps: steps.steps });
    return kept === 'kept' ? undefined : SAID[kept];
  });
  revalidatePath('/', 'layout');
  return said;
}

type Step = z.output<typeof pathShape>['steps'][number];

/** The steps with each drill written out as a groove, so that they stay as they are whatever becomes of it. */
async function writtenOut(
  db: Db,
  teacher: Person,
  steps: readonly Step[],
): Promise<{ steps: Step[] } | { say: string }> {
  const written: Step[] = [];
  for (const [index, step] of steps.entries()) {
    const id = step.grooveId.replace(DRILL, '');
    const place = `Step ${index + 1}:`;
    if (!step.grooveId.startsWith(DRILL)) {
      const found = await groove(db, id);
      if (!found || found.archived) return { say: `${place} this groove is not there any more. Choose another.` };
      written.push(step);
      continue;
    }
    const found = await drill(db, id);
    if (!found) return { say: `${place} this drill is not there any more. Choose another.` };
    const made = found.rule.ok
      ? await grooveOfDrill(db, teacher, { name: found.name, rule: found.rule.value }, LEVELS[0])
      : found.rule;
    if (!made.ok) return { say: `${place} ${sentence(made.problems[0]!)}` };
    written.push({ ...step, grooveId: made.value });
  }
  return { steps: written };
}

/** Puts a path away, or brings it back. */
export async function archivePathAction(form: FormData): Promise<void> {
  await requireTeacher();
  const read = readForm(archiveShape, form);
  if (read.ok) await asPerson((db) => setPathArchived(db, read.value.path, read.value.archived === 'yes'));
  revalidatePath('/', 'layout');
}

/** Puts a student on a path, or takes them off it. */
export async function walkAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(walksShape, form);
  if (!read.ok) return read.state;
  const { student: studentId, path, walks } = read.value;
  await asPerson(async (db) => {
    if (await student(db, studentId)) await setWalks(db, teacher, { studentId, pathId: path, walks: walks === 'yes' });
  });
  revalidatePath('/', 'layout');
  return EMPTY_FORM;
}
