import { readTake, TAKE_VERSION, type InputName, type Take } from '@/core/documents/take';
import { readVerdict, type Verdict } from '@/core/documents/verdict';
import type { Level } from '@/core/limits';
import type { Result } from '@/core/result';
import { JUDGE_VERSION } from '@/core/judging/verdict/judge';
import type { Db } from './database';
import { JUDGED, type JudgedTake } from './judging/judged';
import type { Person } from './people';

/** A take as lists show it: when, what, and its figures. */
export interface TakeRow {
  id: string;
  player_id: string;
  player: string;
  groove_id: string;
  title: string;
  /** By the browser's clock, never later than the server's. */
  played_at: Date;
  /** When it reached the server. */
  received_at: Date;
  /** Whether its bars are those of its groove. */
  as_written: boolean;
  played_ms: number;
  tempo: number;
  click: string;
  input: InputName;
  struck_by: 'player' | 'kit';
  level: Level;
  /** What was set for the level, where it was another than usual. */
  tolerance_factor: number | null;
  matched: number;
  missed: number;
  extra: number;
  not_judgeable: number;
  mean_error_ms: number | null;
  sd_error_ms: number | null;
  tempo_drift_percent: number | null;
  tolerance_ms: number;
  /** Why it was set aside and counts for nobody, where it was, and by whom. */
  set_aside_why: string | null;
  set_aside_by: string | null;
  /** How many notes were written on it. */
  notes: number;
  /** Whether its sound is kept. */
  has_sound: boolean;
  /** What to fix first; undefined while it is being judged anew, and where the take cannot be read. */
  verdict?: Verdict;
  /** Whether this version of the judging has looked at it. */
  is_judged: boolean;
}

type TakeColumns = Omit<TakeRow, 'verdict'> & { verdict: unknown };

const ROW = `select t.id, t.player_id, p.name as player, t.groove_id, t.title, t.played_at, t.received_at,
  t.as_written, t.played_ms, t.tempo, t.click, t.input, t.struck_by, t.level, t.tolerance_factor, t.matched, t.missed, t.extra, t.not_judgeable, t.mean_error_ms,
  t.sd_error_ms,
  t.tempo_drift_percent, t.tolerance_ms, t.set_aside_why, t.set_aside_by,
  (select count(*)::int from take_note n where n.take_id = t.id) as notes,
  exists (select from recording r where r.take_id = t.id) as has_sound, t.verdict,
  t.judge_version >= ${JUDGE_VERSION} as is_judged`;
const FROM = 'from take t join person p on p.id = t.player_id';

/** A kept verdict, or nothing where none is kept or it cannot be read. */
export function verdictKept(json: unknown): Verdict | undefined {
  const read = readVerdict(json);
  return read.ok ? read.value : undefined;
}

const asRow = ({ verdict, ...row }: TakeColumns): TakeRow => ({ ...row, verdict: verdictKept(verdict) });

/** How many takes a list shows. */
export const MOST_LISTED = 100;

/** What of the log is asked for; what is left out is everything. */
export interface LogAsked {
  playerId?: string;
  /** Words of what was played: of the title of its groove. */
  words?: string;
  /** From a moment on, and before one. */
  from?: Date;
  before?: Date;
  input?: InputName;
  most?: number;
}

/** Grooves that bear the words, as many as are looked through. */
const MOST_GROOVES = 200;

/**
 * Takes the person may see, the newest first; of one player when named, and before a moment. Lists are cut at `most`.
 */
export async function takes(
  db: Db,
  { playerId, words, from, before, input, most = MOST_LISTED }: LogAsked = {},
): Promise<TakeRow[]> {
  const values: unknown[] = [];
  const bound = (value: unknown) => `$${values.push(value)}`;
  // Only what is asked for is a condition, so that each is found by its index.
  const conditions = [
    playerId ? `t.player_id = ${bound(playerId)}` : 't.workshop_id = (select signed_in_workshop())',
    words &&
      `t.groove_id in (select g.id from groove g where g.workshop_id = (select signed_in_workshop())
         and position(lower(${bound(words)}) in lower(g.title)) > 0 limit ${MOST_GROOVES})`,
    from && `t.played_at >= ${bound(from)}`,
    before && `t.played_at < ${bound(before)}`,
    input && `t.input = ${bound(input)}`,
  ].filter(Boolean);
  const { rows } = await db.query<TakeColumns>(
    `${ROW} ${FROM} where ${conditions.join(' and ')} order by t.played_at desc, t.id limit ${bound(most)}`,
    values,
  );
  return rows.map(asRow);
}

/** One take with its row; the take itself as far as it can be read. */
export async function take(db: Db, id: string): Promise<(TakeRow & { take: Result<Take> }) | undefined> {
  const { rows } = await db.query<TakeColumns & { document: unknown }>(`${ROW}, t.document ${FROM} where t.id = $1`, [
    id,
  ]);
  if (!rows[0]) return undefined;
  const { document, ...row } = rows[0];
  return { ...asRow(row), take: readTake(document) };
}

/** Writes the figures by place, in place of those that stood there. */
export async function keepPlaces(db: Db, takeId: string, places: unknown[][]): Promise<void> {
  await db.query(
    `insert into take_place
       (take_id, limb, bar, exercise, count, part, parts, counts, matched, missed, mean_error_ms, sd_error_ms)
     select $1, * from unnest($2::text[], $3::smallint[], $4::smallint[], $5::smallint[], $6::smallint[],
       $7::smallint[],
       $8::smallint[], $9::integer[], $10::integer[], $11::float8[], $12::float8[])
     on conflict do nothing`,
    [takeId, ...places],
  );
}

/** "$1, $2, $3". */
export const placeholders = (count: number, from = 1) =>
  Array.from({ length: count }, (_, index) => `$${from + index}`).join(', ');

/** A take that was judged, ready to be written. */
export interface TakeToKeep {
  id: string;
  player: Pick<Person, 'id' | 'workshop_id'>;
  grooveId: string;
  assignmentId?: string;
  playedAt: Date;
  receivedAt?: Date;
  judged: JudgedTake;
  /** Whether its bars are the groove's. */
  asWritten?: boolean;
  /** Of a line read at sight: what it was drawn from. */
  sightSeed?: number;
}

const rowOf = ({ player, judged, ...kept }: TakeToKeep): unknown[] => [
  kept.id,
  player.workshop_id,
  player.id,
  kept.grooveId,
  kept.assignmentId ?? null,
  kept.playedAt,
  kept.receivedAt ?? new Date(),
  judged.playedMs,
  judged.tempo,
  judged.click,
  judged.input,
  judged.level,
  judged.toleranceFactor,
  TAKE_VERSION,
  judged.document,
  kept.asWritten ?? true,
  kept.sightSeed ?? null,
  ...judged.values,
];

/** Writes the rows of takes that were judged, and gives the ids of those that are new. */
export async function insertTakes(db: Db, all: readonly TakeToKeep[]): Promise<Set<string>> {
  const rows = all.map(rowOf);
  const wide = rows[0]?.length ?? 0;
  const { rows: written } = await db.query<{ id: string }>(
    `insert into take (id, workshop_id, player_id, groove_id, assignment_id, played_at, received_at, played_ms, tempo,
       click, input, level, tolerance_factor, document_version, document, as_written, sight_seed, ${JUDGED.join(', ')})
     values ${rows.map((_, index) => `(${placeholders(wide, 1 + index * wide)})`).join(', ')}
       on conflict (id) do nothing returning id`,
    rows.flat(),
  );
  const isNew = new Set(written.map(({ id }) => id));
  for (const { id, judged } of all)
    if (isNew.has(id) && judged.places[0]?.length) await keepPlaces(db, id, judged.places);
  return isNew;
}

/** Writes the row of a take that was judged. False when there is one of that id already. */
export const insertTake = async (db: Db, kept: TakeToKeep): Promise<boolean> =>
  (await insertTakes(db, [kept])).has(kept.id);
