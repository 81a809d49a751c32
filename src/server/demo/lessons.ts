import { addDays, addMinutes } from 'date-fns';
import type { LessonPlan } from '@/core/documents/lesson';
import { instantOf, onClock } from '@/core/plan/agenda';
import { usualPlan } from '@/core/plan/lesson';
import { asJson } from '../asJson';
import type { Db } from '../database';
import { addTime } from '../lessonTimes';
import { demoId } from './demoId';
import { DEMO_TIMES, DEMO_WORKSHOP, type DemoTime } from './people';

const { timeZone } = DEMO_WORKSHOP;
/** How long ago the demo's lessons began to come round. */
const SINCE_WEEKS = 4;

const dayOf = ({ inDays }: DemoTime, now: Date, weeks: number) =>
  onClock(addDays(now, inDays + 7 * weeks), timeZone).day;

/** When what is set for a student is due: by the lesson that comes next, a week on where it is today. */
export function dueOf(name: string, now: Date): Date | null {
  const time = DEMO_TIMES.find(({ students }) => students.includes(name));
  if (!time) return null;
  const first = instantOf(dayOf(time, now, 0), time.at, timeZone);
  return first > now ? first : instantOf(dayOf(time, now, 1), time.at, timeZone);
}

/** The times the demo's people come at, and the lessons that were held a week ago. */
export async function fillLessons(db: Db, now: Date, teacher: { id: string; workshop_id: string }): Promise<void> {
  for (const time of DEMO_TIMES) {
    const { students, at, minutes } = time;
    const ids = students.map(demoId);
    const name = `time ${students.join(' ')}`;
    await addTime(
      db,
      teacher,
      { students: ids, rule: 'FREQ=WEEKLY;INTERVAL=1', startsOn: dayOf(time, now, -SINCE_WEEKS), at, minutes },
      demoId(name),
    );
    if (!time.words) continue;
    const day = dayOf(time, now, -1);
    const startsAt = instantOf(day, at, timeZone);
    const id = demoId(`lesson of ${name}`);
    await db.query(
      `insert into lesson (id, workshop_id, teacher_id, lesson_time_id, of_day, starts_at, minutes, state, began_at,
        ended_at, words)
       values ($1, $2, $3, $4, $5, $6, $7, 'held', $6, $8, $9)`,
      [
        id,
        teacher.workshop_id,
        teacher.id,
        demoId(name),
        day,
        startsAt,
        minutes,
        addMinutes(startsAt, minutes),
        time.words,
      ],
    );
    await db.query(
      'insert into lesson_student (lesson_id, student_id, workshop_id) select $1, unnest($2::uuid[]), $3',
      [id, ids, teacher.workshop_id],
    );
    await db.query('insert into lesson_plan (lesson_id, workshop_id, document) values ($1, $2, $3)', [
      id,
      teacher.workshop_id,
      asJson(heldPlan(time)),
    ]);
  }
}

function heldPlan({ minutes, notes = {} }: DemoTime): LessonPlan {
  const plan = usualPlan(minutes);
  return {
    version: 1,
    steps: plan.steps.map((step) => ({ ...step, notes: notes[step.kind] ?? '', spentMs: step.minutes * 60_000 })),
  };
}
