import { slotsOfBar } from '../grid/cells';
import { equal, type WholeNotes } from '../time/fraction';
import { syllable, type School } from './schools';
import type { SpokenBar } from './spoken';

/** a, ah and uh are one syllable, so are e and ee, & and and. */
const SAME: Record<string, string> = { ah: 'a', uh: 'a', ee: 'e', and: '&', '+': '&' };
const plain = (text: string) => SAME[text.toLowerCase()] ?? text.toLowerCase();
export const sameSyllable = (one: string, other: string) => one !== '' && plain(one) === plain(other);

/** The words for a place that `readSpoken` reads back to it alone, in this school. */
export function sayPlace({ meter, reading, cells }: SpokenBar, at: WholeNotes, school: School): string | undefined {
  const slots = slotsOfBar(meter, reading, cells);
  const slot = slots.find((one) => equal(one.at, at));
  if (!slot) return undefined;
  if (slot.part === 0) return `${slot.count}`;
  const said = syllable(school, slot.cell.parts, slot.part);
  if (!said) return `slot ${slot.part + 1} of ${slot.count}`;
  const same = slots.filter(
    (one) => one.count === slot.count && one.part > 0 && sameSyllable(syllable(school, one.cell.parts, one.part), said),
  );
  const ordinal = same.length > 1 ? `${['first', 'second', 'third', 'fourth'][same.indexOf(slot)]} ` : '';
  return `${ordinal}${said} of ${slot.count}`;
}
