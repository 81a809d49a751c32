import type { Form } from '../form/form';
import { barLength, countsIn, countsOf, cutOff } from '../grid/meter';
import type { Bar } from '../groove/groove';
import { less, type WholeNotes } from '../time/fraction';
import type { ClickedBar } from './clicks';

/** A bar that is counted in, and how much of it: the last one breaks off where a pick-up begins. */
export interface CountedInBar extends ClickedBar {
  length: WholeNotes;
  /** How many counts lie in it. */
  counts: number;
}

/**
 * The bars counted in: like the first, or before a pick-up whole ones of the bar it ends, and what it leaves of one.
 */
export function countedIn({ bars, countIn }: Pick<Form, 'bars' | 'countIn'>): CountedInBar[] {
  const [{ bar, reading }] = bars as [(typeof bars)[number]];
  const whole: ClickedBar = bar.endOf ? wholeOf(bar.endOf, reading) : { meter: bar.meter, cells: bar.cells, reading };
  return Array.from({ length: countIn }, (_, index) => {
    const isCut = bar.endOf !== undefined && index === countIn - 1;
    const length = isCut ? cutOff(bar) : barLength(whole.meter);
    return { ...whole, length, counts: countsOf(whole.meter, reading).filter(({ at }) => less(at, length)).length };
  });
}

const wholeOf = (meter: NonNullable<Bar['endOf']>, reading: ClickedBar['reading']): ClickedBar => ({
  meter,
  reading,
  cells: countsIn({ meter }, reading).map(() => ({ counts: 1, parts: 1 })),
});
