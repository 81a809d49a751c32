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
