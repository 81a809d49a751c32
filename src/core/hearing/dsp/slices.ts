import { BANDS, BAND_WIDTHS, type Powers } from './bands';

/**
 * A stroke is looked at in slices, short where it begins and long where it rings on: hops from its onset at which each
 * begins, and the end of the last. The first seven are what a stroke is known by; the rest is how it rings on.
 */
const EDGES = [0, 3, 7, 13, 22, 35, 55, 85, 130, 200, 300, 450, 600] as const;
export const SLICES = 7;
export const RING_SLICES = EDGES.length - 1;
/** Cells of what a stroke is known by. */
export const CELLS = SLICES * BANDS;
/** Hops a whole stroke is looked at, and until it has rung out. */
export const KNOWN_HOPS = EDGES[SLICES];
export const RUNG_HOPS = EDGES[RING_SLICES]!;

export const sliceEnd = (slice: number): number => EDGES[slice + 1]!;

/**
 * Mean power of the slices of a stroke that begins at `hop`, slice by slice, in each band; slices past the end of the
 * recording are 0.
 */
export function slicesFrom({ narrow, hops }: Powers, hop: number, slices = SLICES): Float64Array {
  const cells = new Float64Array(slices * BANDS);
  for (let slice = 0; slice < slices; slice++) {
    const [from, to] = [Math.max(0, hop + EDGES[slice]!), Math.min(hops, hop + EDGES[slice + 1]!)];
    if (to <= from) continue;
    for (let at = from; at < to; at++)
      for (let band = 0; band < BANDS; band++) cells[slice * BANDS + band]! += narrow[at * BANDS + band]!;
    for (let band = 0; band < BANDS; band++) cells[slice * BANDS + band]! /= to - from;
  }
  return cells;
}

/** The mean power of each band in the hops `from` to before `to`. */
export function meanPower({ narrow, hops }: Powers, from: number, to: number): Float64Array {
  const mean = new Float64Array(BANDS);
  const [first, end] = [Math.max(0, from), Math.min(hops, to)];
  if (end <= first) return mean;
  for (let at = first; at < end; at++)
    for (let band = 0; band < BANDS; band++) mean[band]! += narrow[at * BANDS + band]! / (end - first);
  return mean;
}

/**
 * How much a cell can tell: about as many numbers as a band of its width has in a slice of its length (2 · hertz ·
 * seconds), no more than strokes on one surface are alike, and no less than a little.
 */
const weightOf = (band: number, hops: number): number =>
  Math.min(2, Math.max(0.15, (2 * BAND_WIDTHS[band]! * hops) / 1000)) / 2;

export const CELL_WEIGHTS: Float64Array = Float64Array.from({ length: CELLS }, (_, cell) => {
  const slice = Math.floor(cell / BANDS);
  return weightOf(cell % BANDS, EDGES[slice + 1]! - EDGES[slice]!);
});

/** The first slices are one where it must not matter which of some limbs was a little earlier. */
const ROUGH_FIRST = 4;
const ROUGH_CELLS = (SLICES - ROUGH_FIRST + 1) * BANDS;
export const ROUGH_WEIGHTS: Float64Array = Float64Array.from({ length: ROUGH_CELLS }, (_, cell) =>
  cell < BANDS ? weightOf(cell, EDGES[ROUGH_FIRST]) : CELL_WEIGHTS[cell + (ROUGH_FIRST - 1) * BANDS]!,
);

/** The slices with the first of them as one. */
export function roughly(cells: ArrayLike<number>): Float64Array {
  const rough = new Float64Array(ROUGH_CELLS);
  for (let slice = 0; slice < SLICES; slice++) {
    const to = Math.max(0, slice - ROUGH_FIRST + 1) * BANDS;
    const share = slice < ROUGH_FIRST ? (EDGES[slice + 1]! - EDGES[slice]!) / EDGES[ROUGH_FIRST] : 1;
    for (let band = 0; band < BANDS; band++) rough[to + band]! += share * cells[slice * BANDS + band]!;
  }
  return rough;
}
