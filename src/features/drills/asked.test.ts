import { expect, test } from 'vitest';
import { drillFor, type Weakness } from '@/core/plan/weakness';
import { exact } from '@/core/time/fraction';
import { weaknessHref } from '@/ui/take/weaknessHref';
import { weaknessAsked } from './asked';

const through = (weakness: Weakness) =>
  weaknessAsked(Object.fromEntries(new URL(weaknessHref(weakness), 'http://here').searchParams));

test.each<Weakness>([
  { tempo: 72, limb: 'right foot' },
  { tempo: 72.5, offBeats: true, meter: '7/8', parts: 2, reading: 'numbers' },
  { tempo: 60, limb: 'left hand', places: [exact('3/16'), exact('0')], meter: '4/4', parts: 4 },
  { tempo: 60, switches: ['8th', '8th triplet'] },
  { tempo: 200, uneven: true, click: 'thin out and back' },
  { tempo: 60, limb: 'right foot', joins: true, places: [exact('3/16')], meter: '4/4', parts: 4 },
])('what a take finds comes through the address whole: %o', (weakness) => {
  expect(through(weakness)).toEqual(weakness);
  expect(drillFor(through(weakness)!)).toEqual(drillFor(weakness));
});

test('what an address asks that cannot be is left out; without a tempo nothing is asked', () => {
  expect(weaknessAsked({})).toBeUndefined();
  expect(weaknessAsked({ tempo: '9999', limb: 'left hand' })).toBeUndefined();
  expect(
    weaknessAsked({ tempo: '80', limb: 'tail', places: 'x,1/0,,1/4', switch: '8th,quick', meter: '4/5', parts: '99' }),
  ).toEqual({
    tempo: 80,
    places: [exact('1/4')],
  });
});
