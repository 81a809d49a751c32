import { z } from 'zod';
import { meterInWords, parseMeter, type Meter } from '../grid/meter';
import { LEVELS, LONGEST_LOOK_S, MOST_READ_BARS } from '../limits';
import { ok, sentence, type Result } from '../result';
import { readVersioned } from './reader';

const SIGHT_PLAN_VERSION = 1;

/** What is read: a line of strokes, or a short chart with its hits. */
export const READ_KINDS = ['line', 'chart'] as const;
export type ReadKind = (typeof READ_KINDS)[number];

/** Into what the counts of what is read may be divided. */
export const READ_VALUES = ['quarters', '8ths', 'triplets', '16ths', 'sextuplets'] as const;
export type ReadValue = (typeof READ_VALUES)[number];

const meterShape = z
  .string()
  .max(40)
  .transform((text, context): Meter => {
    const read = parseMeter(text);
    if (read.ok) return read.value;
    context.addIssue({ code: 'custom', message: sentence(read.problems[0]!) });
    return z.NEVER;
  });

const planShape = z.strictObject({
  version: z.literal(SIGHT_PLAN_VERSION),
  kind: z.enum(READ_KINDS),
  level: z.enum(LEVELS),
  values: z
    .array(z.enum(READ_VALUES))
    .min(1, 'Choose at least one value.')
    .refine((values) => new Set(values).size === values.length, 'Each value once.'),
  meter: meterShape,
  bars: z.number().int().min(1).max(MOST_READ_BARS),
  lookS: z.number().int().min(0).max(LONGEST_LOOK_S),
});

/**
 * What somebody reads at sight: never the same line twice, drawn anew from its seed each time. `bars` are those
 * written, `lookS` the seconds one may look before it is played.
 */
export type SightPlan = Omit<z.infer<typeof planShape>, 'version'>;

export type SightPlanJson = z.input<typeof planShape>;

/** Reads a plan from what is kept of it, or from what a form sent. */
export function readSightPlan(json: unknown): Result<SightPlan> {
  const read = readVersioned(json, {
    name: 'plan for reading at sight',
    version: SIGHT_PLAN_VERSION,
    shape: planShape,
  });
  if (!read.ok) return read;
  const { version: _, ...plan } = read.value;
  return ok(plan);
}

export const writeSightPlan = ({ meter, ...plan }: SightPlan): SightPlanJson => ({
  version: SIGHT_PLAN_VERSION,
  ...plan,
  meter: meterInWords(meter),
});
