import { describe, expect, test } from 'vitest';
import { readFigures, writeFigures, type FigureKind, type TakeFigure } from '../../documents/takeFigures';
import { setOrnament } from '../../groove/edit';
import type { Groove } from '../../groove/groove';
import { normal, randomFrom } from '../../random';
import { oneLine, together } from '../../testing/arbitrary';
import { JUDGED_GROOVES } from '../../testing/judgedGrooves';
import { backbeat } from '../../testing/kitFaultsShown';
import { emptyTake, playedTake } from '../../testing/takes';
import { exact } from '../../time/fraction';
import { figureInWords } from '../../wording/figuresInWords';
import { judge } from '../verdict/judge';
import type { Playing } from '../../simulate/simulatedKit';
import {
  estimatedDifference,
  estimatedMean,
  estimatedShare,
  standardDeviationInterval,
  sdOf,
  tQuantile,
} from '../../stats/estimates';
import { figuresOfTake, tempoCurve } from './takeFigures';

const figures = (playing: Playing, groove: Groove = backbeat, rounds = 16): TakeFigure[] => {
  const take = playedTake(playing, emptyTake(groove, { rounds }));
  return figuresOfTake(take, judge(take, 'advanced'));
};
const of = (all: readonly TakeFigure[], kind: FigureKind, name: string) =>
  all.find((one) => one.kind === kind && one.of === name)!;

describe('a figure of a take comes back as it was played', () => {
  test('where a limb sits, how even it is, what it leaves out', () => {
    const all = figures({ spreadMs: 8, limbMs: { 'right foot': 30 }, missingLimb: { 'left hand': 0.3 } });
    const foot = of(all, 'limb', 'right foot');
    expect(foot.n).toBe(48);
    expect(foot.low!).toBeLessThan(30);
    expect(foot.high!).toBeGreaterThan(30);
    expect(foot.high! - foot.low!).toBeLessThan(8);
    expect(of(all, 'evenness', 'right foot').value!).toBeGreaterThan(6);
    expect(of(all, 'evenness', 'right foot').value!).toBeLessThan(10);
    expect(of(all, 'left out', 'right foot').value).toBe(0);
    expect(of(all, 'left out', 'left hand').value!).toBeGreaterThan(0.1);
  });

  test('by rate, and the first three notes after each change', () => {
    const all = figures({ spreadMs: 3, switchMs: -45 }, JUDGED_GROOVES[0]);
    expect(of(all, 'rate', '2').n + of(all, 'rate', '3').n).toBe(160);
    // Of three notes the first alone is early, of two of them both are looked at.
    expect(of(all, 'switch', '2>3').value!).toBeCloseTo(-15, -1);
    expect(of(all, 'switch', '3>2').value!).toBeLessThan(-15);
  });

  test('a take that runs ahead, or lies early as a whole, slips at no change of rate', () => {
    for (const playing of [{ offsetMs: -40 }, { driftPercent: 1 }])
      for (const pair of ['2>3', '3>2'])
        expect(
          Math.abs(of(figures({ spreadMs: 3, ...playing }, JUDGED_GROOVES[0]), 'switch', pair).value!),
        ).toBeLessThan(3);
  });

  test('a slip at the change shows beside a drift of the whole take', () => {
    const all = figures({ spreadMs: 3, switchMs: -45, driftPercent: 0.5 }, JUDGED_GROOVES[0]);
    expect(of(all, 'switch', '2>3').value!).toBeCloseTo(-15, -1);
  });

  test('the ratio of swing, as it was meant and as it was played', () => {
    const swung: Groove = { ...backbeat, swing: { value: '8th', ratio: '2' } };
    expect(of(figures({}, swung), 'swing', '8th')).toMatchObject({
      meant: expect.closeTo(2, 3),
      value: expect.closeTo(2, 2),
    });
    // With half of the delay left out, 2 : 1 becomes 1.4 : 1.
    expect(of(figures({ straightened: 0.5 }, swung), 'swing', '8th').value!).toBeCloseTo(1.4, 2);
    expect(figures({}).filter(({ kind }) => kind === 'swing')).toEqual([]);
  });

  test('limbs written together, and phrases that run ahead', () => {
    const apart = of(figures({ spreadMs: 3, limbMs: { 'right foot': 25 } }), 'together', 'right foot+right hand');
    expect(apart.value!).toBeCloseTo(-25, -1);
    expect(apart.n).toBe(48);
    expect(of(figures({ phraseMs: -70 }), 'phrase', '4').value!).toBeLessThan(-50);
    expect(of(figures({ phraseMs: -70 }, backbeat, 4), 'phrase', '4')).toBeUndefined();
  });

  test('heights, accents, second strokes and flams', () => {
    const loud = figures({ isLoud: true });
    expect(of(loud, 'height', 'right hand accent').value!).toBeCloseTo(-3, 0);
    expect(of(loud, 'accents', 'right hand').value!).toBeCloseTo(8, 0);
    expect(figures({}).some(({ kind }) => kind === 'height')).toBe(false);
    const ornamented = (ornament: 'flam' | 'double') =>
      ['0', '1/2'].reduce(
        (groove, at) => setOrnament(groove, { bar: 0, limb: 'right hand', at: exact(at) }, ornament),
        together(oneLine('t.t.t.t.', 'right hand', 72), oneLine('...t....', 'left hand')),
      );
    expect(of(figures({}, ornamented('flam')), 'flam', 'right hand').value!).toBeCloseTo(28, 1);
    expect(of(figures({ graceMs: -20 }, ornamented('flam')), 'flam', 'right hand').value!).toBeCloseTo(8, 1);
    const doubles = figures({ isLoud: true, secondMs: 20, weakSecondDb: 5 }, ornamented('double'));
    expect(of(doubles, 'doubles', 'right hand').value!).toBeCloseTo(20, 1);
    expect(of(doubles, 'second loudness', 'right hand').value!).toBeCloseTo(-6, 0);
  });

  test('the tempo from bar to bar', () => {
    const take = playedTake({ driftPercent: 1 }, emptyTake(backbeat));
    const curve = tempoCurve(take, judge(take, 'advanced'));
    expect(curve).toHaveLength(7);
    for (const { percent, bpm } of curve) {
      expect(percent).toBeCloseTo(1, 2);
      expect(bpm).toBeCloseTo(80.8, 2);
    }
  });

  test('too few strokes give no figure, and say so', () => {
    const few = of(figures({}, oneLine('t.......', 'right hand', 80), 2), 'limb', 'right hand');
    expect(few).toMatchObject({ n: 2, low: null, high: null });
    expect(figureInWords(few)).toMatchObject({ range: 'too few to say' });
    expect(figureInWords(few).explained).toMatch(/From 2 strokes\. They are too few/);
  });

  test('every figure says what it is, from how many, and between what it lies; as JSON it is read back', () => {
    const all = figures({ spreadMs: 5, isLoud: true }, { ...backbeat, swing: { value: '8th', ratio: '2' } });
    for (const one of all) {
      const { name, explained } = figureInWords(one);
      expect(name).toMatch(/^[A-Z0-9]/);
      expect(explained).toMatch(/\. From \d+ [a-z ]+\. (With 95 in 100 it lies between|They are too few)/);
    }
    const read = readFigures(JSON.parse(JSON.stringify(writeFigures(all))));
    expect(read.ok && read.value.figures).toEqual(all);
  });
});

describe('the 95 % interval', () => {
  const drawn = (count: number, seed: number, from = 0) => {
    const random = randomFrom(seed);
    return Array.from({ length: count }, () => from + 10 * normal(random));
  };
  /** How many of a hundred intervals hold what the values were drawn from. */
  const held = (made: (seed: number) => { low: number | null; high: number | null }, truth: number) => {
    const all = Array.from({ length: 600 }, (_, seed) => made(seed + 1));
    return (100 * all.filter(({ low, high }) => low! <= truth && high! >= truth).length) / all.length;
  };

  test.each([4, 8, 40])('holds the truth about 95 times in 100, of %d strokes', (count) => {
    const around = (share: number) => {
      expect(share).toBeGreaterThan(92);
      expect(share).toBeLessThan(98.5);
    };
    around(held((seed) => estimatedMean(drawn(count, seed, 5)), 5));
    around(held((seed) => standardDeviationInterval(count, sdOf(drawn(count, seed))), 10));
    around(held((seed) => estimatedDifference(drawn(count, seed, 7), drawn(count, seed + 1000)), 7));
  });

  test('of errors that hang together is wider than of those that do not', () => {
    const tied = (seed: number) => {
      let before = 0;
      return drawn(80, seed).map((one) => (before = 0.5 * before + one));
    };
    expect(held((seed) => estimatedMean(tied(seed)), 0)).toBeGreaterThan(89);
  });

  test('is Student’s, and a share’s is Wilson’s', () => {
    // Tables: t at 97.5 % with 5, 10 and 30 degrees of freedom.
    expect([5, 10, 30].map((freedom) => tQuantile(freedom).toFixed(2))).toEqual(['2.57', '2.23', '2.04']);
    const { value, low, high } = estimatedShare(0, 20);
    expect(value).toBe(0);
    expect(low).toBe(0);
    expect(high!).toBeCloseTo(0.161, 3);
    expect(estimatedShare(1, 2)).toEqual({ n: 2, value: null, low: null, high: null });
  });
});
