import { z } from 'zod';
import { readTake, TAKE_VERSION, writeTake, type Take } from '@/core/documents/take';
import type { Level } from '@/core/limits';
import { judge, JUDGE_VERSION } from '@/core/take/judge';
import { fail, ok, sentence, type Result } from '@/core/result';
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
  input: string;
  level: Level;
  matched: number;
  missed: number;
  extra: number;
  mean_error_ms: number | null;
  sd_error_ms: number | null;
  tempo_drift_percent: number | null;
  tolerance_ms: number;
  verdict_about: string;
  verdict: string;
}

const ROW = `select t.id, t.player_id, p.name as player, t.groove_id, t.document -> 'groove' ->> 'title' as title, t.played_at, t.played_ms,
  t.tempo, t.click, t.input, t.level, t.matched, t.missed, t.extra, t.mean_error_ms, t.sd_error_ms, t.tempo_drift_percent,
  t.tolerance_ms, t.verdict_about, t.verdict`;
const FROM = 'from take t join person p on p.id = t.player_id';

/** Takes the person may see, the newest first; of one player when named. Lists are cut at `most`. */
export async function takes(
  db: Db,
  { playerId, most = 100 }: { playerId?: string; most?: number } = {},
): Promise<TakeRow[]> {
  const { rows } = await db.query<TakeRow>(
    `${ROW} ${FROM} where $1::uuid is null or t.player_id = $1 order by t.played_at desc, t.id limit $2`,
    [playerId ?? null, most],
  );
  return rows;
}

export async function take(db: Db, id: string): Promise<(TakeRow & { take: Take }) | undefined> {
  const { rows } = await db.query<TakeRow & { document: unknown }>(`${ROW}, t.document ${FROM} where t.id = $1`, [id]);
  if (!rows[0]) return undefined;
  const { document, ...row } = rows[0];
  const read = readTake(document);
  if (!read.ok) throw new Error(`Take ${id} cannot be read: ${sentence(read.problems[0]!)}`);
  return { ...row, take: read.value };
}

/** What the browser sends: the take, who played it and what it belongs to. */
export const sentTakeShape = z.strictObject({
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
  if (!sent.success)
    return fail(
      ...sent.error.issues.map((issue) => ({
        path: issue.path.map(String),
        where: issue.path.join(' '),
        say: issue.message,
        remedy: '',
      })),
    );
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
  'mean_error_ms',
  'sd_error_ms',
  'sd_around_trend_ms',
  'tempo_drift_percent',
  'tolerance_ms',
  'verdict_about',
  'verdict',
  'judge_version',
];

function judgedValues(played: Take, level: Level): unknown[] {
  const { figures, toleranceMs, verdict } = judge(played, level);
  return [
    figures.matched,
    figures.missed,
    figures.extra,
    figures.meanErrorMs,
    figures.sdErrorMs,
    figures.sdAroundTrendMs,
    figures.tempoDriftPercent,
    toleranceMs,
    verdict.about,
    verdict.say,
    JUDGE_VERSION,
  ];
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
  const values = [
    kept.id,
    player.workshop_id,
    player.id,
    kept.grooveId,
    kept.assignmentId ?? null,
    kept.playedAt,
    Math.round(played.playedMs),
    played.tempo.at(-1)!.bpm,
    planInWords(played.click),
    played.input,
    player.level,
    TAKE_VERSION,
    JSON.stringify(writeTake(played)),
    ...judgedValues(played, player.level),
  ];
  await db.query(
    `insert into take (id, workshop_id, player_id, groove_id, assignment_id, played_at, played_ms, tempo, click, input, level, document_version, document, ${JUDGED.join(', ')})
     values (${placeholders(values.length)}) on conflict (id) do nothing`,
    values,
  );
}

/** Judges anew, as the database's owner, what an older version of the judging was applied to. Gives how many those were. */
export async function rejudgeTakes(db: Db): Promise<number> {
  const { rows } = await db.query<{ id: string; level: Level; document: unknown }>(
    'select id, level, document from take where judge_version < $1',
    [JUDGE_VERSION],
  );
  for (const { id, level, document } of rows) {
    const read = readTake(document);
    if (!read.ok) throw new Error(`Take ${id} cannot be read: ${sentence(read.problems[0]!)}`);
    await db.query(`update take set (${JUDGED.join(', ')}) = (${placeholders(JUDGED.length, 2)}) where id = $1`, [
      id,
      ...judgedValues(read.value, level),
    ]);
  }
  return rows.length;
}
