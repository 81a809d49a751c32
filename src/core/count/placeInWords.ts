import type { Groove } from '../documents/groove';
import { slotAt, slotsOfBar } from '../grid/cells';
import { equal, format, type WholeNotes } from '../time/fraction';
import { countsOf } from '../grid/meter';
import { syllable, type School } from './schools';

/**
 * A place of a groove as it is said: "count 2", "the e of 3", and with several bars "the e of 3 in bar 2".
 * A slot without a syllable is said by its number: "slot 2 of 3".
 */
export function placeInWords(groove: Groove, bar: number, written: WholeNotes, school: School): string {
  const one = groove.bars[bar]!;
  const slot = slotAt(slotsOfBar(one.meter, groove.reading, one.cells), written);
  const inBar = groove.bars.length > 1 ? ` in bar ${bar + 1}` : '';
  if (!slot) return `${format(written)}${inBar}`;
  if (slot.part === 0) return `count ${slot.count}${inBar}`;
  const said = syllable(school, slot.cell.parts, slot.part);
  return `${said ? `the ${said}` : `slot ${slot.part + 1}`} of ${slot.count}${inBar}`;
}

/** Whether a place is one of the numbered counts of its bar. */
export function isOnCount(groove: Groove, bar: number, written: WholeNotes): boolean {
  return countsOf(groove.bars[bar]!.meter, groove.reading).some((count) => equal(count.at, written));
}
