import type { WholeNotes } from '../time/fraction';
import type { Meter, Reading } from '../grid/meter';
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
