import { z } from 'zod';
import { lastBpm, readTake, TAKE_VERSION, writeTake, type InputName, type Take } from '@/core/documents/take';
import { readVerdict, type Verdict } from '@/core/documents/verdict';
import type { Level } from '@/core/limits';
import { fail, ok, problemsOf, type Result } from '@/core/result';
import { judge, JUDGE_VERSION } from '@/core/take/judge';
import { placeJudged } from '@/core/take/verdict';
import { planInWords } from '@/core/time/clickPlan';
import type { Db } from './database';
import type { Person } from './people';

/** A take as lists show it: when, what, and its figures. */
export interface TakeRow {
  id: string;
  player_id: string;
  player: string;
  groove_id: string;
  title: string;
  played_at: Date;
  played_ms: number;
  tempo: number;
  click: string;
  input: InputName;
  struck_by: 'player' | 'kit';
  level: Level;
  matched: number;
  missed: number;
  extra: number;
  not_judgeable: number;
  mean_error_ms: number | null;
  sd_error_ms: number | null;
  tempo_drift_percent: number | null;
  tolerance_ms: number;
  /** What to fix first; undefined while it is being judged anew, and where the take cannot be read. */
  verdict?: Verdict;
  /** Whether this version of the judging has looked at it. */
  is_judged: boolean;
}

type TakeColumns = Omit<TakeRow, 'verdict'> & { verdict: unknown };

const ROW = `select t.id, t.player_id, p.name as player, t.groove_id, t.title, t.played_at, t.played_ms, t.tempo, t.click,
  t.input, t.struck_by, t.level, t.matched, t.missed, t.extra, t.not_judgeable, t.mean_error_ms, t.sd_error_ms,
  t.tempo_drift_percent, t.tolerance_ms, t.verdict, t.judge_version >= ${JUDGE_VERSION} as is_judged`;
const FROM = 'from take t join person p on p.id = t.player_id';

/** A kept verdict, or nothing where none is kept or it cannot be read. */
export function verdictKept(json: unknown): Verdict | undefined {
  const read = readVerdict(json);
  return read.ok ? read.value : undefined;
}

const asRow = ({ verdict, ...row }: TakeColumns): TakeRow => ({ ...row, verdict: verdictKept(verdict) });

/** How many takes a list shows. */
export const MOST_LISTED = 100;

/** Takes the person may see, the newest first; of one player when named, and before a moment. Lists are cut at `most`. */
export async function takes(
  db: Db,
  { playerId, before, most = MOST_LISTED }: { playerId?: string; before?: Date; most?: number } = {},
): Promise<TakeRow[]> {
  const { rows } = await db.query<TakeColumns>(
    `${ROW} ${FROM} where ($1::uuid is null or t.player_id = $1) and ($2::timestamptz is null or t.played_at < $2)
     order by t.played_at desc, t.id limit $3`,
    [playerId ?? null, before ?? null, most],
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

/** What the browser sends: the take, who played it and what it belongs to. */
const sentTakeShape = z.strictObject({
  id: z.uuid(),
  playerId: z.uuid(),
  grooveId: z.uuid(),
  assignmentId: z.uuid().optional(),
  playedAt: z.iso.datetime(),
  take: z.unknown(),
});

/**
 * Judges and keeps a take of the signed-in person, whole or not at all. Sent a second time, it answers
 * the same and keeps nothing new. Problems say what is wrong with it.
 */
export async function keepTake(db: Db, player: Person, json: unknown, now: Date): Promise<Result<{ id: string }>> {
  const sent = sentTakeShape.safeParse(json);
  if (!sent.success) return fail(...problemsOf(sent.error));
  const read = readTake(sent.data.take);
  if (!read.ok) return read;
  const { id, playerId, grooveId, assignmentId, playedAt } = sent.data;
  // Somebody else signed in on this browser before the take could be sent.
  if (playerId !== player.id)
    return fail({
      code: 'not-yours',
      path: ['playerId'],
      where: 'player',
      say: 'This take is another person’s.',
      remedy: 'It is sent when they sign in here again.',
    });

  const known = await db.query('select from take where id = $1', [id]);
  if (known.rowCount) return ok({ id });
  const allowed = await db.query<{ groove: boolean; assignment: boolean }>(
    `select exists (select from groove where id = $1) as groove,
       $2::uuid is null or exists (select from assignment where id = $2 and groove_id = $1 and student_id = $3) as assignment`,
    [grooveId, assignmentId ?? null, player.id],
  );
  if (!allowed.rows[0]!.groove)
    return fail({
      code: 'groove-gone',
      path: ['grooveId'],
      where: 'groove',
      say: 'This groove is not there any more.',
      remedy: 'Open Today and choose another.',
    });
  if (!allowed.rows[0]!.assignment)
    return fail({
      code: 'not-set-for-you',
      path: ['assignmentId'],
      where: 'assignment',
      say: 'This was not set for you.',
      remedy: 'Open Today and start from there.',
    });
  // A clock that runs ahead must not put a take into the future of the log.
  const at = new Date(Math.min(Date.parse(playedAt), now.getTime()));
  await insertTake(db, { id, player, grooveId, assignmentId, playedAt: at, take: read.value });
  return ok({ id });
}

/** The columns that judging fills. */
const JUDGED = [
  'matched',
  'missed',
  'extra',
  'not_judgeable',
  'mean_error_ms',
  'sd_error_ms',
  'sd_around_trend_ms',
  'tempo_drift_percent',
  'tolerance_ms',
  'verdict_about',
  'verdict',
  'judge_version',
];

interface JudgedColumns {
  values: unknown[];
  /** Rows of `take_place`, without the take's id, each column a list. */
  places: unknown[][];
}

function judged(played: Take, level: Level): JudgedColumns {
  const { figures, toleranceMs, verdict, byPlace } = judge(played, level);
  const places = byPlace.map((one) => ({ ...one, ...placeJudged(played, one.limb, one.bar, one.written) }));
  return {
    values: [
      figures.matched,
      figures.missed,
      figures.extra,
      figures.notJudgeable ?? 0,
      figures.meanErrorMs,
      figures.sdErrorMs,
      figures.sdAroundTrendMs,
      figures.tempoDriftPercent,
      toleranceMs,
      verdict.about,
      JSON.stringify(verdict),
      JUDGE_VERSION,
    ],
    places: [
      places.map(({ limb }) => limb),
      places.map(({ bar }) => bar),
      places.map(({ exercise }) => exercise ?? null),
      places.map(({ count }) => count),
      places.map(({ part }) => part),
      places.map(({ parts }) => parts),
      places.map(({ counts }) => counts),
      places.map(({ matched }) => matched),
      places.map(({ missed }) => missed),
      places.map(({ meanErrorMs }) => meanErrorMs),
      places.map(({ sdErrorMs }) => sdErrorMs),
    ],
  };
}

/** Writes the figures by place, in place of those that stood there. */
async function keepPlaces(db: Db, takeId: string, places: unknown[][]): Promise<void> {
  await db.query(
    `insert into take_place
       (take_id, limb, bar, exercise, count, part, parts, counts, matched, missed, mean_error_ms, sd_error_ms)
     select $1, * from unnest($2::text[], $3::smallint[], $4::smallint[], $5::smallint[], $6::smallint[], $7::smallint[],
       $8::smallint[], $9::integer[], $10::integer[], $11::float8[], $12::float8[])
     on conflict do nothing`,
    [takeId, ...places],
  );
}

const placeholders = (count: number, from = 1) =>
  Array.from({ length: count }, (_, index) => `$${from + index}`).join(', ');

/** Judges a take and writes its row. */
export async function insertTake(
  db: Db,
  kept: {
    id: string;
    player: Pick<Person, 'id' | 'workshop_id' | 'level'>;
    grooveId: string;
    assignmentId?: string;
    playedAt: Date;
    take: Take;
  },
): Promise<void> {
  const { player, take: played } = kept;
  const { values: figures, places } = judged(played, player.level);
  const values = [
    kept.id,
    player.workshop_id,
    player.id,
    kept.grooveId,
    kept.assignmentId ?? null,
    kept.playedAt,
    Math.round(played.playedMs),
    lastBpm(played),
    planInWords(played.click),
    played.input,
    player.level,
    TAKE_VERSION,
    JSON.stringify(writeTake(played)),
    ...figures,
  ];
  const { rowCount } = await db.query(
    `insert into take (id, workshop_id, player_id, groove_id, assignment_id, played_at, played_ms, tempo, click, input,
       level, document_version, document, ${JUDGED.join(', ')})
     values (${placeholders(values.length)}) on conflict (id) do nothing`,
    values,
  );
  if (rowCount) await keepPlaces(db, kept.id, places);
}

/** How many takes are judged anew in one go, between which others may write. */
const REJUDGED_AT_ONCE = 100;

/**
 * Judges anew, as the database's owner, what an older version of the judging was applied to; the newest first, in
 * batches. A take that cannot be read keeps its figures and loses its verdict. `onShare` hears how many of how many are
 * done. Gives how many those were.
 */
export async function rejudgeTakes(db: Db, onShare: (done: number, of: number) => void = () => {}): Promise<number> {
  const counted = await db.query<{ waiting: number }>(
    'select count(*)::int as waiting from take where judge_version < $1',
    [JUDGE_VERSION],
  );
  const of = counted.rows[0]!.waiting;
  for (let done = 0; ;) {
    const { rows } = await db.query<{ id: string; level: Level; document: unknown }>(
      'select id, level, document from take where judge_version < $1 order by played_at desc, id limit $2',
      [JUDGE_VERSION, REJUDGED_AT_ONCE],
    );
    if (!rows.length) return done;
    for (const { id, level, document } of rows) await rejudge(db, id, level, document);
    done += rows.length;
    onShare(done, Math.max(of, done));
  }
}

async function rejudge(db: Db, id: string, level: Level, document: unknown): Promise<void> {
  const read = readTake(document);
  if (!read.ok) {
    await db.query('update take set verdict = null, judge_version = $2 where id = $1', [id, JUDGE_VERSION]);
    return;
  }
  const { values, places } = judged(read.value, level);
  await db.query('delete from take_place where take_id = $1', [id]);
  await keepPlaces(db, id, places);
  await db.query(`update take set (${JUDGED.join(', ')}) = (${placeholders(JUDGED.length, 2)}) where id = $1`, [
    id,
    ...values,
  ]);
}
