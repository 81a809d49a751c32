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
 * A page of the teacher's own students, the least practised this week first; those whose name holds `words`, or
 * these, when given. Days are those of the workshop's clock.
 */
export async function studentNews(
  db: Db,
  { timeZone, words = '', from = 0, ids }: { timeZone: string; words?: string; from?: number; ids?: readonly string[] },
): Promise<News> {
  const { rows } = await db.query<Omit<StudentNews, 'last_verdict'> & { last_verdict: unknown; total: number }>(
    `with own as materialized (
       select p.id, p.name from person p
       where p.role = 'student' and p.archived_at is null and position(lower($2) in lower(p.name)) > 0 and ${
         ids
           ? 'p.id = any($5)'
           : `$5::uuid[] is null
             and p.id in (select student_id from teaching where teacher_id = (select signed_in_person()))`
       }),
     shown as (
       select own.id, own.name, count(*) over ()::int as total, week.takes as takes_this_week,
         week.days as days_this_week,
         week.kit_takes as kit_takes_this_week
       from own cross join lateral (
         select count(*) filter (where struck_by = 'player' and set_aside_at is null)::int as takes,
           count(*) filter (where struck_by = 'kit')::int as kit_takes,
           count(distinct (played_at at time zone $1)::date)
             filter (where struck_by = 'player' and set_aside_at is null)::int as days
         from take where player_id = own.id and played_at > now() - interval '7 days') week
       order by takes_this_week, own.name, own.id limit $3 offset $4)
     select shown.*,
       (select count(*)::int from assignment a where a.student_id = shown.id and a.ended_at is null) as open,
       last.id as last_id, last.played_at as last_at, last.title as last_title, last.tempo as last_tempo,
       last.mean_error_ms as last_mean_ms, last.sd_error_ms as last_sd_ms, last.verdict as last_verdict,
       before.sd_error_ms as week_ago_sd_ms
     from shown
     left join lateral (
       select t.id, t.played_at, t.title, t.tempo, t.mean_error_ms, t.sd_error_ms, t.verdict, t.groove_id from take t
       where t.player_id = shown.id and t.struck_by = 'player' and t.set_aside_at is null order by t.played_at desc
         limit 1) last on true
     left join lateral (
       select t.sd_error_ms from take t
       where t.player_id = shown.id and t.struck_by = 'player' and t.set_aside_at is null
         and t.groove_id = last.groove_id and t.as_written
         and t.played_at between last.played_at - interval '10 days' and last.played_at - interval '5 days'
       order by abs(extract(epoch from last.played_at - interval '7 days' - t.played_at)) limit 1) before on true
     order by takes_this_week, shown.name, shown.id`,
    [timeZone, words, ids ? ids.length : MOST_STUDENTS, from, ids ?? null],
  );
  return {
    total: rows[0]?.total ?? 0,
    students: rows.map(({ total: _, last_verdict, ...one }) => ({ ...one, last_verdict: verdictKept(last_verdict) })),
  };
}

/** What wants a teacher's eye: somebody who has gone quiet, is ready to move up, or has something due. */
export interface Wanting {
  about: 'quiet' | 'ready' | 'due';
  student_id: string;
  name: string;
  /** What is set. */
  title: string;
  tempo: number;
  /** Of one who is quiet the last take, nothing where there is none; of what is due by when. */
  at: Date | null;
  clean: number;
  pass_takes: number | null;
}

/** After so many days without a take somebody is quiet: a week, from lesson to lesson. */
const QUIET_DAYS = 7;
/** What is due within so many days is told. */
const DUE_DAYS = 2;
/** How many of each a page shows. */
const MOST_WANTING = 6;

/** Which of the teacher's own students want an eye: by what is set for them, the most pressing first. */
export async function wanting(db: Db): Promise<Wanting[]> {
  const { rows } = await db.query<Wanting>(
    `with own as materialized (
       select a.id, a.student_id, p.name, coalesce(g.title, 'By ear: ' || a.subject) as title, a.tempo,
         a.pass_takes, a.due_at, a.set_at,
         last.at as last_at, clean.n as clean, a.groove_id
       from teaching t join person p on p.id = t.student_id and p.archived_at is null
       join assignment a on a.student_id = p.id and a.ended_at is null
       left join groove g on g.id = a.groove_id
       left join lateral (
         select k.played_at as at from take k where k.player_id = p.id and k.struck_by = 'player'
         order by k.played_at desc limit 1) last on true
       left join lateral (
         select count(*)::int as n from take k where k.assignment_id = a.id and k.verdict_about = 'clean'
           and k.tempo >= a.tempo and k.struck_by = 'player'
           and k.set_aside_at is null) clean on true
       where t.teacher_id = (select signed_in_person()))
     (select distinct on (coalesce(last_at, '-infinity'), student_id) 'quiet' as about, student_id, name, title,
       tempo, last_at as at, clean, pass_takes from own
      where greatest(last_at, set_at) < now() - interval '${QUIET_DAYS} days'
        order by coalesce(last_at, '-infinity'), student_id, set_at desc limit ${MOST_WANTING})
     union all
     (select 'ready', student_id, name, title, tempo, null, clean, pass_takes from own
      where clean >= pass_takes or exists (
        select from ladder l where l.person_id = own.student_id and l.groove_id = own.groove_id
          and l.document #>> '{standing,done}' = 'true')
      order by name, id limit ${MOST_WANTING})
     union all
     (select 'due', student_id, name, title, tempo, due_at, clean, pass_takes from own
      where due_at between now() - interval '1 day' and now() + interval '${DUE_DAYS} days'
        and coalesce(clean < pass_takes, true)
      order by due_at, name, id limit ${MOST_WANTING})`,
  );
  return rows;
}

/** What was last said to students in a lesson, by student. */
export async function lastWords(
  db: Db,
  studentIds: readonly string[],
): Promise<Map<string, { words: string; at: Date }>> {
  const { rows } = await db.query<{ id: string; words: string; at: Date }>(
    `select one.id, last.words, last.at from unnest($1::uuid[]) one(id) cross join lateral (
       select l.words, l.starts_at as at from lesson_student s join lesson l on l.id = s.lesson_id
       where s.student_id = one.id and l.state = 'held' and l.words <> '' order by l.starts_at desc limit 1) last`,
    [studentIds],
  );
  return new Map(rows.map(({ id, ...one }) => [id, one]));
}
