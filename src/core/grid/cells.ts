import { add, compare, div, equal, format, frac, mul, sum, type WholeNotes } from '../time/fraction';
import { countsOf, type Count, type Meter, type Reading } from './meter';

/**
 * A stretch of whole counts divided into equal parts. One count in four is 16ths; two counts in
 * three are quarter-note triplets. The cells of a bar follow one another and fill it.
 */
export interface Cell {
  counts: number;
  parts: number;
}

/** A place the grid offers. `count` is the number its cell starts on, `part` how many slots after it. */
export interface Slot {
  at: WholeNotes;
  length: WholeNotes;
  count: number;
  part: number;
  cell: Cell;
}

/** One division for all counts, or one for each, as cells. Throws when there is not one for each count. */
export function cellsOfDivisions(meter: Meter, reading: Reading, grid: number | number[] | Cell[]): Cell[] {
  const counts = countsOf(meter, reading).length;
  if (typeof grid === 'number') return Array.from({ length: counts }, () => ({ counts: 1, parts: grid }));
  const cells = grid.map((entry) => (typeof entry === 'number' ? { counts: 1, parts: entry } : entry));
  if (cells.reduce((total, cell) => total + cell.counts, 0) !== counts) {
    throw new RangeError(`The cells must fill ${counts} counts`);
  }
  return cells;
}

/** A cell with the counts it covers. */
export interface PlacedCell {
  cell: Cell;
  /** Index of its first count in the bar. */
  first: number;
  counts: readonly Count[];
}

/** The cells of a bar with the counts each covers, in order. The one place that walks them. */
export function placedCells(meter: Meter, reading: Reading, cells: readonly Cell[]): PlacedCell[] {
  const counts = countsOf(meter, reading);
  let next = 0;
  return cells.map((cell) => {
    const first = next;
    next += cell.counts;
    return { cell, first, counts: counts.slice(first, next) };
  });
}

/** The cell a place of a bar falls in. */
export const cellAt = (meter: Meter, reading: Reading, cells: readonly Cell[], at: WholeNotes): Cell =>
  placedCells(meter, reading, cells).findLast(({ counts }) => compare(counts[0]!.at, at) <= 0)!.cell;

/** The slots of the cells asked about lately: an edit of strokes leaves the cells of its bar the same object. */
const known = new WeakMap<readonly Cell[], { meter: Meter; reading: Reading; slots: readonly Slot[] }>();

/** Every slot of one bar, in playing order. */
export function slotsOfBar(meter: Meter, reading: Reading, cells: readonly Cell[]): readonly Slot[] {
  const before = known.get(cells);
  if (before && before.reading === reading && before.meter.beats === meter.beats && before.meter.unit === meter.unit)
    return before.slots;
  const slots = placedCells(meter, reading, cells).flatMap(({ cell, counts }) => {
    const start = counts[0]!;
    const length = div(sum(counts.map((count) => count.length)), frac(cell.parts));
    return Array.from({ length: cell.parts }, (_, part): Slot => ({
      at: add(start.at, mul(length, frac(part))),
      length,
      count: start.number,
      part,
      cell,
    }));
  });
  known.set(cells, { meter, reading, slots });
  return slots;
}

export function slotAt(slots: readonly Slot[], at: WholeNotes): Slot | undefined {
  return slots.find((slot) => equal(slot.at, at));
}

/** Triplets, sextuplets and tuplets over several counts are already where they belong: swing leaves them. */
export const isSwingable = ({ counts, parts }: Cell): boolean => counts === 1 && parts !== 3 && parts !== 6;

/** The grid in words: "16ths" would depend on the unit, so parts of a count are named. */
export function gridInWords(cells: readonly Cell[]): string {
  const parts = [
    ...new Set(cells.map((cell) => (cell.counts === 1 ? `${cell.parts}` : `${cell.parts} over ${cell.counts}`))),
  ];
  return parts.length === 1 ? `${parts[0]} to a count` : `${parts.join(', ')} to a count`;
}

/** Where the slots are, said for a message: "0, 1/16, 1/8, 3/16 …". */
export function nearestSlots(slots: readonly Slot[], at: WholeNotes): string {
  const place = at.n / at.d;
  const before = slots.filter((slot) => slot.at.n / slot.at.d < place).at(-1);
  const after = slots.find((slot) => slot.at.n / slot.at.d > place);
  return [before, after].flatMap((slot) => (slot ? [format(slot.at)] : [])).join(' or ');
}
