import type { Surface } from '../../groove/limbs';
import type { Decibels } from '../../time/units';
import { HOP, type Powers } from '../dsp/bands';
import { ONSET_THRESHOLD, type Candidate } from '../detect/candidates';
import type { NoiseFloor } from '../dsp/noiseFloor';
import type { Kit } from './kit';
import { isPlausible } from './decide';
import { scoreSurfaces, type SurfaceScore } from './scoreSurfaces';
import type { Ringing } from './ringing';
import { KNOWN_HOPS } from '../dsp/slices';
import { placed, shiftsOf } from './timing';

/** A stroke on a surface that was heard. */
export interface SurfaceStroke extends Ringing {
  surface: Surface;
  levelDb: Decibels;
  rise: number;
  sure: number;
}

/** How sure it is that a surface was struck, 0 to 1. */
export type Decide = (look: SurfaceScore, candidate: Candidate) => number;

/** At this and above, a surface was struck. */
const SURE = 0.5;
/** What is less likely than this was not. */
const MAY_BE = 0.12;
/** One surface is struck no more often than this. */
const SAME_HOPS = 9;

/**
 * What is known about the candidates: strokes before them, what begins after them; `isRough` where limbs that struck
 * together need not have a time each.
 */
interface Known {
  earlier?: readonly SurfaceStroke[];
  later?: readonly Candidate[];
  isRough?: boolean;
}

/** Looks at what might have been struck, candidate by candidate; a second time they are as they were. */
export class Looker {
  private readonly seen = new Map<number, SurfaceScore[]>();

  constructor(
    private readonly powers: Powers,
    private readonly floor: NoiseFloor,
    private readonly kit: Kit,
    private readonly mayBe: (look: SurfaceScore) => boolean = isPlausible,
  ) {}

  /** What was struck at each candidate in turn, those before known. In order of time. */
  struckAt(
    candidates: readonly Candidate[],
    decide: Decide,
    { earlier = [], later = [], isRough = false }: Known = {},
  ): SurfaceStroke[] {
    const strokes = [...earlier];
    const all = [...candidates, ...later];
    for (const [index, candidate] of candidates.entries()) {
      const looks = this.looksAt(candidate, all.slice(index + 1, index + 6), strokes)
        .map((look): SurfaceStroke => ({ ...look, rise: candidate.rise, sure: decide(look, candidate) }))
        .filter(({ sure }) => sure >= MAY_BE);
      const struck = oneOfAKind(looks.filter(({ sure }) => sure >= SURE));
      if (!struck.length) continue;
      for (const one of (isRough ? looks : this.timed(candidate, looks)).filter((_, at) =>
        struck.includes(looks[at]!),
      )) {
        const same = strokes.findLastIndex(
          ({ surface, sample }) => surface === one.surface && one.sample - sample < SAME_HOPS * HOP,
        );
        if (same < earlier.length) strokes.push(one);
        else if (strokes[same]!.sure < one.sure) strokes.splice(same, 1, one);
      }
    }
    return strokes.slice(earlier.length).sort((a, b) => a.sample - b.sample);
  }

  /** Limbs that struck together, each at its own time; what may have been one of them has its share in it. */
  private timed({ sample }: Candidate, struck: readonly SurfaceStroke[]): SurfaceStroke[] {
    const limbs = struck.map(({ parts, sample: began }) => ({ parts, shift: Math.round((began - sample) / HOP) }));
    const samples = placed(sample, shiftsOf(this.powers, Math.floor(sample / HOP), limbs));
    return struck.map((one, index) => ({ ...one, sample: samples[index]! }));
  }

  private looksAt(
    candidate: Candidate,
    following: readonly Candidate[],
    earlier: readonly SurfaceStroke[],
  ): SurfaceScore[] {
    const seen = this.seen.get(candidate.sample);
    if (seen) return seen;
    const next = following.find(({ rise, hop }) => rise >= ONSET_THRESHOLD && hop < candidate.hop + KNOWN_HOPS);
    const looks = scoreSurfaces(
      this.powers,
      this.floor,
      this.kit,
      candidate,
      { earlier, ...(next && { next }) },
      this.mayBe,
    );
    this.seen.set(candidate.sample, looks);
    return looks;
  }
}

/** The hat is struck in one way at a time. */
const HATS: Surface[] = ['closed hat', 'open hat', 'hat pedal'];

function oneOfAKind(struck: readonly SurfaceStroke[]): SurfaceStroke[] {
  const hats = struck.filter(({ surface }) => HATS.includes(surface)).sort((a, b) => b.sure - a.sure);
  return struck.filter((one) => !HATS.includes(one.surface) || one === hats[0]);
}
