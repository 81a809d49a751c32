import { z } from 'zod';
import { readGroove, writeGroove } from '@/core/documents/groove';
import { readSightPlan } from '@/core/documents/sightPlan';
import type { Groove } from '@/core/groove/groove';
import { turnFor } from '@/core/groove/kit';
import type { Setup } from '@/core/groove/limbs';
import { MOST_LINES_SPENT, MOST_SEED, MOST_TAKES_A_DAY } from '@/core/limits';
import { drawnAtSight, type NamedSight } from '@/core/practice/atSight';
import { fail, ok, problem, problemAt, problemsOf, type Result } from '@/core/result';
import type { Tolerance } from '@/core/judging/types/figures';
import type { Db } from './database';
import { isThroughBars, type JudgedTake } from './judging/judged';
import { toleranceOfPerson, type Person } from './people';
import { insertTake } from './takes';

/** What the browser sends: the take, who played it and what it belongs to. */
const sentTakeShape = z.strictObject({
  id: z.uuid(),
  playerId: z.uuid(),
  grooveId: z.uuid(),
  assignmentId: z.uuid().optional(),
  playedAt: z.iso.datetime(),
  /** Of a line read at sight: what it was drawn from. */
  seed: z.int().min(0).max(MOST_SEED).optional(),
  take: z.unknown(),
});

/** How a take is kept: who plays, in whose session, when, and what judges. */
export interface Keeping {
  player: Person;
  inSession: <T>(work: (db: Db) => Promise<T>) => Promise<T>;
  now: Date;
  judging: (take: unknown, tolerance: Tolerance) => Result<JudgedTake> | Promise<Result<JudgedTake>>;
}

/**
 * Judges and keeps a take of the signed-in person, whole or not at all. Sent a second time, it answers the same and
 * keeps nothing new. Problems say what is wrong with it. What it asks to be worked out is judged before the database
 * is asked for anything.
 */
export async function keepTake(
  json: unknown,
  { player, inSession, now, judging }: Keeping,
): Promise<Result<{ id: string }>> {
  const read = sentTakeShape.safeParse(json);
  if (!read.success) return fail(...problemsOf(read.error));
  const sent = read.data;
  // Somebody else signed in on this browser before the take could be sent.
  if (sent.playerId !== player.id)
    return fail({
      code: 'not-yours',
      path: ['playerId'],
      where: 'player',
      say: 'This take is another person’s.',
      remedy: 'It is sent when they sign in here again.',
    });
  const judged = await judging(sent.take, toleranceOfPerson(player));
  if (!judged.ok) return judged;
  // A clock that runs ahead must not put a take into the future of the log.
  const playedAt = new Date(Math.min(Date.parse(sent.playedAt), now.getTime()));
  return inSession((db) => keepJudged(db, player, { ...sent, playedAt }, judged.value));
}

type SentTake = Omit<z.infer<typeof sentTakeShape>, 'playedAt' | 'take'> & { playedAt: Date };

async function keepJudged(db: Db, player: Person, sent: SentTake, judged: JudgedTake): Promise<Result<{ id: string }>> {
  const { id, grooveId, assignmentId, seed } = sent;
  const isKept = async () =>
    (await db.query('select from take where id = $1 and player_id = $2', [id, player.id])).rowCount === 1;
  if (await isKept()) return ok({ id });
  const { rows } = await db.query<{
    document?: unknown;
    at_sight: unknown;
    title: string;
    tempo: number;
    kept: number;
    assignment: boolean;
    set_tempo?: number;
    set_at?: Date;
    bar_from: number | null;
    bar_to: number | null;
  }>(
    `select g.document, g.at_sight, g.title, g.tempo, a.tempo as set_tempo, a.set_at, a.bar_from, a.bar_to,
      a.id is not null as assignment,
       (select count(*)::int from take where player_id = $3 and received_at > now() - interval '1 day') as kept
     from (select) one left join groove g on g.id = $1
       left join assignment a on a.id = $2 and a.groove_id = $1 and a.student_id = $3`,
    [grooveId, assignmentId ?? null, player.id],
  );
  const { document, at_sight, kept, assignment, set_tempo, set_at, bar_from, bar_to } = rows[0]!;
  if (!document)
    return fail(
      problemAt('groove', 'groove-gone', 'This groove is not there any more.', 'Open Today and choose another.'),
    );
  if (assignmentId && !assignment)
    return fail(
      problemAt('assignment', 'not-set-for-you', 'This was not set for you.', 'Open Today and start from there.'),
    );
  if (kept >= MOST_TAKES_A_DAY)
    return fail(
      problem(
        'too-many-today',
        `${MOST_TAKES_A_DAY.toLocaleString('en')} takes were kept within a day; there is room for no more.`,
        'It waits in this browser and is sent tomorrow.',
        { most: MOST_TAKES_A_DAY },
      ),
    );
  const isSight = at_sight !== null;
  const written = isSight ? lineRead(rows[0]!, seed) : readGroove(document);
  const asWritten = written.ok && isAsWritten(judged.bars, written.value, player.setup);
  // What was set counts as played where it was: all of the bars that were, no slower than they were set, since they
  // were set.
  const asSet =
    asWritten &&
    isThroughBars(judged, bar_from, bar_to) &&
    judged.tempo >= (set_tempo ?? 0) &&
    sent.playedAt >= (set_at ?? new Date(0));
  const isNew = await insertTake(db, {
    ...sent,
    player,
    judged,
    asWritten,
    sightSeed: isSight && asWritten ? seed : undefined,
    assignmentId: asSet ? assignmentId : undefined,
  });
  // The same one may have come in by another way meanwhile.
  if (isNew || (await isKept())) return ok({ id });
  return fail(problem('id-taken', 'Another take bears this number.', 'Play it once more.'));
}

/** What was read at sight, drawn again from its seed. */
function lineRead({ at_sight, title, tempo }: { at_sight: unknown } & NamedSight, seed?: number): Result<Groove> {
  const plan = readSightPlan(at_sight);
  if (!plan.ok) return plan;
  if (seed === undefined) return fail(problem('no-seed', 'This line has no seed.', 'Play another.'));
  // As every stored groove is read, so that bars that are the same are written the same.
  return readGroove(writeGroove(drawnAtSight(plan.value, { title, tempo }, seed).groove));
}

/** Whether bars are those of a groove, as they stand for the player's kit. */
const isAsWritten = (bars: string, groove: Groove, setup: Setup): boolean =>
  JSON.stringify(writeGroove(turnFor(groove, setup)).bars) === bars;

/** The seeds of the lines that a player read under one plan, the last ones first. */
export async function seedsRead(db: Db, playerId: string, grooveId: string): Promise<number[]> {
  const { rows } = await db.query<{ sight_seed: number }>(
    `select sight_seed from take where player_id = $1 and groove_id = $2 and sight_seed is not null
     order by played_at desc limit ${MOST_LINES_SPENT}`,
    [playerId, grooveId],
  );
  return rows.map((row) => row.sight_seed);
}
