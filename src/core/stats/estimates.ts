/** What is worked out of a list of numbers; of an empty one NaN. */

export const meanOf = (values: readonly number[]): number =>
  values.reduce((total, one) => total + one, 0) / values.length;

/** Standard deviation, over n − 1; 0 of a single one. */
export function sdOf(values: readonly number[]): number {
  const mean = meanOf(values);
  return Math.sqrt(values.reduce((total, one) => total + (one - mean) ** 2, 0) / Math.max(1, values.length - 1));
}

/** The middle one, of an even number the upper of the two. */
export const medianOf = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

/**
 * A figure with how many it rests on and the interval in which it lies with 95 in 100; null where they are too few to
 * say.
 */
export interface Estimate {
  n: number;
  value: number | null;
  low: number | null;
  high: number | null;
}

/** Fewer than this give no figure. */
const FEWEST = 3;
/** The normal distribution's 97.5 % point. */
const Z = 1.959964;
/** Student's 97.5 % points where the expansion is not good enough, by degrees of freedom. */
const T_OF_FEW = [Infinity, 12.706, 4.303, 3.182, 2.776];

/** Student's 97.5 % point, by the Cornish–Fisher expansion (Abramowitz & Stegun 26.7.5). */
export function tQuantile(freedom: number): number {
  const few = T_OF_FEW[freedom];
  if (few !== undefined) return few;
  return (
    Z +
    (Z ** 3 + Z) / (4 * freedom) +
    (5 * Z ** 5 + 16 * Z ** 3 + 3 * Z) / (96 * freedom ** 2) +
    (3 * Z ** 7 + 19 * Z ** 5 + 17 * Z ** 3 - 15 * Z) / (384 * freedom ** 3)
  );
}

/** A point of the chi-square distribution, by Wilson and Hilferty's cube. */
const chiSquarePoint = (freedom: number, z: number): number =>
  freedom * (1 - 2 / (9 * freedom) + z * Math.sqrt(2 / (9 * freedom))) ** 3;

const tooFew = (n: number): Estimate => ({ n, value: null, low: null, high: null });

/** The interval of a mean that is known by its count, value and standard deviation. */
export function meanInterval(n: number, mean: number | null, sd: number | null, tied = 0): Estimate {
  if (n < FEWEST || mean === null || sd === null) return { ...tooFew(n), value: n ? mean : null };
  const wide = (tQuantile(n - 1) * sd * Math.sqrt((1 + tied) / (1 - tied))) / Math.sqrt(n);
  return { n, value: mean, low: mean - wide, high: mean + wide };
}

/**
 * A mean and its interval by Student's t. Values that follow one another go together, so that they tell less than as
 * many that do not: the interval is widened by how far each goes with the one before.
 */
export function estimatedMean(values: readonly number[]): Estimate {
  const n = values.length;
  return n ? meanInterval(n, meanOf(values), sdOf(values), lag1Autocorrelation(values)) : tooFew(0);
}

/** How far each value goes with the one before, from 0 to 0.6, drawn towards 0 where there are few. */
function lag1Autocorrelation(values: readonly number[]): number {
  const mean = meanOf(values);
  let [along, all] = [0, 0];
  for (const [index, value] of values.entries()) {
    all += (value - mean) ** 2;
    if (index) along += (value - mean) * (values[index - 1]! - mean);
  }
  const tie = all ? (along / all) * (values.length / (values.length + 20)) : 0;
  return Math.min(0.6, Math.max(0, tie));
}

/** A standard deviation round `freedom` fewer values than there are, with its interval by chi-square. */
export function standardDeviationInterval(n: number, sd: number | null, lost = 1): Estimate {
  const freedom = n - lost;
  if (n < FEWEST + lost || sd === null) return tooFew(n);
  return {
    n,
    value: sd,
    low: sd * Math.sqrt(freedom / chiSquarePoint(freedom, Z)),
    high: sd * Math.sqrt(freedom / chiSquarePoint(freedom, -Z)),
  };
}

/** A share of `n` with its interval by Wilson's score. */
export function estimatedShare(count: number, n: number): Estimate {
  if (n < FEWEST) return tooFew(n);
  const share = count / n;
  const middle = (share + Z ** 2 / (2 * n)) / (1 + Z ** 2 / n);
  const wide = (Z / (1 + Z ** 2 / n)) * Math.sqrt((share * (1 - share)) / n + Z ** 2 / (4 * n ** 2));
  return { n, value: share, low: Math.max(0, middle - wide), high: Math.min(1, middle + wide) };
}

/** The difference of two means that know nothing of one another, by Welch. */
export function estimatedDifference(of: readonly number[], from: readonly number[]): Estimate {
  const n = Math.min(of.length, from.length);
  if (n < FEWEST) return tooFew(n);
  const [a, b] = [sdOf(of) ** 2 / of.length, sdOf(from) ** 2 / from.length];
  const difference = meanOf(of) - meanOf(from);
  const freedom = a + b ? (a + b) ** 2 / (a ** 2 / (of.length - 1) + b ** 2 / (from.length - 1)) : n;
  const wide = tQuantile(Math.max(1, Math.floor(freedom))) * Math.sqrt(a + b);
  return { n: of.length + from.length, value: difference, low: difference - wide, high: difference + wide };
}
