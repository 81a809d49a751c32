import fc from 'fast-check';
import { expect, test } from 'vitest';
import { italianWord, tappedTempo, withTap } from './tempoWords';

const taps = (times: number[]) => times.reduce<number[]>((before, at) => withTap(before, at), []);

test('a tempo is tapped in two taps and steadies with more', () => {
  expect(tappedTempo(taps([100]))).toBeUndefined();
  expect(tappedTempo(taps([100, 600]))).toBe(120);
  expect(tappedTempo(taps([0, 505, 995, 1502, 2000]))).toBe(120);
});

test('a pause begins anew, and only the last eight taps count', () => {
  expect(taps([0, 500, 9000])).toEqual([9000]);
  expect(taps([0, 500, 1000, 1500, 2000, 2500, 3000, 3500, 4000])).toHaveLength(8);
  expect(taps([500, 500])).toEqual([500]);
});

test('whatever is tapped is a tempo one can set', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 4000 }), { minLength: 2, maxLength: 12 }), (gaps) => {
      let at = 0;
      const tempo = tappedTempo(taps(gaps.map((gap) => (at += gap))));
      if (tempo !== undefined) {
        expect(tempo).toBeGreaterThanOrEqual(20);
        expect(tempo).toBeLessThanOrEqual(300);
      }
    }),
  );
});

test('the Italian words', () => {
  expect([39, 52, 60, 72, 80, 108, 132, 180, 240].map(italianWord)).toEqual([
    'grave',
    'largo',
    'larghetto',
    'adagio',
    'andante',
    'moderato',
    'allegro',
    'presto',
    'prestissimo',
  ]);
});
