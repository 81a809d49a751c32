import type { Origin } from '../form/form';
import type { Height, Limb, Ornament, Surface } from '../groove/limbs';
import type { WholeNotes } from '../time/fraction';
import type { Ms } from '../time/units';
import type { ClickVoice } from './clicks';

interface Timed {
  /** Where it sounds, in whole notes from the first bar; below 0 in the count-in. */
  at: WholeNotes;
  /** When it sounds, in milliseconds from the first bar. */
  ms: Ms;
  /** Bars from the first one that is played; below 0 in the count-in. */
  barInRun: number;
}

export interface TimedClick extends Timed {
  kind: 'click';
  voice: ClickVoice;
}

export interface TimedStroke extends Timed {
  kind: 'stroke';
  limb: Limb;
  surface: Surface;
  height: Height;
  /** `grace`: before a flam or drag. `second`: the second stroke of a double. */
  role: 'main' | 'second' | 'grace';
  ornament?: Ornament;
  /** How often its bar was played before. */
  round: number;
  /** Index of the bar in the groove. */
  bar: number;
  /** Where it is written, from the start of its bar. */
  written: WholeNotes;
}

/** A number or syllable, its onset on its slot; or a word of a call, `at` where the call begins. */
export interface TimedWord extends Timed {
  kind: 'word';
  say: string;
}

/** A note of a triplet layer: 0 is the quickest, and `loud` (0 to 1) fades it out. */
export interface TimedLayer extends Timed {
  kind: 'layer';
  layer: number;
  loud: number;
}

export type TimedSound = TimedClick | TimedStroke | TimedWord | TimedLayer;

/** One bar of the run, for the playhead; while counting in its round is −1. */
export interface TimedBar extends Origin {
  startMs: Ms;
  endMs: Ms;
  barInRun: number;
  /** How many counts are counted in it; only of bars counted in. */
  counts?: number;
}

export interface Schedule {
  /** Sorted by time. */
  sounds: TimedSound[];
  /** The count-in's bars first, then all that are played. */
  bars: TimedBar[];
  /** When each numbered count falls, whether it is clicked or not; none of the count-in. */
  countsMs: Ms[];
  /** How many words of the spoken count, and of calls, were left out because they come too fast to be said. */
  unspoken: number;
  /** When the first bar counted in starts: 0 or below. */
  startMs: Ms;
  /** When the last bar ends. */
  endMs: Ms;
}
