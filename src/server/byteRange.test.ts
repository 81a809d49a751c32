import fc from 'fast-check';
import { expect, test } from 'vitest';
import { byteRange } from './byteRange';

test.each([
  [null, undefined],
  ['', undefined],
  ['bytes=-', undefined],
  ['bytes=0-', { from: 0, to: 100 }],
  ['bytes=0-0', { from: 0, to: 1 }],
  ['bytes=10-19', { from: 10, to: 20 }],
  ['bytes=90-500', { from: 90, to: 100 }],
  ['bytes=-10', { from: 90, to: 100 }],
  ['bytes=-500', { from: 0, to: 100 }],
  ['bytes=100-', 'impossible'],
  ['bytes=-0', 'impossible'],
  // Not understood, so it is left out of account, as the standard has it.
  ['bytes=20-10', undefined],
  ['bytes=0-1,5-9', undefined],
  ['lines=0-1', undefined],
])('of 100 bytes %s is %o', (header, wanted) => {
  expect(byteRange(header, 100)).toEqual(wanted);
});

test('whatever is asked for lies inside, and is something', () => {
  fc.assert(
    fc.property(fc.string(), fc.nat(), fc.nat(), fc.integer({ min: 1, max: 10_000 }), (text, a, b, bytes) => {
      for (const header of [text, `bytes=${a}-${b}`, `bytes=${a}-`, `bytes=-${b}`]) {
        const range = byteRange(header, bytes);
        if (range === undefined || range === 'impossible') continue;
        expect(range.from).toBeGreaterThanOrEqual(0);
        expect(range.to).toBeGreaterThan(range.from);
        expect(range.to).toBeLessThanOrEqual(bytes);
      }
    }),
  );
});
