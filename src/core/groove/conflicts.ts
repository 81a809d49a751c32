import { equal } from '../time/fraction';
import type { Bpm } from '../time/units';
import type { Place } from './edit';
import type { Groove, Stroke } from './groove';
import { isHand, otherHand } from './limbs';

/** Something that cannot be played, or hardly: where, why, and what would free it. */
export interface Finding {
  kind: 'conflict' | 'speed';
  severity: 'warning' | 'error';
  place: Place;
  say: string;
  remedy: string;
  /** What one touch can do about it. */
  fix?: { words: string; take: 'ornament' | 'stroke'; place: Place } | { words: string; take: 'tempo'; bpm: Bpm };
}

/** What one stroke of a groove makes impossible for another at the same moment. */
export const conflictsIn = ({ bars }: Groove): Finding[] =>
  bars.flatMap(({ strokes }, bar) =>
    strokes.flatMap((stroke) => [...flamOutOfReach(strokes, stroke, bar), ...pedalUnderOpenHat(strokes, stroke, bar)]),
  );

/** A flam or drag needs the other hand just before it: not while that hand strikes elsewhere. */
function flamOutOfReach(strokes: readonly Stroke[], stroke: Stroke, bar: number): Finding[] {
  if ((stroke.ornament !== 'flam' && stroke.ornament !== 'drag') || !isHand(stroke.limb)) return [];
  const other = strokes.find((one) => one.limb === otherHand(stroke.limb) && equal(one.at, stroke.at));
  if (!other) return [];
  const place = { bar, limb: stroke.limb, at: stroke.at };
  return [
    {
      kind: 'conflict',
      severity: 'error',
      place,
      say: `The grace of this ${stroke.ornament} is the ${other.limb}’s, which strikes the ${other.surface} at the same time.`,
      remedy: `Take the ${stroke.ornament} off, or the ${other.limb} out.`,
      fix: { words: `Take the ${stroke.ornament} off`, take: 'ornament', place },
    },
  ];
}

/** The hat cannot ring open while its pedal closes it. */
function pedalUnderOpenHat(strokes: readonly Stroke[], stroke: Stroke, bar: number): Finding[] {
  if (stroke.surface !== 'open hat') return [];
  const pedal = strokes.find((one) => one.surface === 'hat pedal' && equal(one.at, stroke.at));
  if (!pedal) return [];
  const place = { bar, limb: pedal.limb, at: pedal.at };
  return [
    {
      kind: 'conflict',
      severity: 'error',
      place,
      say: 'The pedal closes the hat where it is to ring open.',
      remedy: 'Take the pedal out here, or close the hat.',
      fix: { words: 'Take the pedal out', take: 'stroke', place },
    },
  ];
}
