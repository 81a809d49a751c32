import type { Bpm, Ms } from './units';
import { FASTEST, SLOWEST } from '../limits';

/**
 * The Italian words for tempos, each up to its beats a minute, as most metronomes print them; they overlap in
 * practice.
 */
const WORDS: [upTo: Bpm, word: string][] = [
  [40, 'grave'],
  [60, 'largo'],
  [66, 'larghetto'],
  [76, 'adagio'],
  [108, 'andante'],
  [120, 'moderato'],
  [168, 'allegro'],
  [200, 'presto'],
];

export const italianWord = (bpm: Bpm): string => WORDS.find(([upTo]) => bpm < upTo)?.[1] ?? 'prestissimo';

/** A pause this long between two taps begins anew: slower than the slowest tempo. */
const NEW_START: Ms = 60_000 / SLOWEST;
const MOST_TAPS = 8;

/** Taps that belong together, the newest last: a new one after a pause stands alone. */
export function withTap(taps: readonly Ms[], at: Ms): Ms[] {
  const last = taps.at(-1);
  return last === undefined || at - last > NEW_START || at <= last ? [at] : [...taps, at].slice(-MOST_TAPS);
}

/** The tempo that was tapped, in whole beats a minute, over all its gaps; undefined from fewer than two taps. */
export function tappedTempo(taps: readonly Ms[]): Bpm | undefined {
  if (taps.length < 2) return undefined;
  const gap = (taps.at(-1)! - taps[0]!) / (taps.length - 1);
  return Math.max(SLOWEST, Math.min(FASTEST, Math.round(60_000 / gap)));
}
