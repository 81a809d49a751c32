import fc from 'fast-check';
import Oracle from 'fraction.js';
import { describe, expect, test } from 'vitest';
import {
  add,
  compare,
  div,
  equal,
  exact,
  format,
  frac,
  modulo,
  mul,
  lcm,
  parse,
  sub,
  toNumber,
  ZERO,
} from './fraction';

const any = fc
  .tuple(fc.integer({ min: -9999, max: 9999 }), fc.integer({ min: 1, max: 9999 }))
  .map(([n, d]) => frac(n, d));

/** A library that shares no code with ours. */
const oracle = ({ n, d }: { n: number; d: number }) => new Oracle(n, d);
const same = (ours: { n: number; d: number }, theirs: Oracle) => format(ours) === theirs.toFraction();

describe('fractions agree with an independent library', () => {
  test.each([
    ['add', add, (a: Oracle, b: Oracle) => a.add(b)],
    ['sub', sub, (a: Oracle, b: Oracle) => a.sub(b)],
    ['mul', mul, (a: Oracle, b: Oracle) => a.mul(b)],
  ] as const)('%s', (_, ours, theirs) => {
    fc.assert(fc.property(any, any, (a, b) => same(ours(a, b), theirs(oracle(a), oracle(b)))));
  });

  test('div', () => {
    fc.assert(fc.property(any, any, (a, b) => b.n === 0 || same(div(a, b), oracle(a).div(oracle(b)))));
  });

  test('compare has the sign of the difference', () => {
    fc.assert(fc.property(any, any, (a, b) => Math.sign(compare(a, b)) === oracle(a).compare(oracle(b))));
  });
});

test('modulo is what is left after whole lots, never below 0', () => {
  fc.assert(
    fc.property(any, any, (a, b) => {
      fc.pre(b.n > 0);
      const rest = modulo(a, b);
      const lots = div(sub(a, rest), b);
      expect(lots.d).toBe(1);
      expect(compare(rest, ZERO)).toBeGreaterThanOrEqual(0);
      expect(compare(rest, b)).toBeLessThan(0);
    }),
  );
});

test('what is written is read back', () => {
  fc.assert(fc.property(any, (a) => equal(parse(format(a))!, a)));
});

test.each(['', 'x', '1/0', '1/2/3', '1.5', '--1'])('"%s" is not a fraction', (text) => {
  expect(parse(text)).toBeUndefined();
  expect(() => exact(text)).toThrow(RangeError);
});

test('a result too large to be exact is refused, not rounded', () => {
  const large = frac(2 ** 52, 3);
  expect(() => mul(large, frac(7, 2))).toThrow(RangeError);
  expect(() => frac(0.5, 1)).toThrow(RangeError);
  expect(toNumber(frac(1, 4))).toBe(0.25);
});

test('the least common multiple, exactly or not at all', () => {
  expect([lcm(4, 6), lcm(3, 5), lcm(8, 8), lcm(1, 7)]).toEqual([12, 15, 8, 7]);
  expect(() => lcm(2 ** 40 + 1, 2 ** 40 - 1)).toThrow(RangeError);
});

test('nothing divided by 0, and 0 itself has one form', () => {
  expect(() => frac(1, 0)).toThrow(/below the line/);
  expect(() => frac(0, 0)).toThrow(/below the line/);
  expect([frac(0, 7), frac(0, -7), mul(frac(0, 5), frac(3, 4)), mul(frac(3, 4), ZERO)]).toEqual([
    ZERO,
    ZERO,
    ZERO,
    ZERO,
  ]);
  expect(frac(1, -2)).toEqual({ n: -1, d: 2 });
  expect(equal(frac(1, 2), frac(1, 3))).toBe(false);
  expect(equal(frac(1, 3), frac(2, 3))).toBe(false);
});
