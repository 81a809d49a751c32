import { z } from 'zod';
import { LIMBS } from '../groove/limbs';
import { FASTEST, MOST_TITLE, SLOWEST } from '../limits';
import { parse, type WholeNotes } from '../time/fraction';

/** Half a surrogate pair, a NUL or another control character: what no database keeps and no screen shows. */
const UNWRITABLE =
  /[\0-\x08\x0b\x0c\x0e-\x1f\x7f]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;
/** Marks that turn the direction of whatever stands beside a text. */
const TURNING = /[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]/g;
/** Text of which something can be seen; the fillers are letters that nobody sees. */
const VISIBLE = /[^\s\p{Cf}\u115f\u1160\u2800\u3164\uffa0]/u;

/** A text as it is kept: in one form, blanks at both ends cut off, without marks that turn what stands beside it. */
function kept(text: string): string {
  const clean = text.normalize('NFC').replace(TURNING, '').trim();
  return VISIBLE.test(clean) || UNWRITABLE.test(clean) ? clean : '';
}

/** Words written by a person: the one shape of every text. */
export const textShape = (most: number) =>
  z
    .string()
    .overwrite(kept)
    .max(most, `At most ${most} characters.`)
    .refine((value) => !UNWRITABLE.test(value), 'It holds characters that cannot be written. Type it again.');

/** What is looked for by its name: what cannot be written is left out, since nothing bears it. */
export const searchedIn = (typed: unknown, most: number): string =>
  typeof typed === 'string' ? kept(typed.slice(0, most).replace(new RegExp(UNWRITABLE, 'g'), '')) : '';

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
