import { compare, div, sub, ZERO, type WholeNotes } from './fraction';
import type { Bpm, Ms } from './units';

/** From `at` on, in whole notes from the first bar, `bpm` beats go by a minute; the beat is a note. */
export interface TempoChange {
  at: WholeNotes;
  bpm: Bpm;
  beat: WholeNotes;
}

/** The tempo of a whole run; the first change also holds before the first bar. */
export type TempoMap = readonly [TempoChange, ...TempoChange[]];

export const steady = (bpm: Bpm, beat: WholeNotes): TempoMap => [{ at: ZERO, bpm, beat }];

export const tempoAt = (map: TempoMap, at: WholeNotes): TempoChange =>
  map.findLast((change) => compare(change.at, at) <= 0) ?? map[0];

/** ms = beats × 60 000 / bpm, rounded once, here. */
function lasts(length: WholeNotes, { bpm, beat }: Pick<TempoChange, 'bpm' | 'beat'>): Ms {
  const beats = div(length, beat);
  return (beats.n * 60_000) / (beats.d * bpm);
}

/**
 * A function from a place (whole notes from the first bar, below 0 in the count-in) to the time from
 * the first bar in milliseconds. Each stretch of one tempo is exact up to its last division.
 */
export function clock(map: TempoMap): (at: WholeNotes) => Ms {
  const stretches = map.map((change) => ({ ...change, ms: 0 }));
  for (let index = 1; index < stretches.length; index++) {
    const before = stretches[index - 1]!;
    stretches[index]!.ms = before.ms + lasts(sub(stretches[index]!.at, before.at), before);
  }
  return (at) => {
    const stretch =
      stretches.length === 1 ? stretches[0]! : (stretches.findLast((one) => compare(one.at, at) <= 0) ?? stretches[0]!);
    return stretch.ms + lasts(sub(at, stretch.at), stretch);
  };
}

/** How long a note lasts at a tempo. */
export const valueMs = (length: WholeNotes, tempo: { bpm: Bpm; beat: WholeNotes }): Ms => lasts(length, tempo);
