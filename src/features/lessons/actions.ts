'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { readLessonPlan } from '@/core/documents/lesson';
import { instantOf } from '@/core/plan/agenda';
import { MOST_SAVES } from '@/core/limits';
import type { Db } from '@/server/database';
import { drill, grooveOfDrill } from '@/server/drills';
import { addHoliday, addTime, dropHoliday, endTime } from '@/server/lessonTimes';
import {
  beginLesson,
  endLesson,
  lesson,
  moveLesson,
  openLesson,
  savePlan,
  skipLesson,
  writeLessonWords,
  type Lesson,
} from '@/server/lessons';
import { dropTemplate, keepTemplate, MOST_TEMPLATES } from '@/server/lessonTemplates';
import { addressesOf, sendMails, writeMails } from '@/server/mail';
import { students, type Person } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { EMPTY_FORM, fieldProblem, readForm, textOf, type FormState } from '@/ui/form';
import { movedMail, skippedMail, type MailText } from '@/ui/words/mails';
import { holidayShape, moveShape, studentsOf, templateShape, timeShape, wordsShape, wrongWithStudents } from './shapes';

const GONE = 'This lesson is not there any more.';
const idOf = (form: FormData, name: string) => z.uuid().safeParse(textOf(form, name)).data;

function refresh(): void {
  revalidatePath('/', 'layout');
}

/** A time at which students come from now on, or one lesson by itself. */
export async function addTimeAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const [read, whom] = [readForm(timeShape, form), studentsOf(form)];
  if (!read.ok) return read.state;
  const { every, day, at, minutes, until } = read.value;
  const { timeZone } = teacher.settings;
  const wrong =
    wrongWithStudents(whom) ??
    (await asPerson(async (db) => {
      // Somebody else's student, or one who is gone, is not put down.
      const known = await students(db, { ids: whom });
      if (known.students.length !== whom.length) return 'One of them is not there any more. Choose again.';
      if (every === 'once')
        await openLesson(db, teacher, { students: whom, startsAt: instantOf(day, at, timeZone), minutes }, timeZone);
      else
        await addTime(db, teacher, {
          students: whom,
          rule: `FREQ=WEEKLY;INTERVAL=${every}`,
          startsOn: day,
          at,
          minutes,
          ...(until && { endsOn: until }),
        });
      return undefined;
    }));
  if (wrong) return fieldProblem(form, 'students', wrong);
  refresh();
  return { ...EMPTY_FORM, say: every === 'once' ? 'Set down.' : 'Set down. It comes round from then on.' };
}

/** A time comes round no more after a day. */
export async function endTimeAction(form: FormData): Promise<void> {
  await requireTeacher();
  const [id, day] = [idOf(form, 'time'), z.iso.date().safeParse(textOf(form, 'day')).data];
  if (id && day) await asPerson((db) => endTime(db, id, day));
  refresh();
}

/** Opens the lesson of a time on one of its days. */
export async function openLessonAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const [timeId, day] = [idOf(form, 'time'), z.iso.date().safeParse(textOf(form, 'day')).data];
  const id =
    timeId && day
      ? await asPerson((db) => openLesson(db, teacher, { timeId, day }, teacher.settings.timeZone))
      : undefined;
  refresh();
  redirect(id ? `/lessons/${id}` : '/lessons');
}

/** Saves the plan while it is written; gives its new number, nothing where another window has saved meanwhile. */
export async function saveLessonPlanAction(id: string, json: unknown, from: number): Promise<number | undefined> {
  await requireTeacher();
  const [lessonId, plan] = [z.uuid().safeParse(id), readLessonPlan(json)];
  const number = z.number().int().min(0).max(MOST_SAVES).safeParse(from);
  if (!lessonId.success || !plan.ok || !number.success) return undefined;
  return asPerson((db) => savePlan(db, lessonId.data, plan.value, number.data));
}

export async function beginLessonAction(_before: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const id = idOf(form, 'lesson');
  const begun = id ? await asPerson((db) => beginLesson(db, id, new Date())) : false;
  if (begun === 'busy') return { ...EMPTY_FORM, say: 'Another lesson of yours still runs. End it first.' };
  if (!begun)
    return { ...EMPTY_FORM, say: 'This lesson cannot begin: it was held, skipped, or is not there any more.' };
  refresh();
  return EMPTY_FORM;
}

/** Ends the lesson that runs, with what the student takes home; of one that was held, corrects it. */
export async function lessonWordsAction(_before: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const read = readForm(wordsShape, form);
  if (!read.ok) return read.state;
  const { lesson: id, words } = read.value;
  const isKept = await asPerson(
    async (db) => (await endLesson(db, id, words, new Date())) || writeLessonWords(db, id, words),
  );
  if (!isKept) return fieldProblem(form, 'words', GONE);
  refresh();
  return { ...EMPTY_FORM, say: 'Kept. The student reads it on Today.' };
}

export async function moveLessonAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(moveShape, form);
  if (!read.ok) return read.state;
  const { lesson: id, day, at, minutes } = read.value;
  const { timeZone } = teacher.settings;
  const to = instantOf(day, at, timeZone);
  const ids = await asPerson(async (db) => {
    const before = await lesson(db, id);
    if (!(await moveLesson(db, id, to, minutes))) return undefined;
    // A lesson that only lasts longer needs no word.
    if (!before || before.starts_at.getTime() === to.getTime()) return [];
    return writeComing(db, teacher, before, (who) => movedMail(who, before.starts_at, to, teacher.settings));
  });
  if (!ids) return fieldProblem(form, 'day', 'This lesson has begun already, or is not there any more.');
  await sendMails(ids, asPerson);
  refresh();
  return { ...EMPTY_FORM, say: 'Moved.' };
}

export async function skipLessonAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const id = idOf(form, 'lesson');
  const isSkipped = textOf(form, 'skipped') === 'yes';
  const ids = id
    ? await asPerson(async (db) => {
        const before = await lesson(db, id);
        const isDone = await skipLesson(db, id, isSkipped);
        if (!isDone || !isSkipped || !before) return [];
        return writeComing(db, teacher, before, (who) => skippedMail(who, before.starts_at, teacher.settings));
      })
    : [];
  await sendMails(ids, asPerson);
  refresh();
}

/** Writes to who comes to a lesson, where they gave an address. */
async function writeComing(
  db: Db,
  teacher: Person,
  { students: coming }: Lesson,
  text: (who: { name: string; teacher: string; workshop: string }) => MailText,
): Promise<string[]> {
  const addresses = await addressesOf(
    db,
    coming.map(({ id }) => id),
  );
  const { name: by, workshop } = teacher;
  return writeMails(
    db,
    teacher,
    addresses.map(({ person_id, name, address }) => ({
      kind: 'lesson',
      address,
      about: person_id,
      ...text({ name, teacher: by, workshop }),
    })),
  );
}

/** Opens what a step of a lesson is about: a drill is written out for it. */
export async function openStepAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const [id, at] = [idOf(form, 'lesson'), Number(textOf(form, 'step'))];
  const opens = id
    ? await asPerson(async (db) => {
        const found = await lesson(db, id);
        return found?.plan.ok ? found.plan.value.steps[at]?.opens : undefined;
      })
    : undefined;
  if (!opens) redirect(id ? `/lessons/${id}` : '/lessons');
  if (opens.what === 'by ear') redirect('/listening');
  const played =
    opens.what === 'groove'
      ? opens.id
      : await asPerson(async (db) => {
          const found = await drill(db, opens.id);
          if (!found?.rule.ok) return undefined;
          const written = await grooveOfDrill(db, teacher, { name: found.name, rule: found.rule.value }, teacher.level);
          return written.ok ? written.value : undefined;
        });
  redirect(played ? `/room/${played}${opens.bpm ? `?bpm=${opens.bpm}` : ''}` : '/drills');
}

/** Keeps the steps of a lesson to plan others from. */
export async function keepTemplateAction(_before: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const read = readForm(templateShape, form);
  if (!read.ok) return read.state;
  const { lesson: id, name } = read.value;
  const isKept = await asPerson(async (db) => {
    const found = await lesson(db, id);
    return found?.plan.ok && found.plan.value.steps.length
      ? keepTemplate(db, teacher, name, found.plan.value)
      : undefined;
  });
  if (isKept === undefined) return fieldProblem(form, 'name', 'There are no steps to keep.');
  if (!isKept) return fieldProblem(form, 'name', `${MOST_TEMPLATES} are kept already. Drop one first.`);
  refresh();
  return { ...EMPTY_FORM, say: `Kept as “${name}”.` };
}

export async function dropTemplateAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = idOf(form, 'template');
  if (id) await asPerson((db) => dropTemplate(db, id));
  refresh();
}

/** Days on which no lesson comes round, for the whole workshop. */
export async function addHolidayAction(_before: FormState, form: FormData): Promise<FormState> {
  const owner = await requireTeacher();
  if (!owner.is_owner) return fieldProblem(form, 'name', 'Holidays are the owner’s to set.');
  const read = readForm(holidayShape, form);
  if (!read.ok) return read.state;
  await asPerson((db) => addHoliday(db, owner, read.value));
  refresh();
  return { ...EMPTY_FORM, say: 'Set down.' };
}

export async function dropHolidayAction(form: FormData): Promise<void> {
  await requireTeacher();
  const id = idOf(form, 'holiday');
  if (id) await asPerson((db) => dropHoliday(db, id));
  refresh();
}
