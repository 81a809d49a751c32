import type { Db } from './database';

/** What a teacher wants to know of a student before they arrive. */
export interface StudentNews {
  id: string;
  name: string;
  open: number;
  takes_this_week: number;
  days_this_week: number;
  last_id: string | null;
  last_at: Date | null;
  last_title: string | null;
  last_tempo: number | null;
  last_mean_ms: number | null;
  last_sd_ms: number | null;
  last_verdict: string | null;
  /** Spread of the first take of the same groove within the week before the last one. */
  first_sd_ms: number | null;
}

/** Every student of the workshop, the least practised this week first. */
export async function studentNews(db: Db): Promise<StudentNews[]> {
  const { rows } = await db.query<StudentNews>(`
    select p.id, p.name,
      (select count(*)::int from assignment a where a.student_id = p.id and a.ended_at is null) as open,
      coalesce(week.takes, 0) as takes_this_week, coalesce(week.days, 0) as days_this_week,
      last.id as last_id, last.played_at as last_at, g.title as last_title, last.tempo as last_tempo,
      last.mean_error_ms as last_mean_ms, last.sd_error_ms as last_sd_ms, last.verdict as last_verdict,
      first.sd_error_ms as first_sd_ms
    from person p
    left join lateral (select * from take t where t.player_id = p.id order by t.played_at desc limit 1) last on true
    left join groove g on g.id = last.groove_id
    left join lateral (
      select count(*)::int as takes, count(distinct t.played_at::date)::int as days from take t
      where t.player_id = p.id and t.played_at > now() - interval '7 days') week on true
    left join lateral (
      select t.sd_error_ms from take t
      where t.player_id = p.id and t.groove_id = last.groove_id and t.id <> last.id and t.played_at > last.played_at - interval '7 days'
      order by t.played_at limit 1) first on true
    where p.role = 'student'
    order by takes_this_week, p.name`);
  return rows;
}
