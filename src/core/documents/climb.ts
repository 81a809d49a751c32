import { z } from 'zod';
import { fail, ok, problemsOf, type Result } from '../result';
import { readVersioned } from './reader';
import { tempoShape } from './shapes';

const someTakes = z
  .number({ error: 'Write a whole number, 1 to 10.' })
  .int('Whole takes, please.')
  .min(1, 'At least 1.')
  .max(10, 'At most 10.');

/** The loudnesses a rung is played at, one after another, before the next tempo. */
export const LOUDNESSES = ['soft', 'middle', 'loud'] as const;
export type Loudness = (typeof LOUDNESSES)[number];

/** How a tempo is climbed. A rung is one tempo; what is played on it is one take. */
export const ladderShape = z.strictObject({
  start: tempoShape,
  goal: tempoShape,
  /** From rung to rung; the last step is as long as is left. */
  step: z
    .number({ error: 'Write a step from 1 to 40.' })
    .min(1, 'At least 1.')
    .max(40, 'At most 40: small steps hurt nobody.'),
  /** How long a take on a rung is. */
  length: z.discriminatedUnion('unit', [
    z.strictObject({
      unit: z.literal('bars'),
      many: z
        .number({ error: 'Write a number of bars, 1 to 64.' })
        .int('Whole bars, please.')
        .min(1, 'At least 1 bar.')
        .max(64, 'At most 64 bars.'),
    }),
    z.strictObject({
      unit: z.literal('minutes'),
      many: z
        .number({ error: 'Write minutes from 0.5 to 5.' })
        .min(0.5, 'At least half a minute.')
        .max(5, 'At most 5 minutes.'),
    }),
  ]),
  /** `takes`: clean ones in a row to climb, others in a row to fall back; `hand`: nobody but the player climbs. */
  rule: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('takes'), climb: someTakes, fall: someTakes }),
    z.strictObject({ by: z.literal('hand') }),
  ]),
  /** Soft, middle, loud on each rung. */
  loudnesses: z.boolean(),
});
export type Ladder = z.infer<typeof ladderShape>;

/** Where somebody stands on a ladder. */
const standingShape = z.strictObject({
  rung: z.number().int().min(0).max(300),
  loudness: z.number().int().min(0).max(2),
  /** Takes in a row at this rung and loudness. */
  clean: z.number().int().min(0).max(10),
  failed: z.number().int().min(0).max(10),
  /** The goal was played as the rule asks. */
  done: z.boolean(),
});
export type Standing = z.infer<typeof standingShape>;

const climbShape = z.strictObject({ version: z.literal(1), ladder: ladderShape, standing: standingShape });
/** A ladder with where one stands on it: what is kept. */
export type Climb = z.infer<typeof climbShape>;

/** A ladder from a form; problems name the field. */
export function readLadder(json: unknown): Result<Ladder> {
  const read = ladderShape.safeParse(json);
  return read.success ? ok(read.data) : fail(...problemsOf(read.error));
}

/** A ladder and where one stands on it, from JSON. */
export const readClimb = (json: unknown): Result<Climb> =>
  readVersioned(json, { name: 'ladder', version: 1, shape: climbShape });
