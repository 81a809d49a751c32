import { z } from 'zod';
import { readGroove, swingShape, tempoShape, writeGroove, type Groove, type GrooveJson } from './groove';
import { beatOf } from '../groove/beat';
import { LIMBS, type Limb } from '../groove/limbs';
import { exercisesShape } from '../form/exercises';
import { fail, ok, type Result } from '../result';
import type { Run, RunChange } from '../schedule/schedule';
import { clickPlanShape } from '../time/clickPlan';
import { barLength, barStarts } from '../grid/meter';
import type { TempoMap } from '../time/tempoMap';

export const TAKE_VERSION = 1;

/** More than half an hour of the fastest hands there are: beyond this something is wrong with the input. */
export const MOST_HITS = 20_000;
/** 25 minutes is when a rest is due (care); a take longer than this is not one attempt any more. */
export const LONGEST_TAKE_MS = 30 * 60_000;

/** Half an hour of one-bar rounds at the quickest. */
export const MOST_ROUNDS = 2000;

const task = z.array(z.enum(LIMBS)).min(1, 'Keep at least one limb in the task.').max(4);

export const INPUTS = ['keys', 'simulated kit'] as const;

const hit = z.strictObject({
  limb: z.enum(LIMBS),
  ms: z
    .number()
    .min(-60_000)
    .max(LONGEST_TAKE_MS + 60_000),
});

/** One recorded attempt: all that `judge` needs to say the same again at any time. */
export const takeShape = z.strictObject({
  version: z.literal(TAKE_VERSION),
  /** As it was played, turned round for the player's kit; read by `readGroove`. */
  groove: z.unknown(),
  /** From which bar of the run on which tempo; the first from bar 0. */
  tempo: z
    .array(z.strictObject({ fromBar: z.number().int().min(0).max(10_000), bpm: tempoShape }))
    .min(1)
    .max(500),
  swing: z.union([swingShape, z.literal('straight')]).optional(),
  click: clickPlanShape,
  countIn: z.number().int().min(0).max(4),
  rounds: z.number().int().min(1).max(MOST_ROUNDS),
  /** The limbs that were to be played from the first bar on, and so are judged. */
  task,
  /** What was set anew while playing, in the order of the bars it held from. */
  changes: z
    .array(
      z.strictObject({
        fromBar: z.number().int().min(0).max(10_000),
        click: clickPlanShape.optional(),
        swing: z.union([swingShape, z.literal('straight')]).optional(),
        task: task.optional(),
      }),
    )
    .max(MOST_ROUNDS)
    .optional(),
  /** Of a drill: which bars of the groove belong to which exercise. */
  parts: exercisesShape.optional(),
  input: z.enum(INPUTS),
  /** When playing stopped, from the first bar. Strokes due later are not judged. */
  playedMs: z.number().min(0).max(LONGEST_TAKE_MS, 'A take is at most 30 minutes long.'),
  hits: z
    .array(hit)
    .max(MOST_HITS, `A take holds at most ${MOST_HITS.toLocaleString('en')} hits: record a shorter one.`),
});

export type Take = Omit<z.infer<typeof takeShape>, 'groove'> & { groove: Groove };
export type TakeJson = Omit<Take, 'groove'> & { groove: GrooveJson };
export type TakeChange = RunChange & { task?: Limb[] };
export type Hit = z.infer<typeof hit>;

/** Reads a take from JSON; problems name the place. The number of hits is looked at before anything else is. */
export function readTake(json: unknown): Result<Take> {
  const hits = (json as { hits?: unknown } | null)?.hits;
  if (Array.isArray(hits) && hits.length > MOST_HITS) {
    return fail({
      path: ['hits'],
      where: 'hits',
      say: `${hits.length.toLocaleString('en')} hits are more than a take holds.`,
      remedy: `Record at most ${MOST_HITS.toLocaleString('en')}.`,
    });
  }
  const shaped = takeShape.safeParse(json);
  if (!shaped.success) {
    return fail(
      ...shaped.error.issues.slice(0, 10).map((issue) => {
        const path = issue.path.filter((key): key is string | number => typeof key !== 'symbol');
        return { path, where: path.join(' '), say: issue.message, remedy: '' };
      }),
    );
  }
  const groove = readGroove(shaped.data.groove);
  if (!groove.ok)
    return { ok: false, problems: groove.problems.map((each) => ({ ...each, path: ['groove', ...each.path] })) };
  const take = { ...shaped.data, groove: groove.value };
  const beyond = take.parts?.findIndex(({ from, bars, times }) => from + bars * times > groove.value.bars.length) ?? -1;
  if (beyond >= 0)
    return fail({
      path: ['parts', beyond],
      where: 'parts',
      say: `Exercise ${beyond + 1} reaches beyond the last bar.`,
      remedy: 'Name bars that are there.',
    });
  const wrong = tempoProblem(take);
  if (wrong)
    return fail({
      path: ['tempo'],
      where: 'tempo',
      say: wrong,
      remedy: 'Name the tempo of bar 0 first, then each change in order.',
    });
  return ok(take);
}

function tempoProblem(take: Take): string | undefined {
  if (take.tempo[0]!.fromBar !== 0) return 'The first tempo must hold from bar 0.';
  return inOrder(take.tempo) && inOrder(take.changes ?? []) ? undefined : 'The changes are not in order.';
}

const inOrder = (changes: readonly { fromBar: number }[]): boolean =>
  changes.every(({ fromBar }, index) => !index || fromBar > changes[index - 1]!.fromBar);

/** The limbs that were to be played in a bar of the run; before the first bar, those of the first. */
export const taskAt = (take: Pick<Take, 'task' | 'changes'>, bar: number): readonly Limb[] =>
  take.changes?.findLast(({ fromBar, task: set }) => set && fromBar <= Math.max(0, bar))?.task ?? take.task;

/** Every limb that was in the task at some time. */
export const wholeTask = (take: Pick<Take, 'task' | 'changes'>): Limb[] =>
  LIMBS.filter((limb) => take.task.includes(limb) || take.changes?.some(({ task: set }) => set?.includes(limb)));

export const writeTake = (take: Take): TakeJson => ({ ...take, groove: writeGroove(take.groove) });

/** Tempo by bar of the run as a tempo map. */
export function tempoMapOf({ groove, tempo, rounds }: Pick<Take, 'groove' | 'tempo' | 'rounds'>): TempoMap {
  const lengths = groove.bars.map((bar) => barLength(bar.meter));
  const starts = barStarts(Array.from({ length: rounds }, () => lengths).flat());
  const [first, ...rest] = tempo
    .filter(({ fromBar }) => fromBar < starts.length)
    .map(({ fromBar, bpm }) => ({ at: starts[fromBar]!, bpm }));
  return { beat: beatOf(groove), changes: [first!, ...rest] };
}

/** What `schedule` is asked for this take. All limbs: those out of the task are not judged but drawn. */
export const runOf = (take: Take): Run => ({
  groove: take.groove,
  tempo: tempoMapOf(take),
  swing: take.swing,
  click: take.click,
  countIn: take.countIn,
  rounds: take.rounds,
  changes: take.changes,
});
