import type { Db } from './database';

/** A week of practice: the day it begins on, how long sounded, and how many minutes were set for its days. */
export interface WeekOfPractice {
  week: string;
  minutes: number;
  /** Minutes a day of what was set, over the days of the week it was set on. */
  goal: number;
  takes: number;
}

/**
 * The weeks of a student from one day to another (days of the workshop's clock; weeks begin on Monday), the oldest first, those
 * without practice too. Nothing counts that the simulated kit played or that was set aside.
 */
export async function weeksOf(
  db: Db,
  studentId: string,
  { from, to, timeZone }: { from: string; to: string; timeZone: string },
): Promise<WeekOfPractice[]> {
  const { rows } = await db.query<WeekOfPractice>(
    `with weeks as (
       select w::date as monday from generate_series(date_trunc('week', $2::date), $3::date, interval '7 days') w),
     played as (
       select date_trunc('week', k.played_at at time zone $4)::date as monday, sum(k.played_ms) / 60000 as minutes, count(*)::int as takes
       from take k where k.player_id = $1 and k.struck_by = 'player' and k.set_aside_at is null
         and k.played_at >= (date_trunc('week', $2::date)::timestamp at time zone $4) and k.played_at < (($3::date + 1)::timestamp at time zone $4)
       group by 1),
     set as (
       select weeks.monday, sum(a.minutes * greatest(0, least((coalesce(a.ended_at, now()) at time zone $4)::date, weeks.monday + 7)
         - greatest((a.set_at at time zone $4)::date, weeks.monday))) as goal
       from weeks join assignment a on a.student_id = $1 and (a.set_at at time zone $4)::date < weeks.monday + 7
         and (a.ended_at is null or (a.ended_at at time zone $4)::date > weeks.monday)
       group by 1)
     select to_char(weeks.monday, 'YYYY-MM-DD') as week, coalesce(round(played.minutes), 0)::int as minutes, coalesce(played.takes, 0) as takes,
       coalesce(set.goal, 0)::int as goal
     from weeks left join played using (monday) left join set using (monday) order by weeks.monday`,
    [studentId, from, to, timeZone],
  );
  return rows;
}
