import { z } from 'zod';
import { LIMBS } from '../groove/limbs';
import { MOST_BARS, MOST_ROUNDS, MOST_SEED } from '../limits';
import type { Result } from '../result';
import { clickPlanShape } from '../time/clickPlan';
import { readVersioned } from './reader';
import { feelShape, taskShape, tempoShape } from './shapes';

const bar = z
  .number()
  .int()
  .min(0)
  .max(MOST_BARS - 1);

const screenShape = z.strictObject({
  version: z.literal(1),
  /** The groove's row. */
  grooveId: z.uuid(),
  bpm: tempoShape,
  click: clickPlanShape,
  task: taskShape,
  swing: feelShape.optional(),
  /** The bars that go round; all of them when left out. */
  bars: z.strictObject({ first: bar, last: bar }).optional(),
  /** Of what is read at sight: what the line is drawn from, so that both read the same. */
  seed: z.number().int().min(0).max(MOST_SEED).optional(),
});
/** What a teacher has open in a lesson, as the student's device follows it: strip, tempo, click. */
export type LessonScreen = z.infer<typeof screenShape>;

export const readLessonScreen = (json: unknown): Result<LessonScreen> =>
  readVersioned(json, { name: 'screen of a lesson', version: 1, shape: screenShape });

/** Strokes that are told of at once. */
export const MOST_BEADS_TOLD = 24;

const beadShape = z.strictObject({
  limb: z.enum(LIMBS),
  bar,
  round: z.number().int().min(0).max(MOST_ROUNDS),
  /** Where in the bar it is drawn, in percent of its length. */
  percent: z.number().min(-50).max(200),
  kind: z.enum(['near', 'early', 'late', 'missed', 'extra']),
  title: z.string().max(60),
});
/** A stroke as it fell on a student's device, for the teacher's strip. */
export type ToldBead = z.infer<typeof beadShape>;

const toldShape = z.discriminatedUnion('tells', [
  z.strictObject({
    tells: z.literal('beads'),
    grooveId: z.uuid(),
    beads: z.array(beadShape).min(1).max(MOST_BEADS_TOLD),
  }),
  /** A take has begun, or ended and is kept under its id. */
  z.strictObject({ tells: z.literal('begun'), grooveId: z.uuid() }),
  z.strictObject({ tells: z.literal('ended'), grooveId: z.uuid(), take: z.uuid().optional() }),
]);
/** What a student's device tells while it is played in a lesson. */
export type Told = z.infer<typeof toldShape>;
export { toldShape };
