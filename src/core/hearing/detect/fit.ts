import { BANDS } from '../dsp/bands';

/** Rounds of the fit: gains settle within a few percent. */
const ROUNDS = 14;
/** No cell draws a gain by more than this much in a round: what a model cannot explain is left unexplained. */
const MOST_RATIO = 8;

/** How some sounds add up to what was heard. */
export interface Fit {
  /** Power of each sound. */
  gains: Float64Array;
  /** What the whole model comes to, cell by cell. */
  model: Float64Array;
  /** Itakura and Saito's distance of what was heard from it, weighted. */
  distance: number;
}

/**
 * The gains, none below 0, at which sounds over a background come nearest to what was heard: the least Itakura–Saito
 * distance Σ w (v/m − ln(v/m) − 1), which weighs soft and loud alike, by multiplicative updates (Févotte, Bertin &
 * Durrieu 2009, Neural Computation 21:3). There are as many cells as `weights`; what else is given is longer at most.
 */
export function fitted(
  heard: ArrayLike<number>,
  background: ArrayLike<number>,
  sounds: readonly Float64Array[],
  weights: Float64Array,
  start?: Float64Array,
  rounds = ROUNDS,
): Fit {
  const cells = weights.length;
  const gains = start ? start.slice() : startingGains(heard, sounds, cells);
  const model = new Float64Array(heard.length);
  const pull = new Float64Array(cells);
  const hold = new Float64Array(cells);
  for (let round = 0; round < rounds; round++) {
    modelInto(model, background, sounds, gains, cells);
    for (let cell = 0; cell < cells; cell++) {
      const per = weights[cell]! / model[cell]!;
      const ratio = heard[cell]! / model[cell]!;
      pull[cell] = per * (ratio < MOST_RATIO ? ratio : MOST_RATIO);
      hold[cell] = per;
    }
    for (let index = 0; index < sounds.length; index++) {
      if (gains[index]! < 1e-15) continue;
      const sound = sounds[index]!;
      let [up, down] = [0, 0];
      for (let cell = 0; cell < cells; cell++) {
        up += sound[cell]! * pull[cell]!;
        down += sound[cell]! * hold[cell]!;
      }
      gains[index]! *= up / (down + 1e-300);
    }
  }
  modelInto(model, background, sounds, gains, heard.length);
  return { gains, model, distance: distanceOf(heard, model, weights) };
}

/** Every sound starts as a like part of the whole. */
function startingGains(heard: ArrayLike<number>, sounds: readonly Float64Array[], cells: number): Float64Array {
  let all = 0;
  for (let cell = 0; cell < cells; cell++) all += heard[cell]!;
  return Float64Array.from(sounds, (sound) => {
    let own = 1e-30;
    for (let cell = 0; cell < cells; cell++) own += sound[cell]!;
    return (0.3 * all) / own / sounds.length + 1e-14;
  });
}

function modelInto(
  model: Float64Array,
  background: ArrayLike<number>,
  sounds: readonly Float64Array[],
  gains: Float64Array,
  cells: number,
): void {
  for (let cell = 0; cell < cells; cell++) model[cell] = background[cell]!;
  for (let index = 0; index < sounds.length; index++) {
    const gain = gains[index]!;
    if (gain < 1e-15) continue;
    const sound = sounds[index]!;
    for (let cell = 0; cell < cells; cell++) model[cell]! += gain * sound[cell]!;
  }
}

/** Differences beyond this ratio count no more: one cell alone decides nothing. */
const MOST_APART = 20;

export function distanceOf(heard: ArrayLike<number>, model: ArrayLike<number>, weights: Float64Array): number {
  let sum = 0;
  for (let cell = 0; cell < weights.length; cell++) {
    const ratio = Math.min(MOST_APART, (heard[cell]! + 1e-15) / model[cell]!);
    sum += weights[cell]! * (ratio - Math.log(ratio) - 1);
  }
  return sum;
}

/**
 * How far a sound stands above everything else that sounds with it, in decibels: in its third-best band over its first
 * slices, since in one band alone anything may stand out.
 */
export function standsOut(sound: ArrayLike<number>, gain: number, others: ArrayLike<number>, slices = 4): number {
  const ratios = new Float64Array(BANDS);
  for (let band = 0; band < BANDS; band++) {
    let [own, rest] = [1e-30, 1e-30];
    for (let slice = 0; slice < slices; slice++) {
      own += gain * sound[slice * BANDS + band]!;
      rest += others[slice * BANDS + band]!;
    }
    ratios[band] = own / rest;
  }
  return 10 * Math.log10(ratios.sort()[BANDS - 3]!);
}
