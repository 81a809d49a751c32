import { z } from 'zod';
import { LIMBS } from '../groove/limbs';
import { FASTEST, MOST_TITLE, SLOWEST } from '../limits';
import { parse, type WholeNotes } from '../time/fraction';

/** Half a surrogate pair, or a NUL: what no database keeps. */
const UNWRITABLE = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** Words written by a person, blanks at both ends cut off. */
export const textShape = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `At most ${most} characters.`)
    .refine((value) => !UNWRITABLE.test(value), 'It holds characters that cannot be written. Type it again.');

/** What a groove is called. */
export const titleShape = textShape(MOST_TITLE).min(1, 'Give the groove a title.');

/** A place in a bar, written as a fraction of a whole note: "3/16". */
export const placeShape = z.string().transform((value, context): WholeNotes => {
  const read = value.length <= 20 ? parse(value) : undefined;
  if (read && read.n >= 0) return read;
  context.addIssue({
    code: 'custom',
    params: { code: 'no-place' },
    message: `"${value.slice(0, 20)}" is not a place in the bar. Write a fraction of a whole note, like 3/16.`,
  });
  return z.NEVER;
});

/** A tempo a person may set, in beats a minute. */
export const tempoShape = z
  .number({ error: `Set a tempo from ${SLOWEST} to ${FASTEST}.` })
  .min(SLOWEST, `The slowest tempo is ${SLOWEST}.`)
  .max(FASTEST, `The fastest tempo is ${FASTEST}.`);

export const swingShape = z.strictObject({
  value: z.enum(['8th', '16th']),
  ratio: z
    .string()
    .max(20)
    .refine(
      (value) => value === 'tempo-aware' || isRatio(value),
      'A swing ratio is long:short from 1 to 4, like 2 or 3/2, or "tempo-aware".',
    ),
});

/** Finer ones are not told apart, and their sums would not stay exact. */
const FINEST_RATIO = 1000;

function isRatio(value: string): boolean {
  const ratio = parse(value);
  return ratio !== undefined && ratio.d <= FINEST_RATIO && ratio.n >= ratio.d && ratio.n <= 4 * ratio.d;
}

/** A groove's own swing, or one set in its place; `straight` switches it off. */
export const feelShape = z.union([swingShape, z.literal('straight')]);

/** The limbs that are to be played. */
export const taskShape = z.array(z.enum(LIMBS)).min(1, 'Keep at least one limb in the task.').max(4);
