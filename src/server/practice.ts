import type { WeekStart } from '@/core/documents/settings';
import { daysToMonday } from '@/core/plan/agenda';
import type { Db } from './database';

/** A week of practice: the day it begins on, how long sounded, and how many minutes were set for its days. */
export interface WeekOfPractice {
  week: string;
  minutes: number;
  /** Minutes a day of what was set, over the days of the week it was set on. */
  goal: number;
  takes: number;
}

/** The first day of a take's week, in SQL, where these parameters are the time zone and `daysToMonday`. */
export const weekOfSql = (timeZone: string, toMonday: string): string =>
  `(date_trunc('week', (k.played_at at time zone ${timeZone}) + ${toMonday}::int * interval '1 day') - ${toMonday}::int * interval '1 day')::date`;

/**
 * The weeks of a student from one day to another (days of the workshop's clock, and weeks as they begin there), the
 * oldest first, those without practice too. Nothing counts that the simulated kit played or that was set aside.
 */
export async function weeksOf(
  db: Db,
  studentId: string,
  { from, to, timeZone, weekStart }: { from: string; to: string; timeZone: string; weekStart: WeekStart },
): Promise<WeekOfPractice[]> {
  const { rows } = await db.query<WeekOfPractice>(
    `with weeks as (
       select w::date as first from
         generate_series(date_trunc('week', $2::date + $5::int) - $5::int * interval '1 day', $3::date, interval '7 days') w),
     played as (
       select ${weekOfSql('$4', '$5')} as first, sum(k.played_ms) / 60000 as minutes, count(*)::int as takes
       from take k where k.player_id = $1 and k.struck_by = 'player' and k.set_aside_at is null
         and k.played_at >= ((date_trunc('week', $2::date + $5::int) - $5::int * interval '1 day') at time zone $4)
           and k.played_at < (($3::date + 1)::timestamp at time zone $4)
       group by 1),
     set as (
       select weeks.first,
         sum(a.minutes * greatest(0, least((coalesce(a.ended_at, now()) at time zone $4)::date, weeks.first + 7)
         - greatest((a.set_at at time zone $4)::date, weeks.first))) as goal
       from weeks join assignment a on a.student_id = $1 and (a.set_at at time zone $4)::date < weeks.first + 7
         and (a.ended_at is null or (a.ended_at at time zone $4)::date > weeks.first)
       group by 1)
     select to_char(weeks.first, 'YYYY-MM-DD') as week, coalesce(round(played.minutes), 0)::int as minutes,
       coalesce(played.takes, 0) as takes,
       coalesce(set.goal, 0)::int as goal
     from weeks left join played using (first) left join set using (first) order by weeks.first`,
    [studentId, from, to, timeZone, daysToMonday(weekStart)],
  );
  return rows;
}
