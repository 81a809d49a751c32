import { readFigures } from '@/core/documents/takeFigures';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import type { PlaceOfMany, TakeOfMany } from '@/core/plan/studentFigures';
import type { WorkshopSettings } from '@/core/documents/settings';
import { daysToMonday } from '@/core/plan/agenda';
import type { Db } from './database';
import { weekOfSql, weeksOf, type WeekOfPractice } from './practice';

/** A span of days of the workshop's clock, both of them in it. */
export interface Span {
  from: string;
  to: string;
}

/** The quickest clean tempo of something in a week, and the tempo that is set. */
export interface ReachedInWeek {
  week: string;
  title: string;
  reached: number;
  goal: number | null;
}

/** What the charts of a student are drawn from, over a span. */
export interface ChartData {
  span: Span;
  reached: ReachedInWeek[];
  weeks: WeekOfPractice[];
  /** Takes with their figures, the newest first, each with its week. */
  takes: (TakeOfMany & { week: string })[];
  heat: PlaceOfMany[];
}

/** Takes of a span whose figures are read, and items whose tempo is drawn. */
const MOST_TAKES = 400;
const MOST_ITEMS = 8;

/** Reads what the charts of a student show, in as many queries whatever there is. */
export async function chartData(
  db: Db,
  studentId: string,
  span: Span,
  { timeZone, weekStart }: Pick<WorkshopSettings, 'timeZone' | 'weekStart'>,
): Promise<ChartData> {
  const { from, to } = span;
  const within = `k.player_id = $1 and k.struck_by = 'player' and k.input <> 'nothing' and k.set_aside_at is null
    and k.played_at >= ($2::timestamp at time zone $4) and k.played_at < (($3::date + 1)::timestamp at time zone $4)`;
  const week = `to_char(${weekOfSql('$4', '$5')}, 'YYYY-MM-DD') as week`;
  const values = [studentId, from, to, timeZone];
  const byWeek = [...values, daysToMonday(weekStart)];
  const reached = await db.query<ReachedInWeek>(
    `with weekly as (
       select ${week}, k.groove_id, max(k.tempo)::float8 as reached from take k
       where ${within} and k.as_written and k.verdict_about = 'clean' group by 1, 2),
     most as (select groove_id from weekly group by groove_id order by count(*) desc, max(week) desc, groove_id
       limit ${MOST_ITEMS})
     select weekly.week, g.title, weekly.reached,
       (select a.tempo::float8 from assignment a where a.student_id = $1 and a.groove_id = weekly.groove_id
         order by a.set_at desc limit 1) as goal
     from weekly join most using (groove_id) join groove g on g.id = weekly.groove_id order by weekly.week, g.title`,
    byWeek,
  );
  const takes = await db.query<{ week: string; tempo: number; figures: unknown }>(
    `select ${week}, k.tempo::float8 as tempo, k.figures from take k where ${within} order by k.played_at desc, k.id
      limit ${MOST_TAKES}`,
    byWeek,
  );
  const heat = await db.query<PlaceOfMany>(
    `select p.limb, p.count, p.part, p.parts, p.counts, sum(p.matched)::int as matched, sum(p.missed)::int as missed,
       sum((p.mean_error_ms - k.mean_error_ms) * p.matched) / nullif(sum(p.matched), 0) as mean_error_ms
     from (select k.id, k.mean_error_ms from take k where ${within} order by k.played_at desc, k.id
       limit ${MOST_TAKES}) k
     join take_place p on p.take_id = k.id
     group by p.limb, p.count, p.part, p.parts, p.counts order by p.count, p.part::float8 / p.parts`,
    values,
  );
  const order = (limb: Limb) => LIMBS.indexOf(limb);
  return {
    span,
    reached: reached.rows,
    weeks: await weeksOf(db, studentId, { from, to, timeZone, weekStart }),
    takes: takes.rows.map(({ figures, ...row }) => {
      const read = readFigures(figures);
      return { ...row, figures: read.ok ? read.value.figures : [] };
    }),
    heat: heat.rows.toSorted((a, b) => order(a.limb) - order(b.limb)),
  };
}
