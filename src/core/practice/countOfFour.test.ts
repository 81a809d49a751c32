import fc from 'fast-check';
import { expect, test } from 'vitest';
import { endsInCountOfFour } from './countOfFour';

const even = (from: number, gap: number, count: number) =>
  Array.from({ length: count }, (_, index) => from + gap * index);

test('four even strokes out of silence are a count, at every tempo one counts at', () => {
  fc.assert(
    fc.property(fc.integer({ min: 240, max: 1500 }), fc.integer({ min: 0, max: 100_000 }), (gap, from) => {
      expect(endsInCountOfFour(even(from, gap, 4))).toBe(true);
      expect(endsInCountOfFour([from - 3 * gap, ...even(from, gap, 4)])).toBe(true);
    }),
  );
});

test('three are none yet, the fifth of a row is none again, nor is what goes on being played', () => {
  expect(endsInCountOfFour(even(0, 500, 3))).toBe(false);
  expect(endsInCountOfFour([])).toBe(false);
  for (let count = 5; count < 20; count++) expect(endsInCountOfFour(even(0, 500, count))).toBe(false);
});

test('uneven, too fast or too slow they are none', () => {
  expect(endsInCountOfFour([0, 500, 1000, 1700])).toBe(false);
  expect(endsInCountOfFour(even(0, 120, 4))).toBe(false);
  expect(endsInCountOfFour(even(0, 2000, 4))).toBe(false);
  expect(endsInCountOfFour([0, 520, 990, 1510])).toBe(true);
});
