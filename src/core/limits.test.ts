import { describe, expect, test } from 'vitest';
import { difficultyOf } from './drill/difficulty';
import { evenly } from './drill/drill';
import { groundOf, stroke } from './drill/family';
import { displaced } from './groove/place';
import * as limits from './limits';
import { normal, randomFrom, seedOf } from './random';
import { CALL_WORD_MS } from './schedule/schedule';
import { plainMetronome } from './schedule/metronome';
import { speeds } from './schedule/speeds';
import { GRACE_MS } from './schedule/strokes';
import { NUMBER_MS } from './schedule/words';
import { simulateKit } from './simulate/simulatedKit';
import { oneLine, meterOf } from './testing/arbitrary';
import { formOfTake } from './documents/take';
import { emptyTake } from './testing/takes';
import { schedule } from './schedule/schedule';
import { cellsOfDivisions } from './grid/cells';
import { exact, format } from './time/fraction';

/** The numbers that people and kept documents rely on, so that none is changed by the way. */

test('limits of documents', () => {
  expect({ ...limits }).toMatchObject({
    SLOWEST: 20,
    FASTEST: 300,
    MOST_BARS: 128,
    MOST_LEAN: 40,
    MOST_TITLE: 120,
    MOST_REASON: 400,
    MOST_TAGS: 12,
    MOST_MINUTES: 120,
    MOST_HITS: 20_000,
    LONGEST_TAKE_MS: 1_800_000,
    MOST_ROUNDS: 2000,
    MOST_PLAYED_BARS: 10_000,
    MOST_SOUNDS: 100_000,
  });
});

test('what is said and struck between the places: graces 28 ms ahead, numbers 220 ms apart, words of a call 180', () => {
  expect([GRACE_MS, NUMBER_MS, CALL_WORD_MS]).toEqual([28, 220, 180]);
});

test('a plain metronome goes from 30 to 250', () => {
  const bar = {
    meter: meterOf('4/4'),
    reading: 'numbers' as const,
    cells: cellsOfDivisions(meterOf('4/4'), 'numbers', 1),
  };
  const set = (bpm: number) => plainMetronome({ kind: 'every', counts: '1', from: '0' }, bar, bpm)!.outOfRange;
  expect([29.9, 30, 250, 250.1].map(set)).toEqual([true, false, false, true]);
});

test.each([
  ['right hand', [5, 8, 10]],
  ['right foot', [3.5, 6, 8]],
] as const)('strokes a second of the %s: comfortable, fast, at the limit, beyond', (limb, bounds) => {
  // Quarters, as many a second as the tempo has beats a second.
  const line = oneLine('t.t.t.t.', limb);
  const feel = (perSecond: number) => speeds(line, perSecond * 60)[0]!.feel;
  expect(bounds.map((bound) => feel(bound - 0.01))).toEqual(['comfortable', 'fast', 'at the limit']);
  expect(bounds.map((bound) => feel(bound + 0.01))).toEqual(['fast', 'at the limit', 'beyond']);
});

describe('draws from a seed', () => {
  test('are the ones that kept drills and demos were made with', () => {
    const random = randomFrom(11);
    expect([random(), random(), random()].map((one) => Number(one.toFixed(6)))).toMatchInlineSnapshot(`
      [
        0.511587,
        0.529946,
        0.608119,
      ]
    `);
    expect(Number(normal(randomFrom(11)).toFixed(6))).toMatchInlineSnapshot(`-1.176029`);
    expect(seedOf('Pim, day 3')).toMatchInlineSnapshot(`859787808`);
  });

  test('what the kit plays from a seed', () => {
    const take = emptyTake(oneLine('t.t.t.t.', 'right hand', 120), { rounds: 1 });
    const form = formOfTake(take);
    const hits = simulateKit(
      { form, timed: schedule(form) },
      take.task,
      { spreadMs: 10, offsetMs: 5, missedShare: 0.3, extraShare: 0.3 },
      3,
    );
    expect(hits.map(({ ms }) => ms)).toMatchInlineSnapshot(`
      [
        14.837,
        84.837,
        511.078,
        1517.935,
      ]
    `);
  });
});

test('chosen evenly: the first, the last, and as far apart as can be', () => {
  expect(evenly(10, 4)).toEqual([0, 3, 6, 9]);
  expect(evenly(10, 1)).toEqual([0]);
  expect(evenly(3, 4)).toEqual([0, 1, 2]);
  expect(evenly(5000, 3)).toEqual([0, 2500, 4999]);
});

test('why an exercise is hard, in points: two for each stroke more in a row, one for each other reason', () => {
  const ground = groundOf(meterOf('4/4'), 4, 'numbers');
  const scored = (strokes: Parameters<typeof difficultyOf>[0]['strokes'], bars = 1) =>
    difficultyOf({ say: '', bars, strokes, alone: true }, ground);
  const snare = (at: string, height: 'tap' | 'accent' = 'tap') => stroke('left hand', 'snare', exact(at), height);
  expect(scored([snare('0')]).score).toBe(0);
  expect(scored([snare('1/16')]).reasons).toEqual([{ say: '1 stroke between the counts', points: 1 }]);
  expect(scored([snare('1/16', 'accent')]).score).toBe(2);
  expect(scored([snare('0'), snare('1/16'), snare('1/8')]).reasons).toEqual([
    { say: '2 strokes between the counts', points: 2 },
    { say: '3 in a row on the left hand', points: 4 },
  ]);
  expect(scored([snare('0'), snare('1/8')]).score).toBe(1);
  expect(scored([snare('0'), stroke('right foot', 'kick', exact('0'))]).reasons).toEqual([
    { say: '2 limbs', points: 1 },
  ]);
  expect(scored([snare('0')], 3).reasons).toEqual([{ say: '3 bars long', points: 2 }]);
  expect(scored([{ ...snare('0'), ornament: 'flam' }]).score).toBe(1);
});

test('a displacement over several bars wraps from the last bar to the first', () => {
  const onsets = ['0', '1'].map(exact);
  const places = (by: string) => displaced(onsets, exact(by), exact('3')).map(format);
  expect(places('5/2')).toEqual(['1/2', '5/2']);
  expect(places('-1/2')).toEqual(['1/2', '5/2']);
  expect(places('7/2')).toEqual(['1/2', '3/2']);
});
