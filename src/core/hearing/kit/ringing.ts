import { BANDS, HOP, type Powers } from '../dsp/bands';
import type { Template } from './kit';
import { CELLS, meanPower, RING_SLICES, RUNG_HOPS, SLICES, sliceEnd, slicesFrom } from '../dsp/slices';
import { SILENCE, type NoiseFloor } from '../dsp/noiseFloor';
import { NARROW_FLOOR } from './kit';

/** A stroke that was heard before and may still ring. */
export interface Ringing {
  sample: number;
  /** Templates with the power of each. */
  parts: { template: Template; gain: number }[];
}

/** Hops just before a stroke in which what still rings is measured. */
const JUST_BEFORE = [8, 2] as const;
/** What rings is taken as what was measured, so far as that is within this of what was expected. */
const MOST_OFF = 5;
/** What nothing explains dies away like this, a hop. */
const UNEXPLAINED_FALL = 0.985;

/**
 * What would be heard in the slices from `hop` on if nothing were struck there: the floor, what earlier strokes still
 * ring, scaled by what was measured just before, and what was measured there and nothing explains, dying away.
 */
export function backgroundAt(
  powers: Powers,
  floor: NoiseFloor,
  hop: number,
  earlier: readonly Ringing[],
): Float64Array {
  const quiet = floor.at(hop);
  const just = hop - (JUST_BEFORE[0] + JUST_BEFORE[1]) / 2;
  const measured = meanPower(powers, hop - JUST_BEFORE[0], hop - JUST_BEFORE[1]);
  const expected = new Float64Array(BANDS);
  const ring = new Float64Array(CELLS);
  for (const { sample, parts } of earlier) {
    const since = hop - Math.floor(sample / HOP);
    if (since < 1 || since > RUNG_HOPS) continue;
    for (const { template, gain } of parts) {
      addRing(expected, 0, template, gain, just - hop + since);
      let from = 0;
      for (let slice = 0; slice < SLICES; slice++) {
        addRing(ring, slice * BANDS, template, gain, since + (from + sliceEnd(slice)) / 2);
        from = sliceEnd(slice);
      }
    }
  }
  const background = new Float64Array(CELLS);
  const left = powers.left && slicesFrom({ ...powers, narrow: powers.left.narrow }, hop);
  for (let band = 0; band < BANDS; band++) {
    const noise = NARROW_FLOOR.over * quiet[band]!;
    const over = Math.max(0, measured[band]! - noise);
    const off = expected[band]! > 0 ? Math.min(MOST_OFF, Math.max(1 / MOST_OFF, over / expected[band]!)) : 1;
    const unexplained = Math.max(0, over - off * expected[band]!);
    let from = 0;
    for (let slice = 0; slice < SLICES; slice++) {
      const cell = slice * BANDS + band;
      const after = (from + sliceEnd(slice)) / 2;
      background[cell] =
        noise + off * ring[cell]! + unexplained * UNEXPLAINED_FALL ** after + 2 * (left?.[cell] ?? 0) + SILENCE;
      from = sliceEnd(slice);
    }
  }
  return background;
}

/** Adds what a stroke still rings with so many hops after it began, in each band, between slices in line. */
function addRing(to: Float64Array, offset: number, { ring }: Template, gain: number, since: number): void {
  if (since < 0 || since > RUNG_HOPS) return;
  let slice = 0;
  while (slice < RING_SLICES - 1 && middleOf(slice + 1) < since) slice++;
  const next = Math.min(RING_SLICES - 1, slice + 1);
  const [a, b] = [middleOf(slice), middleOf(next)];
  const share = next === slice ? 0 : Math.min(1, Math.max(0, (since - a) / (b - a)));
  for (let band = 0; band < BANDS; band++)
    to[offset + band]! += gain * (ring[slice * BANDS + band]! * (1 - share) + ring[next * BANDS + band]! * share);
}

const middleOf = (slice: number): number => ((slice ? sliceEnd(slice - 1) : 0) + sliceEnd(slice)) / 2;

/** Those of the strokes that may still ring at a hop. In order of time. */
export const stillRinging = <T extends Ringing>(strokes: readonly T[], hop: number): T[] => {
  const first = strokes.findLastIndex(({ sample }) => hop - sample / HOP > RUNG_HOPS) + 1;
  return strokes.slice(first);
};
