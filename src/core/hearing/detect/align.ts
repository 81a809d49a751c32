import type { Surface } from '../../groove/limbs';
import type { Ms } from '../../time/units';

/** Something that was heard, and how much it says; its surface where that is known. */
export interface HeardAt {
  ms: Ms;
  weight: number;
  surface?: Surface;
}

/** A whole take is looked for so far to either side of where it should be. */
const REACH: Ms = 340;
/**
 * Once found, it is looked for so far from where it was: clocks that differ by 200 parts in a million part by 4 ms in
 * 20 s.
 */
const TRACKED: Ms = 25;
/** What is heard so far from what is written says nothing. */
const NEAR: Ms = 14;
const STEP: Ms = 2;
/** Strokes repeat: of two shifts that fit as well, the smaller is meant. So much is lost at the end of the reach. */
const FAR_COST = 0.12;
/** A written stroke on another surface than was heard fits by so much. */
const OTHER_SURFACE = 0.15;

/** How much later than written everything was heard; `before` is how much it was so far, where that is known. */
export function shiftOf(
  heard: readonly HeardAt[],
  written: readonly { ms: Ms; surface: Surface }[],
  before?: Ms,
): Ms | undefined {
  if (!heard.length || !written.length) return before;
  const [middle, reach] = before === undefined ? [0, REACH] : [before, TRACKED];
  const scores: number[] = [];
  for (let by = -reach; by <= reach; by += STEP)
    scores.push(fitOf(heard, written, middle + by) * (1 - (FAR_COST * Math.abs(by)) / reach));
  const best = scores.indexOf(Math.max(...scores));
  if (scores[best]! <= 0) return before;
  const shift = middle - reach + STEP * best;
  return shift + meanOff(heard, written, shift);
}

/** Written strokes about a time, by halving: they are in order. */
function from(written: readonly { ms: Ms }[], ms: Ms): number {
  let [low, high] = [0, written.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (written[middle]!.ms < ms) low = middle + 1;
    else high = middle;
  }
  return low;
}

function fitOf(heard: readonly HeardAt[], written: readonly { ms: Ms; surface: Surface }[], shift: Ms): number {
  let sum = 0;
  for (const { ms, weight, surface } of heard) {
    let best = 0;
    for (let at = from(written, ms - shift - NEAR); at < written.length && written[at]!.ms <= ms - shift + NEAR; at++) {
      const near = 1 - Math.abs(written[at]!.ms + shift - ms) / NEAR;
      best = Math.max(best, near * (surface && surface !== written[at]!.surface ? OTHER_SURFACE : 1));
    }
    sum += weight * best;
  }
  return sum;
}

/** The middle of what is left between what was heard and the nearest that is written. */
function meanOff(heard: readonly HeardAt[], written: readonly { ms: Ms; surface: Surface }[], shift: Ms): Ms {
  const offs = heard.flatMap(({ ms, surface }) => {
    let best: number | undefined;
    for (let at = from(written, ms - shift - NEAR); at < written.length && written[at]!.ms <= ms - shift + NEAR; at++) {
      if (surface && surface !== written[at]!.surface) continue;
      const off = ms - shift - written[at]!.ms;
      if (best === undefined || Math.abs(off) < Math.abs(best)) best = off;
    }
    return best === undefined ? [] : [best];
  });
  return offs.sort((a, b) => a - b)[Math.floor(offs.length / 2)] ?? 0;
}
