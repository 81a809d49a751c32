import type { Ms } from '../time/units';

/** The index of the first of sorted times that is not before a moment; their number where all are. */
export function lowerBound(sorted: readonly Ms[], ms: Ms): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! < ms) low = middle + 1;
    else high = middle;
  }
  return low;
}
