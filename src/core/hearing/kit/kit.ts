import type { Surface } from '../../groove/limbs';
import type { Decibels } from '../../time/units';
import { BANDS, FilterBank, HOP, type Powers } from '../dsp/bands';
import { candidatesIn, listened, withoutEchoes, type Candidate } from '../detect/candidates';
import { NoiseFloor } from '../dsp/noiseFloor';
import { resampleTo48k, inHops } from '../dsp/resample';
import { CELLS, KNOWN_HOPS, RING_SLICES, roughly, sliceEnd, slicesFrom } from '../dsp/slices';

/** What a struck surface sounds like, soft or loud: power by slice and band, its level 1. */
export interface Template {
  /** Of all slices, the ringing too. */
  ring: Float64Array;
  /** What it is known by, begun so many hops later (+) or earlier (−) than the candidate: see `shifted`. */
  shifts: Float64Array[];
  /** The same with the first slices as one: see `roughly`. */
  rough: Float64Array;
  /** Hop by hop, from `MOST_SHIFT` before it begins. */
  hopwise: Float64Array;
}

export interface LearntSurface {
  surface: Surface;
  templates: Template[];
  /** Levels of the softest and the loudest stroke it was learnt from. */
  softestDb: Decibels;
  loudestDb: Decibels;
}

/** A kit that was listened to: what each of its surfaces sounds like in that room. */
export interface Kit {
  version: 1;
  surfaces: LearntSurface[];
}

/** Limbs written together are looked for so many hops to either side of what was found. */
export const MOST_SHIFT = 12;
/** Hops over which the level of a stroke is taken. */
const LEVEL_SLICES = 4;
/** Quiet moments of the narrow bands: the share under the floor, and how far the mean of noise lies over that. */
export const NARROW_FLOOR = { share: 0.15, over: 1.25 };

/** What is learnt stands over the floor by more: noise that was learnt with a soft hat would be heard as its body. */
const LEARNT_OVER = 3;

export const narrowFloor = (powers: Powers, reachesOn = true): NoiseFloor =>
  new NoiseFloor(powers, powers.narrow, BANDS, NARROW_FLOOR.share, reachesOn);

/** The level of a stroke from its first slices, in decibels of its mean power over them. */
export function levelOf(cells: ArrayLike<number>): Decibels {
  let sum = 0;
  for (let cell = 0; cell < LEVEL_SLICES * BANDS; cell++) sum += cells[cell]!;
  return 10 * Math.log10(sum / LEVEL_SLICES + 1e-30);
}

interface Learnt {
  levelDb: Decibels;
  ring: Float64Array;
  hopwise: Float64Array;
}

/**
 * Learns a kit from strokes of one surface a recording, a second or so apart, soft to loud. A recording in which
 * nothing is struck teaches nothing; two of one surface are taken together.
 */
export function learnKit(recordings: { surface: Surface; samples: Float32Array; sampleRate: number }[]): Kit {
  const strokes = new Map<Surface, Learnt[]>();
  for (const { surface, samples, sampleRate } of recordings)
    strokes.set(surface, [...(strokes.get(surface) ?? []), ...strokesOf(resampleTo48k(samples, sampleRate))]);
  const surfaces = [...strokes].flatMap(([surface, all]): LearntSurface[] => {
    const sorted = all.toSorted((a, b) => a.levelDb - b.levelDb);
    if (!sorted.length) return [];
    const half = Math.ceil(sorted.length / 2);
    const halves = sorted.length > 2 ? [sorted.slice(0, half), sorted.slice(half)] : [sorted];
    return [
      {
        surface,
        templates: halves.map(templateOf),
        softestDb: sorted[0]!.levelDb,
        loudestDb: sorted.at(-1)!.levelDb,
      },
    ];
  });
  return { version: 1, surfaces };
}

/** A stroke this much under the loudest of its recording is something else: a chair, a breath. */
const OTHER_DB = 34;

function strokesOf(samples: Float32Array): Learnt[] {
  const powers = new FilterBank().feed(inHops(samples));
  const { novelty } = listened(powers);
  const found = withoutEchoes(candidatesIn(samples, novelty), powers);
  const floor = narrowFloor(powers);
  const all = found.map((candidate, index) => learnt(powers, floor, candidate, found[index + 1]));
  const loudest = Math.max(...all.map(({ levelDb }) => levelDb));
  return all.filter(({ levelDb }) => levelDb > loudest - OTHER_DB);
}

/** Hops of a stroke that are kept one by one, so that it can be shifted: from `MOST_SHIFT` before its onset on. */
const KEPT_HOPS = KNOWN_HOPS + 2 * MOST_SHIFT;

function learnt(powers: Powers, floor: NoiseFloor, { sample }: Candidate, next?: Candidate): Learnt {
  const hop = Math.floor(sample / HOP);
  const quiet = floor.at(hop);
  const over = (power: number, band: number) => Math.max(power - LEARNT_OVER * quiet[band]!, 0.02 * quiet[band]!);
  const ring = slicesFrom(powers, hop, RING_SLICES);
  for (let cell = 0; cell < ring.length; cell++) {
    // What rings on behind the next stroke is not known: it is taken to go on falling.
    const isNext =
      next !== undefined && cell >= CELLS && sliceEnd(Math.floor(cell / BANDS)) > Math.floor(next.sample / HOP) - hop;
    ring[cell] = isNext ? ring[cell - BANDS]! * 0.5 : over(ring[cell]!, cell % BANDS);
  }
  const hopwise = new Float64Array(KEPT_HOPS * BANDS);
  for (let at = 0; at < KEPT_HOPS; at++) {
    const from = hop - MOST_SHIFT + at;
    for (let band = 0; band < BANDS; band++) {
      // What was there before the stroke is no part of it.
      const power = at < MOST_SHIFT ? 0 : (powers.narrow[from * BANDS + band] ?? 0);
      hopwise[at * BANDS + band] = over(power, band);
    }
  }
  return { levelDb: levelOf(ring), ring, hopwise };
}

/** The mean of some strokes, each brought to level 1. */
function templateOf(strokes: readonly Learnt[]): Template {
  const mean = (of: (one: Learnt) => Float64Array) => {
    const sum = new Float64Array(of(strokes[0]!).length);
    for (const one of strokes) {
      const level = 10 ** (one.levelDb / 10);
      for (let cell = 0; cell < sum.length; cell++) sum[cell]! += of(one)[cell]! / level / strokes.length;
    }
    return sum;
  };
  return withShifts(
    mean(({ ring }) => ring),
    mean(({ hopwise }) => hopwise),
  );
}

/** A template from its slices and its hops: what it looks like begun earlier and later follows from them. */
export function withShifts(ring: Float64Array, hopwise: Float64Array): Template {
  const powers: Powers = { hops: KEPT_HOPS, narrow: Float32Array.from(hopwise), wide: new Float32Array() };
  const shifts = Array.from({ length: 2 * MOST_SHIFT + 1 }, (_, index) =>
    slicesFrom(powers, MOST_SHIFT - (index - MOST_SHIFT)),
  );
  return { ring, shifts, rough: roughly(shifts[MOST_SHIFT]!), hopwise };
}

/** What the template looks like from a candidate that it began `hops` after. */
export const shifted = ({ shifts }: Template, hops: number): Float64Array => shifts[hops + MOST_SHIFT]!;
