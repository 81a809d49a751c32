import { countsInWords, barLength, barStarts, formatMeter } from '../grid/meter';
import { beatOf } from '../groove/beat';
import type { Groove } from '../groove/groove';
import { strokesOf } from '../groove/place';
import { less, negate, sub, ZERO } from '../time/fraction';
import { placeInWords } from './placeInWords';
import type { School } from './schools';

/** "It now ends on the & of 3, 1 count later." Empty where its last stroke is where it was, or is counted otherwise. */
export function endMoved(before: Groove, after: Groove, school: School): string {
  const [last, now] = [strokesOf(before).at(-1), strokesOf(after).at(-1)];
  const isCountedAlike =
    before.reading === after.reading && formatMeter(before.bars[0]!.meter) === formatMeter(after.bars[0]!.meter);
  if (!last || !now || !isCountedAlike) return '';
  const moved = sub(now.at, last.at);
  if (!moved.n) return '';
  const starts = barStarts(after.bars.map(({ meter }) => barLength(meter)));
  const bar = starts.findLastIndex((start) => !less(now.at, start));
  const place = placeInWords(after, bar, sub(now.at, starts[bar]!), school);
  const [by, way] = less(moved, ZERO) ? [negate(moved), 'earlier'] : [moved, 'later'];
  return `It now ends on ${place}, ${countsInWords(by, beatOf(after))} ${way}.`;
}
