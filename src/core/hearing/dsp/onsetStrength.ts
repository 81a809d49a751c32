import { WIDE_BANDS, type Powers } from './bands';
import type { NoiseFloor } from './noiseFloor';

/** How much of the floor is added in each band, and how much each says: low bands rise slowly and say less. */
const FLOOR_SHARE = [2, 2, 1.5, 1, 1];
const WEIGHT = [0.6, 0.7, 0.9, 1, 1];
/** A band's rise counts no more than this: one band alone is not a stroke. */
const MOST_RISE = 2.5;
/** The rise is of the mean of so many hops… */
const AFTER = 3;
/** …over the largest such mean of these before it, by band: low ones take longer to rise. */
const BEFORE = [16, 16, 11, 9, 7];

/** What may be left of the click counts as floor, as many times over. */
const LEFT_SHARE = 3;
/** How far over its floor noise may be at the beginning. */
const START = 3;

/**
 * How much what is heard rises at each hop over all of the last hundredth of a second, in natural logarithms summed
 * over the bands. It is the most recent maximum that is risen above, not a mean: what dies away unevenly rises above
 * its own mean all the time. From hop `from` on, into an array that may hold what went before.
 */
export function onsetStrength(
  { hops, wide, left }: Powers,
  floor: NoiseFloor,
  from = 1,
  into = new Float32Array(hops),
): Float32Array {
  const start = Math.max(0, from - Math.max(...BEFORE));
  const means = new Float32Array(hops - start);
  into.fill(0, from, hops);
  for (let band = 0; band < WIDE_BANDS; band++) {
    for (let hop = start; hop + AFTER <= hops; hop++)
      means[hop - start] =
        (wide[hop * WIDE_BANDS + band]! + wide[(hop + 1) * WIDE_BANDS + band]! + wide[(hop + 2) * WIDE_BANDS + band]!) /
        AFTER;
    const reach = BEFORE[band]!;
    for (let hop = Math.max(1, from); hop + AFTER <= hops; hop++) {
      // Before a recording begins it was as noisy as later, for all that is known.
      let most = hop < reach ? START * floor.at(hop)[band]! : 0;
      // The three hops from here are none of those before.
      for (let before = Math.max(start, hop - reach); before <= hop - AFTER; before++)
        if (means[before - start]! > most) most = means[before - start]!;
      const click = left
        ? LEFT_SHARE * Math.max(left.wide[hop * WIDE_BANDS + band]!, left.wide[(hop + 2) * WIDE_BANDS + band]!)
        : 0;
      const quiet = FLOOR_SHARE[band]! * floor.at(hop)[band]! + click;
      const rise = Math.log((means[hop - start]! + quiet) / (most + quiet));
      if (rise > 0) into[hop]! += WEIGHT[band]! * Math.min(MOST_RISE, rise);
    }
  }
  return into;
}
