import { describe, expect, test } from 'vitest';
import { FAULTS, type Verdict } from '../../documents/verdict';
import type { Groove } from '../../groove/groove';
import type { Limb } from '../../groove/limbs';
import { backbeat, KIT_FAULTS_SHOWN } from '../../testing/kitFaultsShown';
import { emptyTake, playedTake } from '../../testing/takes';
import { exact, format } from '../../time/fraction';
import { notesOfFault } from './notesOfFault';
import { judge } from './judge';
import { placeJudged } from './verdict';

/** Which strokes are framed for each kind of verdict, on lines that have everything a verdict can be about. */

const swung: Groove = { ...backbeat, swing: { value: '8th', ratio: '2' } };
const LINES: Record<string, Groove> = {
  swung,
  rates: KIT_FAULTS_SHOWN['early after a change of rate'][1]!,
  flams: KIT_FAULTS_SHOWN['flat flams'][1]!,
  doubles: KIT_FAULTS_SHOWN['late second strokes'][1]!,
};

function framed(groove: Groove, verdict: Partial<Verdict>): string {
  const take = playedTake({}, emptyTake(groove, { rounds: 1 }));
  const judgement = judge(take, 'advanced');
  const isBlamed = notesOfFault(take, { ...judgement, verdict: { ...judgement.verdict, numbers: {}, ...verdict } });
  return judgement.strokes
    .filter(({ stroke }) => isBlamed(stroke))
    .map(({ stroke: { limb, written, role } }) => `${limb} ${format(written)} ${role}`)
    .join(', ');
}

describe.each(Object.entries(LINES))('%s', (_, groove) => {
  test.each(FAULTS)('%s', (about) => {
    const limbs: (Limb | undefined)[] = [undefined, 'left hand', 'right foot'];
    const all = limbs.map((limb) => framed(groove, { about, ...(limb && { limb }) }));
    expect(all.join('\n')).toMatchSnapshot();
  });
});

test('so many moments after a change of rate', () => {
  const of = (moments: number) => framed(LINES['rates']!, { about: 'switch', numbers: { moments } }).split(', ').length;
  expect([of(1), of(2), of(3)]).toEqual([3, 6, 8]);
});

test('a place: its limb’s strokes there, and nothing else at that moment', () => {
  const take = emptyTake(swung);
  const place = placeJudged(take, 'right foot', 0, exact('1/2'));
  expect(framed(swung, { about: 'place', limb: 'right foot', place })).toBe('right foot 1/2 main');
  expect(framed(swung, { about: 'place', limb: 'right foot', place: { ...place, bar: 1 } })).toBe('');
  expect(framed(swung, { about: 'place', place: { ...place, limb: 'left foot' } })).toBe('');
  const flam = placeJudged(take, 'left hand', 0, exact('1/4'));
  expect(framed(LINES['flams']!, { about: 'place', place: flam })).toBe('left hand 1/4 main');
});
