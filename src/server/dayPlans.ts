import { readDayPlan, type DayPlan, type Piece } from '@/core/documents/dayPlan';
import type { Subject } from '@/core/documents/listening';
import { turnFor } from '@/core/groove/kit';
import { planDay, type Work } from '@/core/plan/dayPlan';
import { worksFor, type SetWork, type Unloaded } from '@/core/plan/works';
import { loadOf } from '@/core/plan/load';
import type { Result } from '@/core/result';
import type { Homework } from './assignments';
import { asJson } from './asJson';
import type { Db } from './database';
import { groovesOf } from './grooves';
import { dayNow, learntBy, passedOf, reachedOf } from './learnt';
import { walkedBy, walkedOf } from './paths';
import type { Person } from './people';
import { tunesFor } from './tunes';

/** A day's plan with what of it was done. */
export interface PlannedDay {
  plan: Result<DayPlan>;
  /** Milliseconds that sounded today of each groove, and what was listened to today. */
  played: Map<string, number>;
  heard: Set<Subject>;
}

/** The plan a student has for today, by the workshop's clock; undefined where there is none yet. */
export async function planOfToday(db: Db, studentId: string, timeZone: string): Promise<PlannedDay | undefined> {
  const { rows } = await db.query<{ document: unknown }>(
    'select document from day_plan where student_id = $1 and day = (now() at time zone $2)::date',
    [studentId, timeZone],
  );
  if (!rows[0]) return undefined;
  const since = `date_trunc('day', now(), $2)`;
  const played = await db.query<{ id: string; ms: number }>(
    `select groove_id as id, sum(played_ms)::float8 as ms from take
     where player_id = $1 and struck_by = 'player' and set_aside_at is null and played_at >= ${since}
       group by groove_id`,
    [studentId, timeZone],
  );
  const heard = await db.query<{ subject: Subject }>(
    `select distinct subject from listening where player_id = $1 and received_at >= ${since}`,
    [studentId, timeZone],
  );
  return {
    plan: readDayPlan(rows[0].document),
    played: new Map(played.rows.map(({ id, ms }) => [id, ms])),
    heard: new Set(heard.rows.map(({ subject }) => subject)),
  };
}

/** Keeps a student's plan for today in place of the one that stood there. */
export async function keepPlan(
  db: Db,
  student: Pick<Person, 'id' | 'workshop_id'>,
  plan: DayPlan,
  timeZone: string,
): Promise<void> {
  await db.query(
    `insert into day_plan (student_id, day, workshop_id, document) values ($1, (now() at time zone $2)::date, $3, $4)
     on conflict (student_id, day) do update set document = excluded.document, changed_at = now()`,
    [student.id, timeZone, student.workshop_id, asJson(plan)],
  );
}

/**
 * Makes a practice of so many minutes from what is set, due, next on a path, and fits: of what was left out by hand
 * nothing.
 */
export async function makePlan(
  db: Db,
  student: Person,
  { minutes, homework, left }: { minutes: number; homework: readonly Homework[]; left: readonly string[] },
): Promise<DayPlan> {
  const { timeZone } = student.settings;
  const [today, learnt] = [await dayNow(db, timeZone), await learntBy(db, student.id, timeZone)];
  const passed = passedOf(learnt);
  const tunes = await tunesFor(db, reachedOf(learnt));
  const works = worksFor({
    today,
    homework: homework.map(asSet),
    passed,
    paths: (await walkedBy(db, student.id, learnt)).map(walkedOf),
    tunes: tunes.map(({ id, title, tempo, fit }) => ({ id, title, tempo, ...fit })),
  });
  return planDay(minutes, await withLoads(db, student, works), left);
}

/** What is set, as the plan asks for it. */
const asSet = (one: Homework): SetWork => ({
  assignmentId: one.id,
  grooveId: one.groove_id,
  subject: one.subject,
  title: one.title,
  goal: one.tempo,
  from: one.ladder_start ?? one.tempo,
  minutes: one.minutes,
  todayMs: one.today_ms,
  isPassed: one.passed,
  dueIn: one.due_at ? Math.floor((one.due_at.getTime() - Date.now()) / 86_400_000) : null,
});

/** The same with how much each asks of the limbs. What cannot be read, or is not to be seen any more, is left out. */
async function withLoads(db: Db, { setup }: Person, works: readonly Unloaded[]): Promise<Work[]> {
  const ids = [...new Set(works.flatMap(({ opens }) => (opens.what === 'groove' ? [opens.id] : [])))];
  const known = new Map((await groovesOf(db, ids)).map((one) => [one.id, one]));
  return works.flatMap((work): Work[] => {
    if (work.opens.what !== 'groove') return [{ ...work, load: {} }];
    const content = known.get(work.opens.id)?.content;
    if (!content || 'unreadable' in content) return [];
    return [{ ...work, load: loadOf(turnFor(content.groove, setup), work.opens.bpm) }];
  });
}

/**
 * How much of each piece is done, in milliseconds: what sounded of a groove counts for its first piece that is not
 * full.
 */
export function doneOf(pieces: readonly Piece[], { played, heard }: Pick<PlannedDay, 'played' | 'heard'>): number[] {
  const left = new Map(played);
  return pieces.map(({ opens, minutes }, index) => {
    if (opens.what === 'by ear') return heard.has(opens.subject) ? minutes * 60_000 : 0;
    const over = left.get(opens.id) ?? 0;
    const isLast = !pieces.slice(index + 1).some((one) => one.opens.what === 'groove' && one.opens.id === opens.id);
    const done = isLast ? over : Math.min(over, minutes * 60_000);
    left.set(opens.id, over - done);
    return done;
  });
}
