import { compare, div, sub, ZERO, type WholeNotes } from './fraction';
import type { Bpm, Ms } from './units';

/** From `at` on, in whole notes from the first bar, `bpm` beats go by a minute. */
export interface TempoChange {
  at: WholeNotes;
  bpm: Bpm;
}

/** The tempo of a whole run. `beat` is the note that is counted; the first change also holds before the first bar. */
export interface TempoMap {
  beat: WholeNotes;
  changes: readonly [TempoChange, ...TempoChange[]];
}

export const steady = (bpm: Bpm, beat: WholeNotes): TempoMap => ({ beat, changes: [{ at: ZERO, bpm }] });

/** The same run at `factor` times the tempo. */
export function scaleTempo(map: TempoMap, factor: number): TempoMap {
  const [first, ...rest] = map.changes.map((change) => ({ ...change, bpm: change.bpm * factor }));
  return { beat: map.beat, changes: [first!, ...rest] };
}

export function tempoAt(map: TempoMap, at: WholeNotes): Bpm {
  return map.changes.findLast((change) => compare(change.at, at) <= 0)?.bpm ?? map.changes[0].bpm;
}

/** ms = beats × 60 000 / bpm, rounded once, here. */
function lasts(map: TempoMap, length: WholeNotes, bpm: Bpm): Ms {
  const beats = div(length, map.beat);
  return (beats.n * 60_000) / (beats.d * bpm);
}

/**
 * A function from a place (whole notes from the first bar, below 0 in the count-in) to the time from
 * the first bar in milliseconds. Each stretch of one tempo is exact up to its last division.
 */
export function clock(map: TempoMap): (at: WholeNotes) => Ms {
  const stretches = map.changes.map((change) => ({ ...change, ms: 0 }));
  for (let index = 1; index < stretches.length; index++) {
    const before = stretches[index - 1]!;
    stretches[index]!.ms = before.ms + lasts(map, sub(stretches[index]!.at, before.at), before.bpm);
  }
  return (at) => {
    const stretch =
      stretches.length === 1 ? stretches[0]! : (stretches.findLast((one) => compare(one.at, at) <= 0) ?? stretches[0]!);
    return stretch.ms + lasts(map, sub(at, stretch.at), stretch.bpm);
  };
}

/** How long a value lasts at the tempo a run starts with. */
export const valueMs = (length: WholeNotes, map: TempoMap): Ms => lasts(map, length, map.changes[0].bpm);
