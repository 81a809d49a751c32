import { BANDS, HOP, type Powers } from '../dsp/bands';
import type { Candidate } from './candidates';
import { KNOWN_HOPS, slicesFrom } from '../dsp/slices';

/** Syllables swell after they begin, strokes do not: half of all begin this many decibels softer than they become. */
const SWELL_DB = 3.5;
/** Below 300 Hz the skin of a kick or a tom swells too, and the bands are slow. */
const FIRST_BAND = 6;
/** So many beginnings tell. */
const ENOUGH = 6;

/** Whether what begins in a stretch is talk rather than strokes: most of it grows for a while after it began. */
export function isTalk(powers: Powers, candidates: readonly Candidate[]): boolean {
  const swells = candidates
    // What is followed by another at once says nothing of how it goes on.
    .filter(({ hop }, index) => !(candidates[index + 1] && candidates[index + 1]!.hop - hop < KNOWN_HOPS))
    .map((candidate) => swellOf(powers, candidate))
    .sort((a, b) => a - b);
  return swells.length >= ENOUGH && swells[Math.floor(swells.length / 2)]! > SWELL_DB;
}

/** How much louder the loudest of 22 to 55 ms is than that of the first 13 ms, in decibels. */
function swellOf(powers: Powers, { sample }: Candidate): number {
  const cells = slicesFrom(powers, Math.floor(sample / HOP));
  const power = (slice: number) => {
    let sum = 0;
    for (let band = FIRST_BAND; band < BANDS; band++) sum += cells[slice * BANDS + band]!;
    return sum;
  };
  return 10 * Math.log10(Math.max(power(4), power(5), 1e-15) / Math.max(power(0), power(1), power(2), 1e-15));
}
