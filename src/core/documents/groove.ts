import { z } from 'zod';
import { fail, ok, type Problem, type Result } from '../result';
import { equal, format, parse, type WholeNotes } from '../time/fraction';
import { countsOf, formatMeter, MOST_BEATS, parseMeter, type Meter, type Reading } from '../grid/meter';
import { FASTEST, SLOWEST } from '../time/units';
import { gridInWords, nearestSlots, slotAt, slotsOfBar } from '../grid/cells';
import { HEIGHTS, LIMBS, ORNAMENTS, SURFACES } from '../groove/limbs';

/** The version this program writes. A reader of an older one belongs in `MIGRATIONS`. */
export const GROOVE_VERSION = 1;
/** A drill of 32 exercises, each played four times. */
export const MOST_BARS = 128;

/** Half a surrogate pair, or a NUL: what no database keeps. */
const UNWRITABLE = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

const text = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `At most ${most} characters.`)
    .refine((value) => !UNWRITABLE.test(value), 'It holds characters that cannot be written. Type it again.');

const fraction = z.string().transform((value, context): WholeNotes => {
  const read = value.length <= 20 ? parse(value) : undefined;
  if (read && read.n >= 0) return read;
  context.addIssue({
    code: 'custom',
    message: `"${value.slice(0, 20)}" is not a place in the bar. Write a fraction of a whole note, like 3/16.`,
  });
  return z.NEVER;
});

const meter = z.strictObject({
  beats: z.number().int().min(1).max(MOST_BEATS),
  unit: z.union([z.literal(2), z.literal(4), z.literal(8), z.literal(16)]),
  grouping: z.array(z.number().int().min(1)).max(MOST_BEATS).optional(),
});

const stroke = z.strictObject({
  limb: z.enum(LIMBS),
  surface: z.enum(SURFACES),
  at: fraction,
  height: z.enum(HEIGHTS),
  ornament: z.enum(ORNAMENTS).optional(),
});

const bar = z.strictObject({
  meter,
  cells: z
    .array(z.strictObject({ counts: z.number().int().min(1).max(4), parts: z.number().int().min(1).max(8) }))
    .min(1)
    .max(MOST_BEATS),
  strokes: z.array(stroke).max(4 * 8 * MOST_BEATS),
});

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

function isRatio(value: string): boolean {
  const ratio = parse(value);
  return ratio !== undefined && ratio.n >= ratio.d && ratio.n <= 4 * ratio.d;
}

/** The farthest a limb may be laid behind (+) or pushed ahead (−) of the beat, in milliseconds. */
export const MOST_LEAN = 40;
const leanMs = z
  .number()
  .int()
  .min(-MOST_LEAN, `At most ${MOST_LEAN} ms ahead.`)
  .max(MOST_LEAN, `At most ${MOST_LEAN} ms behind.`);

/** A tempo a person may set, in beats a minute. */
export const tempoShape = z
  .number({ error: `Set a tempo from ${SLOWEST} to ${FASTEST}.` })
  .min(SLOWEST, `The slowest tempo is ${SLOWEST}.`)
  .max(FASTEST, `The fastest tempo is ${FASTEST}.`);

/** A word pinned to a limb ("heel down"), and the one that takes its place above a tempo. Never a rule. */
const technique = z.strictObject({
  word: text(40).min(1, 'Give the technique a word.'),
  faster: z.strictObject({ above: tempoShape, word: text(40).min(1, 'Give the technique a word.') }).optional(),
});

/** The one shape of a groove: what is stored, sent and scheduled. Places are fractions written as text in JSON. */
export const grooveShape = z.strictObject({
  version: z.literal(GROOVE_VERSION),
  title: text(120).min(1, 'Give the groove a title.'),
  reading: z.enum(['numbers', 'pulse']),
  tempo: tempoShape,
  swing: swingShape.optional(),
  lean: z.partialRecord(z.enum(LIMBS), leanMs).optional(),
  technique: z.partialRecord(z.enum(LIMBS), technique).optional(),
  bars: z.array(bar).min(1, 'A groove has at least one bar.').max(MOST_BARS, `At most ${MOST_BARS} bars.`),
});

/** A groove as the core works with it: every place already an exact fraction. */
export type Groove = z.output<typeof grooveShape>;
export type Bar = Groove['bars'][number];
export type Stroke = Bar['strokes'][number];
export type Technique = z.output<typeof technique>;
/** A groove as JSON. */
export type GrooveJson = z.input<typeof grooveShape>;

/** Readers of versions before `GROOVE_VERSION`, by the version they read; there has been none. */
const MIGRATIONS: Record<number, (old: unknown) => unknown> = {};

/**
 * Reads a groove from JSON. Problems name the place: a wrong shape, an unknown version, cells that do
 * not fill their bar, a stroke off its grid, two strokes of one limb on one slot.
 */
export function readGroove(json: unknown): Result<Groove> {
  let document = json;
  for (;;) {
    const version = (document as { version?: unknown } | null)?.version;
    if (version === GROOVE_VERSION) break;
    const migrate = typeof version === 'number' ? MIGRATIONS[version] : undefined;
    if (!migrate) return fail(versionProblem(version));
    document = migrate(document);
  }
  const shaped = grooveShape.safeParse(document);
  if (!shaped.success) return fail(...shaped.error.issues.map(shapeProblem));
  const problems = shaped.data.bars.flatMap((one, index) => barProblems(one, index, shaped.data.reading));
  return problems.length ? { ok: false, problems } : ok(shaped.data);
}

/** The JSON of a groove. `readGroove(writeGroove(g))` is g. */
export function writeGroove(groove: Groove): GrooveJson {
  return {
    ...groove,
    bars: groove.bars.map((one) => ({
      ...one,
      strokes: one.strokes.map((each) => ({ ...each, at: format(each.at) })),
    })),
  };
}

function versionProblem(version: unknown): Problem {
  const known = typeof version === 'number' && Number.isInteger(version);
  return {
    path: ['version'],
    where: 'version',
    say: known
      ? `This groove was written as version ${version}; this Mochila reads version ${GROOVE_VERSION}.`
      : 'This is not a groove: it does not say its version.',
    remedy:
      known && version > GROOVE_VERSION
        ? 'Update Mochila, then open it again.'
        : 'Open it in the Mochila that wrote it and save it again there.',
  };
}

function shapeProblem(issue: z.core.$ZodIssue): Problem {
  const path = issue.path.filter((key): key is string | number => typeof key !== 'symbol');
  return {
    path,
    where: path.map((key) => (typeof key === 'number' ? key + 1 : key)).join(' '),
    say: issue.message,
    remedy: '',
  };
}

function barProblems(one: Bar, index: number, reading: Reading): Problem[] {
  const where = `bar ${index + 1}`;
  const path = ['bars', index];
  const grouped = one.meter.grouping
    ? parseMeter(`${formatMeter(one.meter)} (${one.meter.grouping.join('+')})`)
    : undefined;
  if (grouped?.ok === false)
    return grouped.problems.map((each) => ({
      ...each,
      path: [...path, 'meter', 'grouping'],
      where: `${where}, grouping ${each.where}`,
    }));
  const counts = countsOf(one.meter, reading).length;
  const filled = one.cells.reduce((total, cell) => total + cell.counts, 0);
  if (filled !== counts) {
    return [
      {
        path: [...path, 'cells'],
        where,
        say: `The grid covers ${filled} counts, the bar has ${counts}.`,
        remedy: 'Give each count its division.',
      },
    ];
  }
  return strokeProblems(one, path, where, reading);
}

function strokeProblems(one: Bar, path: (string | number)[], where: string, reading: Reading): Problem[] {
  const slots = slotsOfBar(one.meter, reading, one.cells);
  const taken = new Map<string, Stroke>();
  return one.strokes.flatMap((each, index) => {
    const here = { path: [...path, 'strokes', index], where: `${where}, ${each.limb}, ${format(each.at)}` };
    if (!slotAt(slots, each.at)) {
      const near = nearestSlots(slots, each.at);
      return [
        {
          ...here,
          say: `There is no slot here: the grid has ${gridInWords(one.cells)}.`,
          remedy: near && `Place it at ${near}, or divide the count further.`,
        },
      ];
    }
    const key = `${each.limb} ${format(each.at)}`;
    const other = taken.get(key);
    taken.set(key, each);
    if (!other) return [];
    return [
      {
        ...here,
        say: `One limb cannot strike twice on one slot: ${other.surface} and ${each.surface}.`,
        remedy: 'Give one of them to another limb, or take it out.',
      },
    ];
  });
}

/** The stroke of a limb on a slot of a bar, if there is one. */
export function strokeAt(one: Bar, limb: Stroke['limb'], at: WholeNotes): Stroke | undefined {
  return one.strokes.find((each) => each.limb === limb && equal(each.at, at));
}

/** The meters of a groove in words: "4/4", or "4/4, 7/8" when they change. */
export function metersInWords(groove: { bars: { meter: Meter }[] }): string {
  return [...new Set(groove.bars.map((one) => formatMeter(one.meter)))].join(', ');
}
