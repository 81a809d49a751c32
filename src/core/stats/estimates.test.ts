import { describe, expect, test } from 'vitest';
import {
  estimatedDifference,
  estimatedMean,
  estimatedShare,
  standardDeviationInterval,
  meanInterval,
  meanOf,
  medianOf,
  sdOf,
  tQuantile,
} from './estimates';

const rounded = ({ n, value, low, high }: ReturnType<typeof estimatedMean>) => [
  n,
  ...[value, low, high].map((one) => (one === null ? null : Math.round(one * 100) / 100)),
];

test('mean, spread over n − 1 and the middle, the upper one of an even number', () => {
  expect([meanOf([1, 2, 3, 6]), sdOf([1, 2, 3, 4]), sdOf([7])]).toEqual([3, Math.sqrt(5 / 3), 0]);
  expect([medianOf([9, 1, 5]), medianOf([4, 3, 2, 1]), medianOf([2])]).toEqual([5, 3, 2]);
  expect(meanOf([])).toBeNaN();
});

// Tables of Student's t, two-sided 95 %.
test.each([
  [1, 12.706],
  [2, 4.303],
  [3, 3.182],
  [4, 2.776],
  [5, 2.571],
  [6, 2.447],
  [10, 2.228],
  [20, 2.086],
  [30, 2.042],
  [120, 1.98],
])('the 97.5 %% point of %i degrees of freedom is %f', (freedom, point) => {
  expect(tQuantile(freedom)).toBeCloseTo(point, 2);
});

describe('intervals in which a figure lies with 95 in 100', () => {
  test('of a mean that is known by its count, value and spread', () => {
    expect(rounded(meanInterval(10, 5, 2))).toEqual([10, 5, 3.57, 6.43]);
    expect(rounded(meanInterval(10, 5, 2, 0.6))).toEqual([10, 5, 2.14, 7.86]);
    // Of few there is the value alone, of none nothing.
    expect(rounded(meanInterval(2, 5, 2))).toEqual([2, 5, null, null]);
    expect(rounded(meanInterval(3, 5, 2))).toEqual([3, 5, 0.03, 9.97]);
    expect(rounded(meanInterval(0, 5, 2))).toEqual([0, null, null, null]);
    expect(rounded(meanInterval(9, null, 2))).toEqual([9, null, null, null]);
    expect(rounded(meanInterval(9, 5, null))).toEqual([9, 5, null, null]);
  });

  test('of a mean of values: wider where each goes with the one before, never narrower', () => {
    expect(rounded(estimatedMean([]))).toEqual([0, null, null, null]);
    const wide = (values: readonly number[]) => {
      const { low, high } = estimatedMean(values);
      return (high! - low!) / ((2 * tQuantile(values.length - 1) * sdOf(values)) / Math.sqrt(values.length));
    };
    const turns = Array.from({ length: 20 }, (_, index) => (index % 2 ? 1 : -1));
    expect(wide(turns)).toBeCloseTo(1, 9);
    // Twenty of each value in a row: nearly all of what one tells is told by the one before.
    const rows = Array.from({ length: 80 }, (_, index) => (index < 40 ? 1 : -1));
    expect(wide(rows)).toBeCloseTo(Math.sqrt(1.6 / 0.4), 9);
    // Half and half of ten: 7 of 10 along, drawn to a third of it.
    const ten = Array.from({ length: 10 }, (_, index) => (index < 5 ? 1 : -1));
    expect(wide(ten)).toBeCloseTo(Math.sqrt((1 + 0.7 / 3) / (1 - 0.7 / 3)), 9);
    expect(rounded(estimatedMean([4, 4, 4]))).toEqual([3, 4, 4, 4]);
  });

  test('of a spread, by chi-square', () => {
    // Tables: 19.02 and 2.70 of nine degrees of freedom.
    const { low, high } = standardDeviationInterval(10, 5);
    expect(
      [low! / (5 * Math.sqrt(9 / 19.02)), high! / (5 * Math.sqrt(9 / 2.7))].map((one) => Math.abs(one - 1) < 0.01),
    ).toEqual([true, true]);
    expect(rounded(standardDeviationInterval(3, 5))).toEqual([3, null, null, null]);
    expect(standardDeviationInterval(4, 5).value).toBe(5);
    expect(standardDeviationInterval(4, 5, 2).value).toBeNull();
    expect(standardDeviationInterval(9, null).value).toBeNull();
    expect(standardDeviationInterval(12, 5, 3)).toMatchObject({ ...standardDeviationInterval(10, 5), n: 12 });
  });

  test('of a share, by Wilson’s score, within 0 and 1', () => {
    expect(rounded(estimatedShare(5, 10))).toEqual([10, 0.5, 0.24, 0.76]);
    expect(rounded(estimatedShare(0, 10))).toEqual([10, 0, 0, 0.28]);
    expect(rounded(estimatedShare(10, 10))).toEqual([10, 1, 0.72, 1]);
    expect(rounded(estimatedShare(2, 2))).toEqual([2, null, null, null]);
    expect(estimatedShare(3, 3).value).toBe(1);
  });

  test('of a difference, by Welch', () => {
    expect(rounded(estimatedDifference([1, 2, 3, 4, 5], [2, 4, 6, 8, 10]))).toEqual([10, -3, -7.06, 1.06]);
    expect(rounded(estimatedDifference([1, 2], [1, 2, 3]))).toEqual([2, null, null, null]);
    expect(rounded(estimatedDifference([4, 4, 4], [1, 1, 1, 1]))).toEqual([7, 3, 3, 3]);
  });
});
