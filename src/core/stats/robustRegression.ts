/**
 * The statistics the judging rests on: how uneven each limb is, how its errors hang together, and how much better the
 * errors are explained when something is taken off them. All in tolerances of the level, all log-likelihoods.
 */

/** Degrees of freedom of the t distribution of errors: heavier tails than the normal one, as slips make them. */
const FREEDOM = 10;
/** A t distribution's scale over its standard deviation. */
const SCALE = Math.sqrt((FREEDOM - 2) / FREEDOM);
/** What is believed of a limb's spread before it is heard: as if this many strokes had been heard with it. */
const PRIOR_STROKES = 4;
const USUAL_SPREAD = 0.65 * SCALE;
const UNEVEN_SPREAD = 1.5 * SCALE;
/** A spread that is called clean lies within these. */
const LEAST_SPREAD = 0.2 * SCALE;
const MOST_SPREAD = 0.85 * SCALE;
/** How far errors of a limb hang together with the one before, at the least and at the most. */
const LEAST_TIED = -0.3;
const MOST_TIED = 0.6;
/** So many strokes make the tie half believed. */
const TIED_STROKES = 20;
const ROUNDS = 5;
/** Sizes and spreads that change by less than this are settled. */
const SETTLED = 1e-3;

/** Errors of strokes, in tolerances, and which of them belong to each limb, in time order. */
export interface Errors {
  of: Float64Array;
  lines: readonly Int32Array[];
}

/** What was taken off, how surely, and how likely the rest is. */
export interface Fit {
  size: number[];
  /** Standard errors of the sizes. */
  unsure: number[];
  logLikelihood: number;
  /** Standard deviation of each limb. */
  spread: number[];
}

/**
 * Fits columns to the errors by weighted least squares, the spread and the tie of each limb with them. `uneven` are
 * limbs that may be more uneven than is called clean.
 */
export function fit(
  { of: errors, lines }: Errors,
  columns: readonly Float64Array[],
  uneven: ReadonlySet<number> = new Set(),
): Fit {
  const wanted = columns.length;
  const size = new Array<number>(wanted).fill(0);
  const believed = (limb: number) => (uneven.has(limb) ? UNEVEN_SPREAD : USUAL_SPREAD);
  const scale = lines.map((_, limb) => believed(limb));
  const tied = lines.map(() => 0);
  const rest = Float64Array.from(errors);
  let information: number[][] = [];
  for (let round = 0, isSettled = false; round < ROUNDS && !isSettled; round++) {
    const before = [...size, ...scale];
    if (wanted) {
      information = square(wanted);
      const target = new Array<number>(wanted).fill(0);
      for (const [limb, line] of lines.entries())
        accumulateNormalEquations({ errors, rest, columns }, line, tied[limb]!, scale[limb]!, { information, target });
      solveInto(information, target, size);
      rest.set(errors);
      for (const [each, column] of columns.entries()) subtractColumn(rest, column, size[each]!);
    }
    for (const [limb, line] of lines.entries()) {
      tied[limb] = lag1Autocorrelation(rest, line, scale[limb]!);
      const found = scaleOf(rest, line, tied[limb], scale[limb]!, believed(limb));
      scale[limb] = Math.max(LEAST_SPREAD, uneven.has(limb) ? found : Math.min(MOST_SPREAD, found));
    }
    isSettled = round > 0 && [...size, ...scale].every((now, each) => Math.abs(now - before[each]!) < SETTLED);
  }
  const logLikelihood = lines.reduce(
    (total, line, limb) => total + likelihood(rest, line, tied[limb]!, scale[limb]!, believed(limb)),
    0,
  );
  const unsure = wanted ? diagonalOfInverse(information).map(Math.sqrt) : [];
  return { size, unsure, logLikelihood, spread: scale.map((one) => one / SCALE) };
}

function subtractColumn(rest: Float64Array, column: Float64Array, size: number): void {
  for (let stroke = 0; stroke < rest.length; stroke++) rest[stroke]! -= size * column[stroke]!;
}

/**
 * A stroke's value with what hangs on the one before it taken off, on the scale of a stroke that stands alone: `by`
 * is 1 / √(1 − tie²).
 */
function apart(values: Float64Array, line: Int32Array, place: number, tie: number, by: number): number {
  const here = values[line[place]!]!;
  return place ? (here - tie * values[line[place - 1]!]!) * by : here;
}

/** What belongs to a limb's strokes in the equations of weighted least squares. */
function accumulateNormalEquations(
  { errors, rest, columns }: { errors: Float64Array; rest: Float64Array; columns: readonly Float64Array[] },
  line: Int32Array,
  tie: number,
  scale: number,
  { information, target }: { information: number[][]; target: number[] },
): void {
  const [by, inverse, wanted] = [1 / Math.sqrt(1 - tie * tie), 1 / scale ** 2, columns.length];
  const row = new Float64Array(wanted);
  for (let place = 0; place < line.length; place++) {
    const left = apart(rest, line, place, tie, by);
    const weight = ((FREEDOM + 1) / (FREEDOM + left * left * inverse)) * inverse;
    const value = weight * apart(errors, line, place, tie, by);
    for (let each = 0; each < wanted; each++) row[each] = apart(columns[each]!, line, place, tie, by);
    for (let one = 0; one < wanted; one++) {
      const own = row[one]!;
      if (own === 0) continue;
      target[one]! += own * value;
      for (let other = 0; other < wanted; other++) information[one]![other]! += weight * own * row[other]!;
    }
  }
}

/** The spread of a limb's errors as a scale of the t distribution, drawn towards what was believed of it. */
function scaleOf(rest: Float64Array, line: Int32Array, tie: number, scale: number, prior: number): number {
  const [by, inverse] = [1 / Math.sqrt(1 - tie * tie), 1 / scale ** 2];
  let sum = PRIOR_STROKES * prior * prior;
  for (let place = 0; place < line.length; place++) {
    const left = apart(rest, line, place, tie, by);
    sum += ((FREEDOM + 1) / (FREEDOM + left * left * inverse)) * left * left;
  }
  return Math.sqrt(sum / (line.length + PRIOR_STROKES));
}

function likelihood(rest: Float64Array, line: Int32Array, tie: number, own: number, prior: number): number {
  const by = 1 / Math.sqrt(1 - tie * tie);
  let total = -PRIOR_STROKES * (Math.log(own / prior) + prior ** 2 / (2 * own ** 2)) - line.length * Math.log(own);
  for (let place = 0; place < line.length; place++) {
    const left = apart(rest, line, place, tie, by) / own;
    total -= ((FREEDOM + 1) / 2) * Math.log1p((left * left) / FREEDOM);
  }
  return total - (Math.max(0, line.length - 1) / 2) * Math.log(1 - tie * tie);
}

/** How far each error of a limb goes with the one before, shrunk where few were heard. */
function lag1Autocorrelation(rest: Float64Array, line: Int32Array, scale: number): number {
  const clip = (stroke: number) => Math.max(-3 * scale, Math.min(3 * scale, rest[stroke]!));
  let [with_, squares] = [0, 0];
  for (let place = 0; place < line.length; place++) {
    const here = clip(line[place]!);
    squares += here * here;
    if (place) with_ += here * clip(line[place - 1]!);
  }
  if (!squares) return 0;
  const tie = (with_ / squares) * (line.length / (line.length + TIED_STROKES));
  return Math.max(LEAST_TIED, Math.min(MOST_TIED, tie));
}

const square = (size: number): number[][] => Array.from({ length: size }, () => new Array<number>(size).fill(0));

/** At most four unknowns, by elimination; where they cannot be told apart, nothing is taken off. */
function solveInto(matrix: readonly (readonly number[])[], target: readonly number[], into: number[]): void {
  const rows = matrix.map((row, index) => [...row, target[index]!]);
  for (let pivot = 0; pivot < rows.length; pivot++) {
    const at = rows[pivot]!;
    if (Math.abs(at[pivot]!) < 1e-9) return void into.fill(0);
    for (const [index, row] of rows.entries()) {
      if (index === pivot) continue;
      const by = row[pivot]! / at[pivot]!;
      for (let column = pivot; column < row.length; column++) row[column]! -= by * at[column]!;
    }
  }
  for (const [index, row] of rows.entries()) into[index] = row.at(-1)! / row[index]!;
}

function diagonalOfInverse(matrix: readonly (readonly number[])[]): number[] {
  return matrix.map((_, index) => {
    const column = new Array<number>(matrix.length).fill(0);
    const unit = matrix.map((__, row) => (row === index ? 1 : 0));
    solveInto(matrix, unit, column);
    return Math.abs(column[index]!) || Infinity;
  });
}
