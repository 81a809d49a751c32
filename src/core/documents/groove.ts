import { z } from 'zod';
import { gridInWords, nearestSlots, slotAt, slotsOfBar } from '../grid/cells';
import { barLength, countsOf, formatMeter, MOST_BEATS, parseMeter, type Reading } from '../grid/meter';
import type { Bar, Groove, Stroke } from '../groove/groove';
import { HEIGHTS, LIMBS, ORNAMENTS, SURFACES } from '../groove/limbs';
import { MOST_BARS, MOST_LEAN } from '../limits';
import { type Problem, type Result } from '../result';
import { format, less } from '../time/fraction';
import { readVersioned } from './reader';
import { placeShape, swingShape, tempoShape, textShape, titleShape } from './shapes';

const meter = z.strictObject({
  beats: z.number().int().min(1).max(MOST_BEATS),
  unit: z.union([z.literal(2), z.literal(4), z.literal(8), z.literal(16)]),
  grouping: z.array(z.number().int().min(1)).max(MOST_BEATS).optional(),
});

const stroke = z.strictObject({
  limb: z.enum(LIMBS),
  surface: z.enum(SURFACES),
  at: placeShape,
  height: z.enum(HEIGHTS),
  ornament: z.enum(ORNAMENTS).optional(),
});

const bar = z.strictObject({
  meter,
  endOf: meter.optional(),
  cells: z
    .array(z.strictObject({ counts: z.number().int().min(1).max(4), parts: z.number().int().min(1).max(8) }))
    .min(1)
    .max(MOST_BEATS),
  strokes: z.array(stroke).max(4 * 8 * MOST_BEATS),
});

const leanMs = z
  .number()
  .int()
  .min(-MOST_LEAN, `At most ${MOST_LEAN} ms ahead.`)
  .max(MOST_LEAN, `At most ${MOST_LEAN} ms behind.`);

const technique = z.strictObject({
  word: textShape(40).min(1, 'Give the technique a word.'),
  faster: z.strictObject({ above: tempoShape, word: textShape(40).min(1, 'Give the technique a word.') }).optional(),
});

/** The one shape of a groove as it is stored and sent: places are fractions written as text. */
export const grooveShape = z.strictObject({
  version: z.literal(1),
  title: titleShape,
  reading: z.enum(['numbers', 'pulse']),
  tempo: tempoShape,
  swing: swingShape.optional(),
  lean: z.partialRecord(z.enum(LIMBS), leanMs).optional(),
  technique: z.partialRecord(z.enum(LIMBS), technique).optional(),
  bars: z.array(bar).min(1, 'A groove has at least one bar.').max(MOST_BARS, `At most ${MOST_BARS} bars.`),
});

/** A groove as JSON. */
export type GrooveJson = z.input<typeof grooveShape>;

/**
 * Reads a groove from JSON. Problems name the place: a wrong shape, an unknown version, cells that do
 * not fill their bar, a stroke off its grid, two strokes of one limb on one slot.
 */
export function readGroove(json: unknown): Result<Groove> {
  const read: Result<Groove> = readVersioned(json, { name: 'groove', version: 1, shape: grooveShape });
  if (!read.ok) return read;
  const problems = read.value.bars.flatMap((one, index) => barProblems(one, index, read.value.reading));
  return problems.length ? { ok: false, problems } : read;
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
  if (one.endOf && !less(barLength(one.meter), barLength(one.endOf)))
    return [
      {
        code: 'no-pick-up',
        path: [...path, 'endOf'],
        where,
        say: `A bar of ${formatMeter(one.meter)} is not the end of one of ${formatMeter(one.endOf)}.`,
        remedy: 'Let a pick-up be shorter than its bar.',
      },
    ];
  const counts = countsOf(one.meter, reading).length;
  const filled = one.cells.reduce((total, cell) => total + cell.counts, 0);
  if (filled !== counts) {
    return [
      {
        code: 'grid-not-filled',
        numbers: { filled, counts },
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
          code: 'no-slot',
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
        code: 'limb-twice',
        ...here,
        say: `One limb cannot strike twice on one slot: ${other.surface} and ${each.surface}.`,
        remedy: 'Give one of them to another limb, or take it out.',
      },
    ];
  });
}
