import { slotAt, slotsOfBar } from '../grid/cells';
import { countAt, countsOf, type Reading } from '../grid/meter';
import type { Bar, Groove } from '../groove/groove';
import { equal, ZERO, type WholeNotes } from '../time/fraction';
import { syllable, type School } from './schools';

/**
 * A place as it is counted: the number it belongs to, how many slots after it, in a grid of `parts` over `counts`
 * counts.
 */
export interface CountedPlace {
  count: number;
  part: number;
  parts: number;
  counts: number;
}

/**
 * The place of a bar as it is counted, of a pick-up as in the bar it ends. Throws where the grid has none: a stroke
 * always lies on its grid.
 */
export function countedPlace(bar: Bar, reading: Reading, written: WholeNotes): CountedPlace {
  const slot = slotAt(slotsOfBar(bar.meter, reading, bar.cells), written);
  if (!slot) throw new RangeError('No slot of the grid lies here');
  const own = { count: slot.count, part: slot.part, parts: slot.cell.parts, counts: slot.cell.counts };
  if (!bar.endOf) return own;
  const { count, after } = countAt(bar, reading, written);
  if (countAt(bar, reading, ZERO).after.n === 0) return { ...own, count };
  return { count, part: after.n, parts: after.d, counts: 1 };
}

/**
 * A counted place as a school says it: "count 2", "the e of 3"; a slot without a syllable by its number: "slot 2 of
 * 3".
 */
export function countedInWords({ count, part, parts }: CountedPlace, school: School): string {
  if (part === 0) return `count ${count}`;
  const said = syllable(school, parts, part);
  return `${said ? `the ${said}` : `slot ${part + 1}`} of ${count}`;
}

/** A place of a groove as it is said: "count 2", and with several bars "the e of 3 in bar 2". */
export function placeInWords(groove: Groove, bar: number, written: WholeNotes, school: School): string {
  const said = countedInWords(countedPlace(groove.bars[bar]!, groove.reading, written), school);
  return groove.bars.length > 1 ? `${said} in bar ${bar + 1}` : said;
}

/** Whether a place is one of the numbered counts of its bar. */
export function isOnCount(groove: Groove, bar: number, written: WholeNotes): boolean {
  return countsOf(groove.bars[bar]!.meter, groove.reading).some((count) => equal(count.at, written));
}
