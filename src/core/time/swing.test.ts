import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { compare, exact, format, toNumber } from './fraction';
import { barLength } from '../grid/meter';
import { offBeat, swingRatio, swungPlace, writtenPlace } from './swing';
import { meterOf } from '../testing/arbitrary';

describe('swing', () => {
  test('by tempo: the short note near 100 ms, the ratio from even to 3.5', () => {
    const ratio = (bpm: number) => toNumber(swingRatio({ value: '8th', ratio: 'tempo-aware' }, bpm));
    expect([ratio(60), ratio(200), ratio(150), ratio(300)]).toEqual([3.5, 2, 3, 1]);
    // At 200 a beat is 300 ms: 200 long, 100 short.
    expect(300 * (1 - toNumber(offBeat(swingRatio({ value: '8th', ratio: 'tempo-aware' }, 200))))).toBeCloseTo(100);
  });

  test('keeps the order of all places and the ends of every pair, and the odd 8th of 7/8 where it is', () => {
    const place = fc.integer({ min: 0, max: 95 }).map((n) => exact(`${n}/96`));
    fc.assert(
      fc.property(place, place, fc.constantFrom('1', '3/2', '2', '3'), (a, b, ratio) => {
        const swung = (at: typeof a) => swungPlace(at, '8th', exact(ratio), barLength(meterOf('4/4')));
        expect(Math.sign(compare(swung(a), swung(b)))).toBe(Math.sign(compare(a, b)));
      }),
    );
    expect(format(swungPlace(exact('1/4'), '8th', exact('2'), exact('1')))).toBe('1/4');
    expect(format(swungPlace(exact('13/16'), '8th', exact('2'), exact('7/8')))).toBe('13/16');
  });

  test('a set ratio is that ratio at any tempo; by tempo it is never below even nor above 3.5', () => {
    expect(format(swingRatio({ value: '8th', ratio: '3/2' }, 300))).toBe('3/2');
    const by = (bpm: number) => format(swingRatio({ value: '8th', ratio: 'tempo-aware' }, bpm));
    expect([by(20), by(301), by(299)]).toEqual(['7/2', '1', by(299)]);
    expect(compare(exact(by(299)), exact('1'))).toBeGreaterThan(0);
  });

  test('the middle of a pair lands where the ratio says, from both sides', () => {
    const swung = (at: string) => format(swungPlace(exact(at), '8th', exact('2'), exact('1')));
    expect(['1/16', '1/8', '3/16'].map(swung)).toEqual(['1/12', '1/6', '5/24']);
  });

  test('what sounds is taken back to where it is written, whatever the ratio', () => {
    const place = fc.integer({ min: 0, max: 95 }).map((n) => exact(`${n}/96`));
    fc.assert(
      fc.property(
        place,
        fc.constantFrom('1', '3/2', '2', '3', '7/2'),
        fc.constantFrom('8th' as const, '16th' as const),
        fc.constantFrom('4/4', '7/8', '3/4'),
        (at, ratio, value, meter) => {
          const length = barLength(meterOf(meter));
          const sounds = swungPlace(at, value, exact(ratio), length);
          expect(format(writtenPlace(sounds, value, exact(ratio), length))).toBe(format(at));
        },
      ),
    );
  });
});
