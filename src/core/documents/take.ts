import { z } from 'zod';
import { barsThrough, formOf, taskIn, type Form, type Passage } from '../form/form';
import type { ExerciseName } from '../form/exercises';
import { tooMuchWork } from '../form/work';
import type { Groove } from '../groove/groove';
import { LIMBS, type Limb } from '../groove/limbs';
import {
  LONGEST_TAKE_MS,
  MOST_BARS,
  MOST_EXERCISES,
  MOST_HITS,
  MOST_PLACES,
  MOST_PLAYED_BARS,
  MOST_ROUNDS,
} from '../limits';
import { fail, ok, problemAt, within, type Problem, type Result } from '../result';
import { clickPlanShape } from '../time/clickPlan';
import { parse } from '../time/fraction';
import { readGroove, writeGroove, type GrooveJson } from './groove';

import { compacted, type CopiedExercise } from './copiedBars';
import { readVersioned } from './reader';
import { feelShape, taskShape, tempoShape } from './shapes';

export const TAKE_VERSION = 2;

/** What a stroke can be heard by; by nothing where it was played and not heard. */
export const INPUTS = ['keys', 'pads', 'MIDI', 'microphone', 'file', 'simulated kit', 'nothing'] as const;
export type InputName = (typeof INPUTS)[number];

const aBar = z.number().int().min(0).max(MOST_PLAYED_BARS);

const placeText = z.string().refine((text) => text.length <= 20 && parse(text) !== undefined);
/** A length or a share, more than nothing. */
const fractionText = placeText.refine((text) => (parse(text)?.n ?? 0) > 0);

const passageShape = z.strictObject({
  from: z.number().int().min(0).max(MOST_BARS),
  bars: z.number().int().min(1).max(MOST_BARS),
  times: z.number().int().min(1).max(MOST_ROUNDS),
  exercise: z.number().int().min(0).max(MOST_EXERCISES).optional(),
  side: z.number().int().min(0).max(1).optional(),
  swing: feelShape.optional(),
  call: z.array(z.string().max(20)).max(40).optional(),
  speed: z.strictObject({ times: fractionText, beat: fractionText }).optional(),
  hold: z.strictObject({ at: placeText, more: fractionText }).optional(),
  isFree: z.boolean().optional(),
});
export const passagesShape = z.array(passageShape).min(1).max(MOST_ROUNDS);

export const exerciseNamesShape = z
  .array(
    z.strictObject({
      say: z.string().max(200),
      places: z.array(placeText).max(MOST_PLACES),
      section: z.string().max(60).optional(),
    }),
  )
  .min(1)
  .max(MOST_EXERCISES);

const hitShape = z.strictObject({
  /** From the first bar, the input's own delay taken off. */
  ms: z
    .number()
    .min(-60_000)
    .max(LONGEST_TAKE_MS + 60_000),
  /** Undefined where the input cannot tell who struck. */
  limb: z.enum(LIMBS).optional(),
  /** From 0, not to be heard, to 1, as loud as the input can tell; undefined where it cannot. */
  loudness: z.number().min(0).max(1).optional(),
  /** Where another input than the take's heard it. */
  input: z.enum(INPUTS).optional(),
});
export type Hit = z.infer<typeof hitShape>;

/** One recorded attempt: all that `judge` needs to say the same again at any time. */
const takeShape = z.strictObject({
  version: z.literal(TAKE_VERSION),
  /** As it was played, turned round for the player's kit; read by `readGroove`. */
  groove: z.unknown(),
  /** Once through the whole. */
  passages: passagesShape,
  rounds: z.number().int().min(1).max(MOST_ROUNDS),
  bpm: tempoShape,
  swing: feelShape.optional(),
  click: clickPlanShape,
  countIn: z.number().int().min(0).max(4),
  /** The limbs that were to be played from the first bar on, and so are judged. */
  task: taskShape,
  /** What was set anew while playing, in the order of the bars it held from. */
  changes: z
    .array(
      z.strictObject({
        fromBar: aBar,
        bpm: tempoShape.optional(),
        click: clickPlanShape.optional(),
        swing: feelShape.optional(),
        task: taskShape.optional(),
      }),
    )
    .max(MOST_ROUNDS)
    .optional(),
  /** Of a drill: what its exercises are said by. */
  exercises: exerciseNamesShape.optional(),
  /** The tempo it is practised towards, where one is set. */
  goal: tempoShape.optional(),
  input: z.enum(INPUTS),
  /** The limbs the input can hear; all when left out. */
  hears: z.array(z.enum(LIMBS)).max(4).optional(),
  /**
   * Strokes, by limb and when they were due, that could not have stood out of what was recorded: not judged when
   * missing.
   */
  unheard: z
    .array(z.strictObject({ limb: z.enum(LIMBS), ms: z.number().min(0).max(LONGEST_TAKE_MS) }))
    .max(MOST_HITS)
    .optional(),
  /** What was taken off the time of every hit, since the input or the loudspeaker adds it. */
  calibrationMs: z.number().min(-1000).max(1000).optional(),
  struckBy: z.enum(['player', 'kit']),
  /** When playing stopped, from the first bar. Strokes due later are not judged. */
  playedMs: z.number().min(0).max(LONGEST_TAKE_MS, 'A take is at most 30 minutes long.'),
  hits: z
    .array(hitShape)
    .max(MOST_HITS, `A take holds at most ${MOST_HITS.toLocaleString('en')} hits: record a shorter one.`),
});

export type Take = Omit<z.infer<typeof takeShape>, 'groove'> & { groove: Groove };
export type TakeJson = Omit<Take, 'groove'> & { groove: GrooveJson };
export type TakeChange = NonNullable<Take['changes']>[number];

/** Reads a take from JSON; problems name the place. The number of hits is looked at before anything else is. */
export function readTake(json: unknown): Result<Take> {
  const hits = (json as { hits?: unknown } | null)?.hits;
  if (Array.isArray(hits) && hits.length > MOST_HITS) {
    return fail(
      problemAt(
        'hits',
        'too-many-hits',
        `${hits.length.toLocaleString('en')} hits are more than a take holds.`,
        `Record at most ${MOST_HITS.toLocaleString('en')}.`,
        { hits: hits.length, most: MOST_HITS },
      ),
    );
  }
  const shaped = readVersioned(json, {
    name: 'take',
    version: TAKE_VERSION,
    shape: takeShape,
    migrations: { 1: fromVersion1 },
  });
  if (!shaped.ok) return shaped;
  const groove = readGroove(shaped.value.groove);
  if (!groove.ok) return { ok: false, problems: within(['groove'], groove.problems) };
  const take = { ...shaped.value, groove: groove.value };
  const problems = problemsIn(take);
  return problems.length ? fail(...problems) : ok(take);
}

function problemsIn(take: Take): Problem[] {
  const problems = passageProblems(take.passages, take.groove.bars.length, take.exercises?.length ?? 0);
  if (!problems.length) problems.push(...tooMuchWork(take));
  const changes = take.changes ?? [];
  if (changes.some(({ fromBar }, index) => index && fromBar <= changes[index - 1]!.fromBar))
    problems.push(
      problemAt(
        'changes',
        'not-in-order',
        'The changes are not in order.',
        'Name each change in the order of its bar.',
      ),
    );
  return problems;
}

/** What is wrong with passages through so many bars, of a drill of so many exercises. */
export function passageProblems(passages: readonly Passage[], bars: number, exercises: number): Problem[] {
  return passages.flatMap(({ from, bars: long, exercise = -1 }, index): Problem[] => {
    const at = { path: ['passages', index], where: `passage ${index + 1}`, remedy: 'Name what is there.' };
    if (from + long > bars) return [{ code: 'no-such-bar', ...at, say: 'It reaches beyond the last bar.' }];
    if (exercise >= exercises && exercise >= 0)
      return [{ code: 'no-such-exercise', ...at, say: `There is no exercise ${exercise + 1}.` }];
    return [];
  });
}

interface TakeVersion1 {
  groove: { bars: unknown[] };
  tempo: { fromBar: number; bpm: number }[];
  changes?: (object & { fromBar: number })[];
  parts?: CopiedExercise[];
  rounds: number;
  input: string;
}

/**
 * Version 1 played a groove so many times, every bar of a drill copied as often as it came, and kept tempos by
 * themselves.
 */
function fromVersion1(old: Record<string, unknown>): unknown {
  const { tempo, changes = [], parts, groove, ...rest } = old as Record<string, unknown> & TakeVersion1;
  const [first, ...later] = tempo;
  const byBar = new Map<number, object>();
  for (const { fromBar, ...change } of [...changes, ...later]) byBar.set(fromBar, { ...byBar.get(fromBar), ...change });
  const merged = [...byBar].sort(([one], [other]) => one - other).map(([fromBar, change]) => ({ fromBar, ...change }));
  const { bars, passages, exercises } = parts
    ? compacted(groove.bars, parts)
    : { bars: groove.bars, passages: [{ from: 0, bars: groove.bars.length, times: 1 }], exercises: undefined };
  return {
    ...rest,
    version: 2,
    groove: { ...groove, bars },
    passages,
    rounds: Math.min(rest.rounds, Math.floor(MOST_PLAYED_BARS / barsThrough(passages))),
    bpm: first!.bpm,
    ...(merged.length && { changes: merged }),
    ...(exercises && { exercises }),
    struckBy: rest.input === 'simulated kit' ? 'kit' : 'player',
  };
}

export const writeTake = (take: Take): TakeJson => ({ ...take, groove: writeGroove(take.groove) });

/** What was played, bar by bar: what is scheduled, heard and judged. */
export const formOfTake = (take: Take): Form => formOf(take);

/** The limbs that were to be played in a bar of the take; before the first bar, those of the first. */
export const taskAt = (form: Form, take: Pick<Take, 'task'>, bar: number): readonly Limb[] =>
  taskIn(form, bar, take.task);

/** Every limb that was in the task at some time. */
export const wholeTask = (take: Pick<Take, 'task' | 'changes'>): Limb[] =>
  LIMBS.filter((limb) => take.task.includes(limb) || take.changes?.some(({ task: set }) => set?.includes(limb)));

/** The tempo set last. */
export const lastBpm = ({ bpm, changes }: Pick<Take, 'bpm' | 'changes'>): number =>
  changes?.findLast((change) => change.bpm !== undefined)?.bpm ?? bpm;

/** The drill that a take plays; undefined when it plays a groove. */
export const exercisesPlayed = ({ groove, passages, exercises }: Pick<Take, 'groove' | 'passages' | 'exercises'>) =>
  exercises && { groove, passages, exercises: exercises as ExerciseName[] };
