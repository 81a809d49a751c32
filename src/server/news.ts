import type { Verdict } from '@/core/documents/verdict';
import type { Db } from './database';
import { verdictKept } from './takes';

/** What a teacher wants to know of a student before they arrive. Nothing here was played by the simulated kit. */
export interface StudentNews {
  id: string;
  name: string;
  open: number;
  takes_this_week: number;
  days_this_week: number;
  /** Takes of the week that the simulated kit played in their room. */
  kit_takes_this_week: number;
  last_id: string | null;
  last_at: Date | null;
  last_title: string | null;
  last_tempo: number | null;
  last_mean_ms: number | null;
  last_sd_ms: number | null;
  /** Undefined where it is being judged anew. */
  last_verdict?: Verdict;
  /** Spread of a take of the same groove about a week before the last one, where there is one. */
  week_ago_sd_ms: number | null;
}

/** How many students a page of Today shows. */
export const MOST_STUDENTS = 24;

export interface News {
  /** How many students there are, or, where words are looked for, bear them. */
  total: number;
  students: StudentNews[];
}

/**
 * A page of the workshop's students, the least practised this week first; those whose name holds `words` when given. Days
 * are those of the workshop's clock.
 */
export async function studentNews(
  db: Db,
  { timeZone, words = '', from = 0 }: { timeZone: string; words?: string; from?: number },
): Promise<News> {
  const { rows } = await db.query<Omit<StudentNews, 'last_verdict'> & { last_verdict: unknown; total: number }>(
    `with week as (
       select player_id, count(*) filter (where struck_by = 'player' and set_aside_at is null)::int as takes,
         count(*) filter (where struck_by = 'kit')::int as kit_takes,
         count(distinct (played_at at time zone $1)::date) filter (where struck_by = 'player' and set_aside_at is null)::int as days
       from take where played_at > now() - interval '7 days' group by player_id),
     shown as (
       select p.id, p.name, count(*) over ()::int as total, coalesce(week.takes, 0) as takes_this_week,
         coalesce(week.days, 0) as days_this_week, coalesce(week.kit_takes, 0) as kit_takes_this_week
       from person p left join week on week.player_id = p.id
       where p.role = 'student' and p.archived_at is null and position(lower($2) in lower(p.name)) > 0
       order by takes_this_week, p.name, p.id limit $3 offset $4)
     select shown.*,
       (select count(*)::int from assignment a where a.student_id = shown.id and a.ended_at is null) as open,
       last.id as last_id, last.played_at as last_at, last.title as last_title, last.tempo as last_tempo,
       last.mean_error_ms as last_mean_ms, last.sd_error_ms as last_sd_ms, last.verdict as last_verdict,
       before.sd_error_ms as week_ago_sd_ms
     from shown
     left join lateral (
       select t.id, t.played_at, t.title, t.tempo, t.mean_error_ms, t.sd_error_ms, t.verdict, t.groove_id from take t
       where t.player_id = shown.id and t.struck_by = 'player' and t.set_aside_at is null order by t.played_at desc limit 1) last on true
     left join lateral (
       select t.sd_error_ms from take t
       where t.player_id = shown.id and t.struck_by = 'player' and t.set_aside_at is null and t.groove_id = last.groove_id and t.as_written
         and t.played_at between last.played_at - interval '10 days' and last.played_at - interval '5 days'
       order by abs(extract(epoch from last.played_at - interval '7 days' - t.played_at)) limit 1) before on true
     order by takes_this_week, shown.name, shown.id`,
    [timeZone, words, MOST_STUDENTS, from],
  );
  return {
    total: rows[0]?.total ?? 0,
    students: rows.map(({ total: _, last_verdict, ...one }) => ({ ...one, last_verdict: verdictKept(last_verdict) })),
  };
}
