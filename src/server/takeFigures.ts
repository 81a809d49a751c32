import { readFigures, type TakeFigure } from '@/core/documents/takeFigures';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import type { FiguresOfMany, PlaceOfMany } from '@/core/plan/studentFigures';
import type { Compared, PlaceEstimate } from '@/core/judging/report/progress';
import { meanInterval } from '@/core/stats/estimates';
import type { Db } from './database';

/** A take's figures with when it was played, for being compared with another. */
export interface TakeCompared extends Compared {
  id: string;
  played_at: Date;
}

interface PlaceRow {
  take_id: string;
  limb: Limb;
  bar: number;
  exercise: number | null;
  count: number;
  part: number;
  parts: number;
  counts: number;
  matched: number;
  mean_error_ms: number | null;
  sd_error_ms: number | null;
}

/** Figures that are kept; none where the take has not been judged by the version that draws them up. */
const figuresKept = (json: unknown): TakeFigure[] => {
  const read = readFigures(json);
  return read.ok ? read.value.figures : [];
};

const estimateOf = (
  { limb, bar, exercise, count, part, parts, counts, ...row }: PlaceRow,
  bars: number,
): PlaceEstimate => ({
  ...{ limb, bar, bars, count, part, parts, counts },
  ...(exercise !== null && { exercise }),
  ...meanInterval(row.matched, row.mean_error_ms, row.sd_error_ms),
});

/** The figures of a take one may see; nothing where it is not there. */
export async function comparedTake(db: Db, id: string): Promise<TakeCompared | undefined> {
  const { rows } = await db.query<{ played_at: Date; figures: unknown; bars: number }>(
    `select played_at, figures, coalesce(jsonb_array_length(document #> '{groove,bars}'), 0) as bars from take
      where id = $1`,
    [id],
  );
  if (!rows[0]) return undefined;
  const { played_at, figures, bars } = rows[0];
  const places = await db.query<PlaceRow>('select * from take_place where take_id = $1', [id]);
  return {
    id,
    played_at,
    figures: figuresKept(figures),
    places: places.rows.map((row) => estimateOf(row, bars)),
  };
}

/** A take as it is offered for laying another beside it. */
export interface EarlierTake {
  id: string;
  played_at: Date;
  tempo: number;
}

/** How many takes are offered for laying one beside it. */
const MOST_OFFERED = 30;

/** What the same player played of the same groove and that counts, the newest first, without one of them. */
export async function takesBeside(
  db: Db,
  { id, player_id, groove_id }: { id: string; player_id: string; groove_id: string },
): Promise<EarlierTake[]> {
  const { rows } = await db.query<EarlierTake>(
    `select id, played_at, tempo from take
     where player_id = $1 and groove_id = $2 and struck_by = 'player' and input <> 'nothing'
       and set_aside_at is null and id <> $3
     order by played_at desc, id limit $4`,
    [player_id, groove_id, id, MOST_OFFERED],
  );
  return rows;
}

/** The last take of an earlier day by the same player of the same groove: what a new one is measured by. */
export async function takeOfDayBefore(
  db: Db,
  { player_id, groove_id, played_at }: { player_id: string; groove_id: string; played_at: Date },
  timeZone: string,
): Promise<TakeCompared | undefined> {
  const { rows } = await db.query<{ id: string }>(
    `select id from take
     where player_id = $1 and groove_id = $2 and struck_by = 'player' and input <> 'nothing' and set_aside_at is null
       and played_at < date_trunc('day', $3::timestamptz, $4)
     order by played_at desc, id limit 1`,
    [player_id, groove_id, played_at, timeZone],
  );
  return rows[0] && comparedTake(db, rows[0].id);
}

/** How many takes a student's figures are drawn from: some weeks of practice. */
const LOOKED_BACK = 60;

/** The takes whose figures a student's page draws, the newest first, and the errors by place over all of them. */
export async function figuresOfStudent(db: Db, playerId: string): Promise<FiguresOfMany> {
  const recent = `select id, mean_error_ms as whole_ms, played_at, tempo, tolerance_ms, figures from take
    where player_id = $1 and struck_by = 'player' and input <> 'nothing' and set_aside_at is null
      order by played_at desc, id limit $2`;
  const { rows } = await db.query<{ played_at: Date; tempo: number; tolerance_ms: number; figures: unknown }>(recent, [
    playerId,
    LOOKED_BACK,
  ]);
  const heat = await db.query<PlaceOfMany>(
    `select limb, count, part, parts, counts, sum(matched)::int as matched, sum(missed)::int as missed,
       sum((mean_error_ms - whole_ms) * matched) / nullif(sum(matched), 0) as mean_error_ms
     from take_place join (${recent}) recent on recent.id = take_id
     group by limb, count, part, parts, counts order by count, part::float8 / parts`,
    [playerId, LOOKED_BACK],
  );
  const order = (limb: Limb) => LIMBS.indexOf(limb);
  return {
    takes: rows.map(({ figures, ...row }) => ({ ...row, figures: figuresKept(figures) })),
    heat: heat.rows.toSorted((a, b) => order(a.limb) - order(b.limb)),
  };
}
