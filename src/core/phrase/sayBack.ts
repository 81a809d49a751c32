import type { Place } from '../groove/edit';
import type { Groove, Stroke } from '../groove/groove';
import { LIMBS } from '../groove/limbs';
import { compare, equal, format } from '../time/fraction';
import { sayPlace } from '../counting/sayPlace';
import type { School } from '../counting/schools';

/**
 * How some places stand, in plain words that are read to the same again: "right foot kick, tap: 1, & of 2; no left foot
 * on 3". `before` is the groove it is said to: what lost its ornament is said to be plain.
 */
export function sayBack(before: Groove, after: Groove, places: readonly Place[], school: School): string {
  const inBars = new Map<number, Place[]>();
  const isThere = (place: Place) => strokeAt(before, place) ?? strokeAt(after, place);
  for (const place of places.filter(isThere)) inBars.set(place.bar, [...(inBars.get(place.bar) ?? []), place]);
  const isLong = after.bars.length > 1;
  return [...inBars]
    .sort(([one], [other]) => one - other)
    .map(([bar, here]) => `${isLong ? `bar ${bar + 1}: ` : ''}${barBack(before, after, bar, here, school)}`)
    .join('; ');
}

function barBack(before: Groove, after: Groove, bar: number, places: readonly Place[], school: School): string {
  const lines = new Map<string, Place[]>();
  for (const place of places.toSorted((a, b) => LIMBS.indexOf(a.limb) - LIMBS.indexOf(b.limb) || compare(a.at, b.at))) {
    const key = headOf(strokeAt(before, place), strokeAt(after, place), place);
    lines.set(key, [...(lines.get(key) ?? []), place]);
  }
  const { meter, cells } = after.bars[bar]!;
  return [...lines]
    .map(([head, all]) => {
      const said = all.map(({ at }) => sayPlace({ meter, cells, reading: after.reading }, at, school) ?? format(at));
      return `${head}${said.join(', ')}`;
    })
    .join('; ');
}

function headOf(before: Stroke | undefined, after: Stroke | undefined, { limb }: Place): string {
  if (!after) return `no ${limb} on `;
  const isPlain = before?.ornament && !after.ornament;
  return `${[`${limb} ${after.surface}`, after.height, after.ornament, isPlain && 'plain'].filter(Boolean).join(', ')}: `;
}

export const strokeAt = (groove: Groove, { bar, limb, at }: Place): Stroke | undefined =>
  groove.bars[bar]!.strokes.find((stroke) => stroke.limb === limb && equal(stroke.at, at));
