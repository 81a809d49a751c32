import { recallOf, USUAL_PASS, USUAL_STEP, type Day, type Learnt, type Tried } from '@/core/plan/review';
import type { PassedWork } from '@/core/plan/works';
import { groupBy } from '@/core/stats/groupBy';
import type { Db } from './database';

/** A groove that a student was set, or that is a step of a path they walk, with its takes. */
export interface LearntGroove extends Learnt {
  grooveId: string;
  title: string;
  /** What is open of it: then it is homework, and passed or not. */
  assignmentId: string | null;
}

/** How many takes of a student are looked back on: two years of practice every day. */
const MOST_TRIED = 3000;

/** What of a take counts for what was learnt: played by the player, heard, whole, and not set aside. */
export const THAT_COUNTS = `k.struck_by = 'player' and k.input <> 'nothing' and k.set_aside_at is null
  and k.as_written`;

/** A day of the workshop's clock as it is counted. */
const dayIn = (at: string, timeZone: string) => `((${at} at time zone ${timeZone})::date - date '1970-01-01')`;

/** The day it is by the workshop's clock. */
export async function dayNow(db: Db, timeZone: string): Promise<Day> {
  const { rows } = await db.query<{ day: Day }>(`select ${dayIn('now()', '$1')} as day`, [timeZone]);
  return rows[0]!.day;
}

/** Takes of a student in the order they were played, by groove. */
async function triesOf(
  db: Db,
  studentId: string,
  timeZone: string,
): Promise<Map<string, (Tried & { grooveId: string })[]>> {
  const { rows } = await db.query<Tried & { grooveId: string }>(
    `select * from (
       select k.groove_id as "grooveId", ${dayIn('k.played_at', '$2')} as day, k.tempo::float8 as bpm,
         k.verdict_about = 'clean' as clean,
         k.sd_error_ms as "spreadMs", k.tolerance_ms as "toleranceMs", k.played_at, k.id
       from take k where k.player_id = $1 and ${THAT_COUNTS} order by k.played_at desc, k.id desc
         limit ${MOST_TRIED}) newest
     order by played_at, id`,
    [studentId, timeZone],
  );
  return groupBy(rows, ({ grooveId }) => grooveId);
}

/**
 * What a student learns or has learnt: of each groove that was set as a whole, and of each step of a path they walk,
 * the goal that was set last, with the takes of it. In two queries, however much there is.
 */
export async function learntBy(db: Db, studentId: string, timeZone: string): Promise<LearntGroove[]> {
  const { rows } = await db.query<
    Omit<LearntGroove, 'tries' | 'step' | 'passTakes'> & { step: number | null; passTakes: number | null }
  >(
    `select distinct on (goals.groove_id) goals.groove_id as "grooveId", g.title, goals.id as "assignmentId",
      goals.tempo::float8 as goal,
       goals.step::float8 as step, goals.pass as "passTakes"
     from (
       select a.groove_id, case when a.ended_at is null then a.id end as id, a.tempo, a.ladder_step as step,
         a.pass_takes as pass,
         a.ended_at is null as is_open, a.set_at
       from assignment a where a.student_id = $1 and a.groove_id is not null and a.bar_from is null
       union all
       select s.groove_id, null, s.tempo, null, s.pass_takes, false, w.put_at
       from path_student w join path_step s on s.path_id = w.path_id join path p on p.id = w.path_id
       where w.student_id = $1 and p.archived_at is null) goals
     join groove g on g.id = goals.groove_id
     order by goals.groove_id, goals.is_open desc, goals.set_at desc, goals.tempo desc`,
    [studentId],
  );
  const tries = await triesOf(db, studentId, timeZone);
  return rows.map(({ step, passTakes, ...one }) => ({
    ...one,
    step: step ?? USUAL_STEP,
    passTakes: passTakes ?? USUAL_PASS,
    tries: tries.get(one.grooveId) ?? [],
  }));
}

/** Of what is learnt, what was passed. */
export const passedOf = (all: readonly LearntGroove[]): PassedWork[] =>
  all.flatMap((one) => {
    const recall = recallOf(one);
    return recall
      ? [{ grooveId: one.grooveId, title: one.title, goal: one.goal, assignmentId: one.assignmentId, recall }]
      : [];
  });

/** The quickest clean tempo by groove. */
export function reachedOf(all: readonly LearntGroove[]): Map<string, number> {
  const reached = new Map<string, number>();
  for (const { grooveId, tries } of all)
    for (const { clean, bpm } of tries) if (clean) reached.set(grooveId, Math.max(bpm, reached.get(grooveId) ?? 0));
  return reached;
}
