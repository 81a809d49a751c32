import fc from 'fast-check';
import { expect, test } from 'vitest';
import { binomial, bits, combination, isFirstTurning } from './choose';

test('how many ways there are to take some of all', () => {
  expect([binomial(4, 2), binomial(8, 0), binomial(8, 8), binomial(16, 5)]).toEqual([6, 1, 1, 4368]);
  expect([binomial(4, 5), binomial(4, -1)]).toEqual([0, 0]);
  // Pascal's rule, row by row.
  for (let n = 1; n < 30; n++)
    for (let k = 1; k < n; k++) expect(binomial(n, k)).toBe(binomial(n - 1, k - 1) + binomial(n - 1, k));
  expect(() => binomial(80, 40)).toThrow('80 over 40 is more than can be counted here');
});

test('every way once, in the order of their first places', () => {
  expect(Array.from({ length: 6 }, (_, index) => combination(4, 2, index).join(''))).toEqual([
    '01',
    '02',
    '03',
    '12',
    '13',
    '23',
  ]);
  expect(combination(5, 0, 0)).toEqual([]);
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 9 }), fc.nat(9), (n, k) => {
      const all = Array.from({ length: binomial(n, k) }, (_, index) => combination(n, k, index));
      expect(all.every((one) => one.length === Math.min(k, n) && one.every((place) => place < n))).toBe(true);
      expect(new Set(all.map(String)).size).toBe(all.length);
      const written = all.map((one) => one.map((place) => String(place)).join());
      expect(written).toEqual(written.toSorted());
    }),
  );
});

test('the places of the bits that are set, the lowest first, beyond 32 of them', () => {
  expect([bits(0, 4), bits(5, 4), bits(15, 3)]).toEqual([[], [0, 2], [0, 1, 2]]);
  expect(bits(2 ** 40 + 1, 41)).toEqual([0, 40]);
});

test('of all turnings of a pattern exactly one is first, and it begins on 1 where anything is struck', () => {
  expect(isFirstTurning([true, false, false])).toBe(true);
  expect(isFirstTurning([false, true, false])).toBe(false);
  expect(isFirstTurning([true, false, true, true])).toBe(false);
  expect(isFirstTurning([true, true, false, true])).toBe(false);
  expect(isFirstTurning([true, true, true, false])).toBe(true);
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: 1, maxLength: 9 }), (pattern) => {
      const turnings = pattern.map((_, turn) => [...pattern.slice(turn), ...pattern.slice(0, turn)]);
      const first = new Set(turnings.filter(isFirstTurning).map(String));
      expect(first.size).toBe(1);
      expect(turnings.filter(isFirstTurning)[0]![0]).toBe(pattern.includes(true));
    }),
  );
});
