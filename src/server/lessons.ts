import { readLessonPlan, type LessonPlan, type StepOpens } from '@/core/documents/lesson';
import { instantOf, type LessonTime } from '@/core/plan/agenda';
import { planFrom, turnTo, usualPlan } from '@/core/plan/lesson';
import { ok, type Result } from '@/core/result';
import { openAssignments } from './assignments';
import { asJson } from './asJson';
import type { Db } from './database';
import type { Coming, LessonState } from './lessonTimes';
import type { Person } from './people';

/** A lesson with everything of it, for who gives it. */
export interface Lesson {
  id: string;
  teacher_id: string;
  teacher: string;
  starts_at: Date;
  minutes: number;
  state: LessonState;
  began_at: Date | null;
  ended_at: Date | null;
  words: string;
  students: Coming[];
  /** A problem where it cannot be read; an empty one for a student, who has no part in it. */
  plan: Result<LessonPlan>;
  /** Raised with every save of the plan. */
  save_number: number;
}

/** A lesson as the log shows it. */
export type LessonRow = Pick<
  Lesson,
  'id' | 'starts_at' | 'minutes' | 'state' | 'began_at' | 'ended_at' | 'words' | 'teacher'
>;

const EMPTY: Result<LessonPlan> = ok({ version: 1, steps: [] });

/** A lesson one may see; undefined where there is none. */
export async function lesson(db: Db, id: string): Promise<Lesson | undefined> {
  const { rows } = await db.query<
    Omit<Lesson, 'plan' | 'save_number'> & { document: unknown; save_number: number | null }
  >(
    `select l.id, l.teacher_id, t.name as teacher, l.starts_at, l.minutes, l.state, l.began_at, l.ended_at, l.words,
      plan.document, plan.save_number,
       coalesce((select jsonb_agg(jsonb_build_object('id', p.id, 'name', p.name) order by p.name)
         from lesson_student s join person p on p.id = s.student_id where s.lesson_id = l.id), '[]') as students
     from lesson l join person t on t.id = l.teacher_id left join lesson_plan plan on plan.lesson_id = l.id
     where l.id = $1`,
    [id],
  );
  if (!rows[0]) return undefined;
  const { document, save_number, ...row } = rows[0];
  return { ...row, plan: save_number === null ? EMPTY : readLessonPlan(document), save_number: save_number ?? 0 };
}

/** When a lesson is and who comes: a time that comes round on one of its days, or by itself. */
export type WhichLesson =
  { timeId: string; day: string } | { students: readonly string[]; startsAt: Date; minutes: number };

/**
 * The lesson of a time on a day, made where nobody has opened it yet, or one by itself. What it begins with is the
 * plan of the last one with who comes, else the usual one; what is set as homework is heard first. Undefined where
 * there is no such time, or nobody comes.
 */
export async function openLesson(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  which: WhichLesson,
  timeZone: string,
): Promise<string | undefined> {
  const found =
    'timeId' in which
      ? await ofTime(db, which.timeId, which.day, timeZone)
      : { ...which, timeId: undefined, day: undefined };
  if (!found?.students.length) return undefined;
  const { rows } = await db.query<{ id: string }>(
    `insert into lesson (id, workshop_id, teacher_id, lesson_time_id, of_day, starts_at, minutes)
      values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (lesson_time_id, of_day) do nothing returning id`,
    [
      crypto.randomUUID(),
      teacher.workshop_id,
      teacher.id,
      found.timeId ?? null,
      found.day ?? null,
      found.startsAt,
      found.minutes,
    ],
  );
  const id = rows[0]?.id;
  if (!id)
    return (
      await db.query<{ id: string }>('select id from lesson where lesson_time_id = $1 and of_day = $2', [
        found.timeId,
        found.day,
      ])
    ).rows[0]?.id;
  await db.query('insert into lesson_student (lesson_id, student_id, workshop_id) select $1, unnest($2::uuid[]), $3', [
    id,
    [...new Set(found.students)],
    teacher.workshop_id,
  ]);
  await db.query('insert into lesson_plan (lesson_id, workshop_id, document) values ($1, $2, $3)', [
    id,
    teacher.workshop_id,
    asJson(await firstPlan(db, id, [...new Set(found.students)], found.minutes)),
  ]);
  return id;
}

async function ofTime(db: Db, timeId: string, day: string, timeZone: string) {
  const { rows } = await db.query<Pick<LessonTime, 'at' | 'minutes'> & { students: string[] }>(
    `select to_char(at, 'HH24:MI') as at, minutes, array(
       select s.student_id from lesson_time_student s join person p on p.id = s.student_id
       where s.lesson_time_id = t.id and p.archived_at is null) as students
     from lesson_time t where id = $1`,
    [timeId],
  );
  return rows[0] && { ...rows[0], timeId, day, startsAt: instantOf(day, rows[0].at, timeZone) };
}

/**
 * A plan to begin with: what is set for any of those who come is heard first, each thing once; else as the last
 * lesson of the first of them went.
 */
async function firstPlan(
  db: Db,
  lessonId: string,
  studentIds: readonly string[],
  minutes: number,
): Promise<LessonPlan> {
  const set = new Map<string, StepOpens>();
  for (const studentId of studentIds)
    for (const { groove_id, title, tempo, subject } of await openAssignments(db, studentId))
      if (groove_id) set.set(groove_id, { what: 'groove', id: groove_id, title, bpm: tempo });
      else set.set(subject!, { what: 'by ear', subject: subject! });
  const homework = [...set.values()];
  const { rows } = await db.query<{ document: unknown }>(
    `select plan.document from lesson_student s join lesson l on l.id = s.lesson_id
      join lesson_plan plan on plan.lesson_id = l.id
     where s.student_id = $1 and l.id <> $2 and l.state = 'held' order by l.starts_at desc limit 1`,
    [studentIds[0], lessonId],
  );
  const last = rows[0] && readLessonPlan(rows[0].document);
  // What was heard last time is not what is heard this time; the shape of the lesson is kept.
  if (!last?.ok || homework.length) return usualPlan(minutes, homework);
  return planFrom(last.value, minutes);
}

/**
 * Saves the plan where it is as `from` left it; gives its new number, nothing where another window has saved
 * meanwhile.
 */
export async function savePlan(db: Db, id: string, plan: LessonPlan, from: number): Promise<number | undefined> {
  const { rows } = await db.query<{ save_number: number }>(
    `update lesson_plan set document = $2, save_number = save_number + 1 where lesson_id = $1 and save_number = $3
       and exists (select from lesson l where l.id = $1 and l.state in ('planned', 'running')) returning save_number`,
    [id, asJson(plan), from],
  );
  return rows[0]?.save_number;
}

/** Begins a lesson, its first step with it. `busy` where the teacher gives another one, false where it cannot begin. */
export async function beginLesson(db: Db, id: string, now: Date): Promise<boolean | 'busy'> {
  const found = await lesson(db, id);
  if (!found || found.state !== 'planned') return false;
  const { rows } = await db.query<{ id: string }>(`select id from lesson where teacher_id = $1 and state = 'running'`, [
    found.teacher_id,
  ]);
  if (rows[0]) return 'busy';
  const { rowCount } = await db.query(
    `update lesson set state = 'running', began_at = $2 where id = $1 and state = 'planned'`,
    [id, now],
  );
  if (!rowCount) return false;
  if (found.plan.ok && found.plan.value.steps.length)
    await db.query('update lesson_plan set document = $2, save_number = save_number + 1 where lesson_id = $1', [
      id,
      asJson(turnTo(found.plan.value, 0, now.getTime())),
    ]);
  return true;
}

/** Ends a lesson: its clock stands still, and what the student takes home is kept. It is in the log from then on. */
export async function endLesson(db: Db, id: string, words: string, now: Date): Promise<boolean> {
  const found = await lesson(db, id);
  const { rowCount } = await db.query(
    `update lesson set state = 'held', ended_at = $2, words = $3 where id = $1 and state = 'running'`,
    [id, now, words],
  );
  if (!rowCount || !found) return false;
  if (found.plan.ok)
    await db.query('update lesson_plan set document = $2, save_number = save_number + 1 where lesson_id = $1', [
      id,
      asJson(turnTo(found.plan.value, undefined, now.getTime())),
    ]);
  return true;
}

/** Corrects what a student takes home of a lesson that was held. */
export async function writeLessonWords(db: Db, id: string, words: string): Promise<boolean> {
  return Boolean(
    (await db.query(`update lesson set words = $2 where id = $1 and state = 'held'`, [id, words])).rowCount,
  );
}

/** Moves a lesson that was not held; homework that is due by it is due by its new time. */
export async function moveLesson(db: Db, id: string, startsAt: Date, minutes: number): Promise<boolean> {
  const { rows } = await db.query<{ before: Date }>(
    `select starts_at as before from lesson where id = $1 and state in ('planned', 'skipped') for update`,
    [id],
  );
  if (!rows[0]) return false;
  await db.query(`update lesson set starts_at = $2, minutes = $3, state = 'planned' where id = $1`, [
    id,
    startsAt,
    minutes,
  ]);
  await db.query(
    `update assignment set due_at = $3 where due_at = $2 and ended_at is null
       and student_id in (select student_id from lesson_student where lesson_id = $1)`,
    [id, rows[0].before, startsAt],
  );
  return true;
}

/** Skips a lesson, or brings one back that was skipped. */
export async function skipLesson(db: Db, id: string, skipped: boolean): Promise<boolean> {
  const { rowCount } = await db.query(`update lesson set state = $2 where id = $1 and state = $3`, [
    id,
    skipped ? 'skipped' : 'planned',
    skipped ? 'planned' : 'skipped',
  ]);
  return rowCount === 1;
}

/** How many lessons a list shows. */
const MOST_LESSONS = 30;

/** A student's lessons that began, the newest first. */
export async function lessonsOf(db: Db, studentId: string, most = MOST_LESSONS): Promise<LessonRow[]> {
  const { rows } = await db.query<LessonRow>(
    `select l.id, l.starts_at, l.minutes, l.state, l.began_at, l.ended_at, l.words, t.name as teacher
     from lesson_student s join lesson l on l.id = s.lesson_id join person t on t.id = l.teacher_id
     where s.student_id = $1 and l.state in ('running', 'held') order by l.starts_at desc, l.id limit $2`,
    [studentId, most],
  );
  return rows;
}

/**
 * The lesson that runs now, with who is in it beside oneself, by their id: the teacher's own, or one a student is in.
 */
export async function runningLesson(
  db: Db,
  who: Pick<Person, 'id' | 'role'>,
): Promise<{ id: string; with: Record<string, string> } | undefined> {
  const { rows } = await db.query<{ id: string; with: Record<string, string> }>(
    who.role === 'teacher'
      ? `select l.id, coalesce((select jsonb_object_agg(p.id, p.name) from lesson_student s
        join person p on p.id = s.student_id
           where s.lesson_id = l.id), '{}') as with
         from lesson l where l.teacher_id = $1 and l.state = 'running'`
      : `select l.id, jsonb_build_object(t.id, t.name) as with from lesson_student s join lesson l on l.id = s.lesson_id
           join person t on t.id = l.teacher_id where s.student_id = $1 and l.state = 'running' limit 1`,
    [who.id],
  );
  return rows[0];
}
