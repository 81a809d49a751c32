import { fitOf, type Fit, type TuneFeel } from '@/core/plan/tunes';
import type { Db } from './database';
import type { Person } from './people';

/** A tune of the workshop's list, with the grooves that fit it. */
export interface Tune {
  id: string;
  title: string;
  tempo: number;
  meter: string;
  feel: TuneFeel;
  /** What is asked of the drums, in words. */
  part: string;
  /** The groove that plays its chart, where one is written. */
  chart_id: string | null;
  grooves: { id: string; title: string }[];
}

const TUNE = `select t.id, t.title, t.tempo::float8 as tempo, t.meter, t.feel, t.part, t.chart_id,
  coalesce((select jsonb_agg(jsonb_build_object('id', g.id, 'title', g.title) order by g.title)
    from tune_groove f join groove g on g.id = f.groove_id where f.tune_id = t.id), '[]') as grooves
  from tune t`;

/** How many tunes a page shows. */
export const MOST_TUNES_SHOWN = 200;

/** The workshop's tunes by title, those that bear the words. */
export async function tunes(
  db: Db,
  { words = '', most = MOST_TUNES_SHOWN }: { words?: string; most?: number } = {},
): Promise<Tune[]> {
  const { rows } = await db.query<Tune>(
    `${TUNE} where t.workshop_id = (select signed_in_workshop()) and position(lower($1) in lower(t.title)) > 0
     order by lower(t.title), t.id limit $2`,
    [words, most],
  );
  return rows;
}

/** One tune; undefined where it is not there. */
export async function tune(db: Db, id: string): Promise<Tune | undefined> {
  return (await db.query<Tune>(`${TUNE} where t.id = $1`, [id])).rows[0];
}

/** A tune, and whether somebody can play it. */
export type FittedTune = Tune & { fit: Fit };

/**
 * The tunes that one of the grooves fits, with how near somebody is who has reached so much: those that fit first,
 * then the nearest.
 */
export async function tunesFor(db: Db, reached: ReadonlyMap<string, number>): Promise<FittedTune[]> {
  const { rows } = await db.query<Tune>(
    `${TUNE} where t.workshop_id = (select signed_in_workshop())
       and t.id in (select f.tune_id from tune_groove f where f.groove_id = any ($1::uuid[]))
     order by lower(t.title), t.id limit ${MOST_TUNES_SHOWN}`,
    [[...reached.keys()]],
  );
  const order: Fit['fits'][] = ['now', 'nearly', 'not yet'];
  return rows
    .flatMap((tune) => {
      const fit = fitOf({ id: tune.id, tempo: tune.tempo, grooveIds: tune.grooves.map(({ id }) => id) }, reached);
      return fit ? [{ ...tune, fit }] : [];
    })
    .toSorted((a, b) => order.indexOf(a.fit.fits) - order.indexOf(b.fit.fits));
}

export type NewTune = Omit<Tune, 'id' | 'grooves' | 'chart_id'> & { grooves: readonly string[] };

/** Keeps tunes, a new one or in place of the one of that title; whole or not at all. Gives how many are new. */
export async function keepTunes(
  db: Db,
  teacher: Pick<Person, 'workshop_id'>,
  given: readonly NewTune[],
): Promise<number> {
  const { rows } = await db.query<{ id: string; title: string; is_new: boolean }>(
    `insert into tune (id, workshop_id, title, tempo, meter, feel, part)
     select gen_random_uuid(), $1, * from unnest($2::text[], $3::numeric[], $4::text[], $5::text[], $6::text[])
     on conflict (workshop_id, title) do update set tempo = excluded.tempo, meter = excluded.meter,
       feel = excluded.feel, part = excluded.part
     returning id, title, xmax = 0 as is_new`,
    [
      teacher.workshop_id,
      given.map(({ title }) => title),
      given.map(({ tempo }) => tempo),
      given.map(({ meter }) => meter),
      given.map(({ feel }) => feel),
      given.map(({ part }) => part),
    ],
  );
  const ids = new Map(rows.map(({ id, title }) => [title, id]));
  const pairs = given.flatMap(({ title, grooves }) => grooves.map((groove) => [ids.get(title)!, groove] as const));
  await db.query('delete from tune_groove where tune_id = any ($1::uuid[])', [rows.map(({ id }) => id)]);
  await db.query(
    // A groove that is gone, or was put away meanwhile, fits nothing.
    `insert into tune_groove (tune_id, groove_id, workshop_id)
     select one.t, g.id, $3 from unnest($1::uuid[], $2::uuid[]) one(t, g)
       join groove g on g.id = one.g and g.archived_at is null
     on conflict do nothing`,
    [pairs.map(([tune]) => tune), pairs.map(([, groove]) => groove), teacher.workshop_id],
  );
  return rows.filter(({ is_new }) => is_new).length;
}

/** How many tunes the workshop has. */
export async function howManyTunes(db: Db): Promise<number> {
  const { rows } = await db.query<{ n: number }>(
    'select count(*)::int as n from tune where workshop_id = (select signed_in_workshop())',
  );
  return rows[0]!.n;
}

/** Changes one tune; false where it is gone, or another bears its title. */
export async function changeTune(
  db: Db,
  id: string,
  given: NewTune,
  teacher: Pick<Person, 'workshop_id'>,
): Promise<boolean> {
  const taken = await db.query('select from tune where title = $2 and id <> $1', [id, given.title]);
  if (taken.rowCount) return false;
  const { rowCount } = await db.query(
    'update tune set title = $2, tempo = $3, meter = $4, feel = $5, part = $6 where id = $1',
    [id, given.title, given.tempo, given.meter, given.feel, given.part],
  );
  if (!rowCount) return false;
  // A chart is called as its tune is.
  await db.query(
    `update groove set title = $2, document = jsonb_set(document, '{title}', to_jsonb($2::text))
     where id = (select chart_id from tune where id = $1)`,
    [id, given.title],
  );
  await keepTunes(db, teacher, [given]);
  return true;
}

/** Takes a tune off the list; its chart is put away, since takes and what was set keep it. */
export async function dropTune(db: Db, id: string): Promise<void> {
  await db.query(
    'update groove set archived_at = coalesce(archived_at, now()) where id = (select chart_id from tune where id = $1)',
    [id],
  );
  await db.query('delete from tune where id = $1', [id]);
}
