import { BANDS, HOP, type Powers } from '../dsp/bands';
import { MOST_SHIFT, type Template } from './kit';
import { meanPower } from '../dsp/slices';

/**
 * A limb that struck at a candidate: what it sounds like there, and how many hops later than the candidate it is
 * taken to be.
 */
export interface Timed {
  parts: readonly { template: Template; gain: number }[];
  shift: number;
}

/** Hops about a candidate in which each limb's beginning is looked for. */
const FROM = -MOST_SHIFT;
const TO = 24;
/** What was there before is told from these hops. */
const BEFORE = [-20, -13] as const;
/** Steps by which a limb is moved, in turn, so often. */
const STEPS = [4, 2, 1];
const SWEEPS = 2;
/** A hop's power in a band is one number or two: it says less than its count. */
const SHARE = 0.25;
/** What a hop of shift must gain: limbs that are written together are meant together. */
const HOP_COST = 0.12;

/**
 * When each of some limbs that struck together began, in hops from the candidate: hop by hop, since slices are coarser
 * than what lies between two hands. The change in the samples belongs to the limb nearest to it, which is not moved.
 */
export function shiftsOf(powers: Powers, hop: number, limbs: readonly Timed[]): number[] {
  const scene = new Scene(powers, hop);
  const shifts = limbs.map(({ shift }) => shift);
  const own = limbs.map(({ parts }) => hopwiseOf(parts));
  for (let sweep = 0; sweep < SWEEPS; sweep++)
    for (const limb of limbs.keys()) {
      const rest = scene.without(own, shifts, limb);
      const costAt = (shift: number) => scene.distance(rest, own[limb]!, shift) + HOP_COST * Math.abs(shift);
      let cost = costAt(shifts[limb]!);
      for (const step of STEPS)
        for (const by of [-step, step]) {
          for (;;) {
            const tried = shifts[limb]! + by;
            if (Math.abs(tried) > MOST_SHIFT) break;
            const there = costAt(tried);
            if (there >= cost) break;
            shifts[limb] = tried;
            cost = there;
          }
        }
    }
  return shifts;
}

/** The powers of a stroke hop by hop, from its lead on. */
function hopwiseOf(parts: Timed['parts']): Float64Array {
  const sum = new Float64Array(parts[0]!.template.hopwise.length);
  for (const { template, gain } of parts)
    for (let cell = 0; cell < sum.length; cell++) sum[cell]! += gain * template.hopwise[cell]!;
  return sum;
}

/** What was heard about a candidate, hop by hop. */
class Scene {
  private readonly heard = new Float64Array((TO - FROM) * BANDS);
  private readonly before: Float64Array;

  constructor(powers: Powers, hop: number) {
    this.before = meanPower(powers, hop + BEFORE[0], hop + BEFORE[1]);
    for (let at = FROM; at < TO; at++)
      for (let band = 0; band < BANDS; band++)
        this.heard[(at - FROM) * BANDS + band] = (powers.narrow[(hop + at) * BANDS + band] ?? 0) + 1e-15;
  }

  /** What would be there without one of the limbs. */
  without(own: readonly Float64Array[], shifts: readonly number[], left: number): Float64Array {
    const rest = new Float64Array(this.heard.length);
    for (let cell = 0; cell < rest.length; cell++) rest[cell] = this.before[cell % BANDS]! + 1e-12;
    for (const [limb, hopwise] of own.entries()) {
      if (limb === left) continue;
      const offset = (MOST_SHIFT + FROM - shifts[limb]!) * BANDS;
      for (let cell = Math.max(0, -offset); cell < rest.length; cell++) rest[cell]! += hopwise[offset + cell]!;
    }
    return rest;
  }

  /** How far what was heard is from the rest and one limb that began so many hops after the candidate. */
  distance(rest: Float64Array, hopwise: Float64Array, shift: number): number {
    const { heard } = this;
    const offset = (MOST_SHIFT + FROM - shift) * BANDS;
    let sum = 0;
    for (let cell = 0; cell < heard.length; cell++) {
      const from = offset + cell;
      const ratio = Math.min(20, heard[cell]! / (from < 0 ? rest[cell]! : rest[cell]! + hopwise[from]!));
      sum += ratio - Math.log(ratio);
    }
    return SHARE * sum;
  }
}

/** Samples at which limbs began: the one nearest to the change in the samples is what changed there. */
export function placed(sample: number, shifts: readonly number[]): number[] {
  const nearest = shifts.reduce((best, shift) => (Math.abs(shift) < Math.abs(best) ? shift : best), Infinity);
  return shifts.map((shift) => sample + (shift - nearest) * HOP);
}
