import { ZERO, type WholeNotes } from '../time/fraction';
import { countAt, type CountedMeter, type Meter, type Reading } from '../grid/meter';
import { cellsOfDivisions, slotsOfBar, type Cell } from '../grid/cells';
import { syllable, type School } from './schools';

/** What is said on one slot; `count` is set on the numbers only. */
export interface Label {
  at: WholeNotes;
  say: string;
  count?: number;
}

/**
 * What is said on every slot of one bar, in playing order.
 * `grid` is one division for every count, a division for each count, or the bar's own cells.
 */
export function labels(meter: Meter, reading: Reading, grid: number | number[] | Cell[], school: School): Label[] {
  return slotsOfBar(meter, reading, cellsOfDivisions(meter, reading, grid)).map(({ at, count, part, cell }) =>
    part === 0 ? { at, say: String(count), count } : { at, say: syllable(school, cell.parts, part) },
  );
}

/** What is said on every slot of a bar; of a pick-up as in the bar it ends. */
export function labelsOf(bar: CountedMeter & { cells: readonly Cell[] }, reading: Reading, school: School): Label[] {
  const all = labels(bar.meter, reading, [...bar.cells], school);
  if (!bar.endOf) return all;
  // Where it begins between counts its slots are parts of those, and no longer of its own.
  const isOnCounts = countAt(bar, reading, ZERO).after.n === 0;
  return all.map(({ at, say }) => {
    const { count, after } = countAt(bar, reading, at);
    if (after.n === 0) return { at, say: String(count), count };
    return { at, say: isOnCounts ? say : syllable(school, after.d, after.n) };
  });
}
