import { usualSurface } from './kit';
import { fail, ok, type Problem, type Result } from '../result';
import { add, compare, equal, format, less, type WholeNotes } from '../time/fraction';
import { barLength, barStarts, countsOf, type Meter } from '../grid/meter';
import { MOST_BARS } from '../limits';
import { type Bar, type Groove, type Stroke } from './groove';
import { cellsOfDivisions, placedCells, slotsOfBar, type Cell } from '../grid/cells';
import { HEIGHTS, type Height, type Limb, type Ornament } from './limbs';

/** A slot of a limb's lane. */
export interface Place {
  bar: number;
  limb: Limb;
  at: WholeNotes;
}

// Every edit gives a new groove and leaves the old one as it was; a place that is not on the grid is a
// programmer's mistake and throws.

function changeBar(groove: Groove, bar: number, change: (one: Bar) => Bar): Groove {
  const one = groove.bars[bar];
  if (!one) throw new RangeError(`There is no bar ${bar + 1}`);
  return { ...groove, bars: groove.bars.map((each, index) => (index === bar ? change(one) : each)) };
}

const isAt = (place: Place) => (stroke: Stroke) => stroke.limb === place.limb && equal(stroke.at, place.at);

/** Puts a stroke on a slot; one that is there already takes on what is given. */
export function placeStroke(
  groove: Groove,
  place: Place,
  given: { surface?: Stroke['surface']; height?: Height; ornament?: Ornament } = {},
): Groove {
  return changeBar(groove, place.bar, (bar) => {
    if (!slotsOfBar(bar.meter, groove.reading, bar.cells).some((slot) => equal(slot.at, place.at))) {
      throw new RangeError(`${format(place.at)} is no slot of bar ${place.bar + 1}`);
    }
    const before = bar.strokes.find(isAt(place));
    const ornament = given.ornament ?? before?.ornament;
    const stroke: Stroke = {
      limb: place.limb,
      at: place.at,
      surface: given.surface ?? before?.surface ?? usualSurface(groove, place.limb),
      height: given.height ?? before?.height ?? 'tap',
      ...(ornament && { ornament }),
    };
    return {
      ...bar,
      strokes: [...bar.strokes.filter((other) => !isAt(place)(other)), stroke].sort((a, b) => compare(a.at, b.at)),
    };
  });
}

export const removeStroke = (groove: Groove, place: Place): Groove =>
  changeBar(groove, place.bar, (bar) => ({ ...bar, strokes: bar.strokes.filter((stroke) => !isAt(place)(stroke)) }));

/** Raises (+1) or lowers (−1) a stroke by a height; at the end of the scale, or without a stroke, nothing changes. */
export function moveHeight(groove: Groove, place: Place, by: 1 | -1): Groove {
  return changeStroke(groove, place, (stroke) => ({
    ...stroke,
    height: HEIGHTS[HEIGHTS.indexOf(stroke.height) + by] ?? stroke.height,
  }));
}

/** Gives a stroke an ornament, or takes it away. */
export function setOrnament(groove: Groove, place: Place, ornament: Ornament | undefined): Groove {
  return changeStroke(groove, place, ({ ornament: _, ...stroke }) => (ornament ? { ...stroke, ornament } : stroke));
}

export const setSurface = (groove: Groove, place: Place, surface: Stroke['surface']): Groove =>
  changeStroke(groove, place, (stroke) => ({ ...stroke, surface }));

function changeStroke(groove: Groove, place: Place, change: (stroke: Stroke) => Stroke): Groove {
  return changeBar(groove, place.bar, (bar) => ({
    ...bar,
    strokes: bar.strokes.map((stroke) => (isAt(place)(stroke) ? change(stroke) : stroke)),
  }));
}

/** A groove after a change of grid, and the strokes the new grid could not hold. */
export interface Regridded {
  groove: Groove;
  lost: (Stroke & { bar: number })[];
}

/**
 * Divides one count (by its number) into `parts`. Strokes keep their time where the new grid has it; `lost`
 * names those it cannot hold, so that a person can be asked before anything changes. A tuplet over several
 * counts is first parted into its counts.
 */
export const setDivision = (groove: Groove, bar: number, count: number, parts: number): Regridded =>
  divided(groove, bar, (number) => number === count, parts);

/** Divides every count that a stretch of the groove touches into `parts`, as `setDivision` does one. */
export function setDivisions(
  groove: Groove,
  { from, to }: { from: WholeNotes; to: WholeNotes },
  parts: number,
): Regridded {
  const starts = barStarts(groove.bars.map(({ meter }) => barLength(meter)));
  return groove.bars.reduce<Regridded>(
    (before, bar, index) => {
      const touched = countsOf(bar.meter, groove.reading).filter(({ at, length }) => {
        const start = add(starts[index]!, at);
        return less(start, to) && less(from, add(start, length));
      });
      if (!touched.length) return before;
      const next = divided(before.groove, index, (number) => touched.some((one) => one.number === number), parts);
      return { groove: next.groove, lost: [...before.lost, ...next.lost] };
    },
    { groove, lost: [] },
  );
}

function divided(groove: Groove, bar: number, isWanted: (count: number) => boolean, parts: number): Regridded {
  const one = groove.bars[bar]!;
  const cells = placedCells(one.meter, groove.reading, one.cells).flatMap(({ cell, counts }) => {
    if (!counts.some(({ number }) => isWanted(number))) return [cell];
    return counts.map(({ number }) => ({ counts: 1, parts: isWanted(number) ? parts : 1 }));
  });
  return regrid(groove, bar, one.meter, cells);
}

/** Lays a tuplet of `parts` over `counts` counts from a count on; the counts it covers lose their own grid. */
export function setTuplet(
  groove: Groove,
  bar: number,
  count: number,
  counts: number,
  parts: number,
): Result<Regridded> {
  const one = groove.bars[bar]!;
  const all = countsOf(one.meter, groove.reading).length;
  const path = ['bars', bar, 'cells'];
  if (count - 1 + counts > all) {
    return fail({
      code: 'past-bar-line',
      numbers: { counts },
      path,
      where: `bar ${bar + 1}, count ${count}`,
      say: `A tuplet over ${counts} counts reaches past the bar line.`,
      remedy: `Start it on count ${Math.max(1, all - counts + 1)} or before.`,
    });
  }
  const before: Cell[] = [];
  const after: Cell[] = [];
  for (const { cell, counts: covered } of placedCells(one.meter, groove.reading, one.cells)) {
    const [first, last] = [covered[0]!.number, covered.at(-1)!.number];
    if (last < count) before.push(cell);
    else if (first >= count + counts) after.push(cell);
    else if (first < count || last >= count + counts) {
      return fail({
        code: 'tuplet-across',
        numbers: { first },
        path,
        where: `bar ${bar + 1}, count ${first}`,
        say: 'Another tuplet lies across its edge.',
        remedy: `Divide count ${first} by itself first.`,
      });
    }
  }
  return ok(regrid(groove, bar, one.meter, [...before, { counts, parts }, ...after]));
}

/** Gives a bar another meter; counts that stay keep their grid, new ones take that of the last. */
export function setMeter(groove: Groove, bar: number, meter: Meter): Regridded {
  const one = groove.bars[bar]!;
  const wanted = countsOf(meter, groove.reading).length;
  const cells: Cell[] = [];
  let filled = 0;
  for (const cell of one.cells) {
    if (filled + cell.counts > wanted) break;
    cells.push(cell);
    filled += cell.counts;
  }
  const parts = cells.findLast((cell) => cell.counts === 1)?.parts ?? 2;
  const last =
    one.meter.unit === meter.unit ? parts : Math.max(1, Math.min(8, Math.round((parts * one.meter.unit) / meter.unit)));
  if (one.meter.unit !== meter.unit) return regrid(groove, bar, meter, cellsOfDivisions(meter, groove.reading, last));
  return regrid(groove, bar, meter, [
    ...cells,
    ...Array.from({ length: wanted - filled }, () => ({ counts: 1, parts: last })),
  ]);
}

function regrid(groove: Groove, bar: number, meter: Meter, cells: Cell[]): Regridded {
  const one = groove.bars[bar]!;
  const slots = slotsOfBar(meter, groove.reading, cells);
  const fits = (stroke: Stroke) => slots.some((slot) => equal(slot.at, stroke.at));
  return {
    groove: changeBar(groove, bar, () => ({ meter, cells, strokes: one.strokes.filter(fits) })),
    lost: one.strokes.filter((stroke) => !fits(stroke)).map((stroke) => ({ ...stroke, bar })),
  };
}

const fullProblem = (): Problem => ({
  code: 'too-many-bars',
  numbers: { most: MOST_BARS },
  path: ['bars'],
  where: 'bars',
  say: `A groove has at most ${MOST_BARS} bars.`,
  remedy: 'Delete one first, or start another groove.',
});

/** Puts an empty bar behind bar `after` (−1: in front), with the grid of its neighbour. */
export function insertBar(groove: Groove, after: number): Result<Groove> {
  const like = groove.bars[Math.max(0, after)]!;
  return withBar(groove, after, { ...like, strokes: [] });
}

/** Puts a copy of a bar right behind it. */
export const copyBar = (groove: Groove, bar: number): Result<Groove> => withBar(groove, bar, groove.bars[bar]!);

function withBar(groove: Groove, after: number, bar: Bar): Result<Groove> {
  if (groove.bars.length >= MOST_BARS) return fail(fullProblem());
  return ok({ ...groove, bars: groove.bars.toSpliced(after + 1, 0, bar) });
}

/** Takes a bar out; the last one cannot be. */
export function deleteBar(groove: Groove, bar: number): Result<Groove> {
  if (groove.bars.length === 1)
    return fail({
      code: 'last-bar',
      path: ['bars', 0],
      where: 'bar 1',
      say: 'A groove has at least one bar.',
      remedy: 'Take its strokes out instead.',
    });
  return ok({ ...groove, bars: groove.bars.toSpliced(bar, 1) });
}
