import type { Cell } from '../grid/cells';
import type { Height, Limb, Ornament, Surface } from '../groove/limbs';
import type { Problem } from '../result';
import type { WholeNotes } from '../time/fraction';
import type { Meter, Reading } from '../grid/meter';

/** One bar as places in it are spoken of. */
export interface SpokenBar {
  meter: Meter;
  reading: Reading;
  cells: readonly Cell[];
}

/** What the words before a place say of it. What was not said is undefined. */
export interface Said {
  limb?: Limb;
  surface?: Surface;
  height?: Height;
  ornament?: Ornament;
  /** Whether the stroke is to be taken out instead of placed. */
  remove: boolean;
}

/** A slot that was spoken of; `from` and `to` are where in the text. */
export interface SpokenPlace extends Said {
  bar: number;
  at: WholeNotes;
  from: number;
  to: number;
}

/** What one touch can do about a problem: other words in its place, or another division of a count. */
export type Remedy = { words: string; replace: string } | { words: string; bar: number; count: number; parts: number };

/** A problem with the words from `from` to `to` of the text. */
export interface SpokenProblem extends Problem {
  from: number;
  to: number;
  remedies: Remedy[];
}

export interface Spoken {
  /** In the order of bars and places; a place said twice once, as it was said last. */
  places: SpokenPlace[];
  problems: SpokenProblem[];
}
