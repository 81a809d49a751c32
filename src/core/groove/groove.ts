import { type WholeNotes } from '../time/fraction';
import type { Swing } from '../time/swing';
import type { Bpm, Ms } from '../time/units';
import type { Cell } from '../grid/cells';
import { formatMeter, type Meter, type Reading } from '../grid/meter';
import type { Height, Limb, Ornament, Surface } from './limbs';

/** One stroke of a limb, placed from the start of its bar. */
export interface Stroke {
  limb: Limb;
  surface: Surface;
  at: WholeNotes;
  height: Height;
  ornament?: Ornament;
}

/** A bar: its meter, the grid that fills it, and the strokes that lie on the grid. */
export interface Bar {
  meter: Meter;
  /** The meter of the whole bar that a pick-up is the end of. */
  endOf?: Meter;
  cells: Cell[];
  strokes: Stroke[];
}

/** A word pinned to a limb ("heel down"), and the one that takes its place above a tempo. Never a rule. */
export interface Technique {
  word: string;
  faster?: { above: Bpm; word: string };
}

/** A groove: bars to be played round and round. Every place is an exact fraction of a whole note. */
export interface Groove {
  version: 1;
  title: string;
  reading: Reading;
  /** Beats a minute, the beat being the first count of the first bar. */
  tempo: Bpm;
  swing?: Swing;
  /** How far a limb is laid behind (+) or pushed ahead (−) of the beat. */
  lean?: Partial<Record<Limb, Ms>>;
  technique?: Partial<Record<Limb, Technique>>;
  bars: Bar[];
}

/** The meters of a groove in words: "4/4", or "4/4, 7/8" when they change. */
export function metersInWords(groove: { bars: { meter: Meter }[] }): string {
  return [...new Set(groove.bars.map((one) => formatMeter(one.meter)))].join(', ');
}
