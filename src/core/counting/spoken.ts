import type { Cell } from '../grid/cells';
import type { Problem } from '../result';
import type { Meter, Reading } from '../grid/meter';

/** One bar as places in it are spoken of. */
export interface SpokenBar {
  meter: Meter;
  reading: Reading;
  cells: readonly Cell[];
}

/**
 * What one touch can do about a problem: other words in its place, words before all of them, another phrase, or
 * another division of a count.
 */
export type Remedy =
  | { words: string; replace: string }
  | { words: string; insert: string }
  | { words: string; text: string }
  | { words: string; bar: number; count: number; parts: number };

/** A problem with the words from `from` to `to` of the text. */
export interface SpokenProblem extends Problem {
  from: number;
  to: number;
  remedies: Remedy[];
}
