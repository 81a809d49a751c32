import { describe, expect, test } from 'vitest';
import type { Level } from '../../limits';
import { accentDistance, inDb, loudnessFaults, secondsAbove, type LoudStroke } from './loudness';

/** Strokes of one limb, each as its height and how loud it was heard. */
const line = (...of: [LoudStroke['height'], ...number[]][]): LoudStroke[] =>
  of.flatMap(([height, ...all]) =>
    all.map((db): LoudStroke => ({ limb: 'right hand', surface: 'snare', height, role: 'main', db })),
  );
/** Doubles, each as how much louder its second stroke was. */
const doubles = (...above: number[]): LoudStroke[] =>
  above.flatMap((by, index): LoudStroke[] => {
    const one = { limb: 'left hand', surface: 'snare', height: 'tap', pair: String(index) } as const;
    return [
      { ...one, role: 'main', db: -10 },
      { ...one, role: 'second', db: -10 + by },
    ];
  });
const faults = (strokes: readonly LoudStroke[], level: Level = 'advanced') =>
  loudnessFaults(strokes, level).map(({ kind, size, numbers }) => ({ kind, size, numbers }));

test('decibels under the loudest; of silence nothing', () => {
  expect([inDb(1), inDb(0.1), inDb(0), inDb(undefined)]).toEqual([0, -20, undefined, undefined]);
});

describe('accents that are hardly above the rest', () => {
  const rest = ['tap', -12, -12, -12, -12] as const;
  test('by how much of six decibels is missing', () => {
    const three = line(['accent', -9, -9, -9, -9], [...rest]);
    expect(faults(three)).toEqual([{ kind: 'accents', size: 1, numbers: { distanceDb: 3, wantedDb: 6, accents: 4 } }]);
    expect(faults(line(['accent', -6, -6, -6, -6], [...rest]))).toEqual([]);
    expect(faults(line(['accent', -12, -12, -12, -12], [...rest]))[0]!.size).toBe(2);
    // Sure by how many there are and how alike: a decibel at least in anybody's playing.
    const { score } = loudnessFaults(three, 'advanced')[0]!;
    expect(score).toBeCloseTo((3 / Math.hypot(0.5, 0.5)) ** 2 / 2 - Math.LN2, 9);
  });

  test('where there are four of each at least', () => {
    expect(faults(line(['accent', -9, -9, -9], [...rest]))).toEqual([]);
    expect(faults(line(['accent', -9, -9, -9, -9], ['tap', -12, -12, -12]))).toEqual([]);
    expect(faults(line(['accent', -9, -9, -9, -9], ['tap', -12, -12], ['ghost', -12, -12]))).toHaveLength(1);
  });

  test('limb by limb, and never by second strokes', () => {
    const right = line(['accent', -9, -9, -9, -9], [...rest]);
    const left = right.map((one): LoudStroke => ({
      ...one,
      limb: 'left hand',
      db: one.height === 'accent' ? -3 : -12,
    }));
    expect(loudnessFaults([...right, ...left], 'advanced').map(({ limb }) => limb)).toEqual(['right hand']);
    const seconds = right.map((one): LoudStroke => ({ ...one, role: 'second' }));
    expect(faults(seconds)).toEqual([]);
    expect(accentDistance(line(['accent', 1], ['ghost', 2], ['tap', 3]))).toEqual({ accents: [1], others: [2, 3] });
  });
});

describe('strokes of one height that differ', () => {
  /** Half of them so much above, half below the middle one. */
  const swaying = (by: number, many = 8): LoudStroke[] =>
    line(['tap', ...Array.from({ length: many }, (_, index) => -20 + (index % 2 ? by : 0))]);
  /** What they are apart from the upper middle: half of them nothing, half `by`. */
  const spread = (by: number) => by / Math.sqrt(2);

  test('by more than three quarters of what passes at the level', () => {
    expect(faults(swaying(6), 'concert')).toEqual([
      { kind: 'loudness', size: spread(6) / 3, numbers: { spreadDb: spread(6), passesDb: 3, strokes: 8 } },
    ]);
    expect(faults(swaying(3), 'concert')).toEqual([]);
    for (const [level, passes] of [
      ['first year', 5],
      ['second year', 4],
      ['advanced', 3.5],
      ['concert', 3],
    ] as const) {
      const edge = 0.75 * passes * Math.sqrt(2);
      expect([level, faults(swaying(edge + 0.01), level).length, faults(swaying(edge - 0.01), level).length]).toEqual([
        level,
        1,
        0,
      ]);
    }
  });

  test('where eight can be told, each beside three at least of its height and surface', () => {
    expect(faults(swaying(8, 7))).toEqual([]);
    expect(faults(line(['tap', -20, -12, -20], ['ghost', -30, -22, -30, -22, -30]))).toEqual([]);
    const surfaces = swaying(8).map((one, index): LoudStroke => ({ ...one, surface: index % 2 ? 'ride' : 'snare' }));
    expect(faults(surfaces)).toEqual([]);
  });

  test('a slip counts for twelve decibels, and of many limbs each is less sure', () => {
    const one = line(['tap', ...Array<number>(15).fill(-20), 40]);
    expect(faults(one)[0]!.numbers.spreadDb).toBeCloseTo(Math.sqrt(144 / 16), 9);
    const other = swaying(0).map((each): LoudStroke => ({ ...each, limb: 'left foot' }));
    const [alone, beside] = [swaying(8), [...swaying(8), ...other]].map(
      (all) => loudnessFaults(all, 'concert')[0]!.score,
    );
    expect(alone! - beside!).toBeCloseTo(Math.LN2, 9);
    const times = spread(8) / 2.25;
    expect(alone).toBeCloseTo(8 * ((times ** 2 - 1) / 2 - Math.log(times)), 9);
  });
});

describe('second strokes of doubles', () => {
  test('that are weak: from two decibels under the first on, weak at four', () => {
    expect(secondsAbove(doubles(-3, 1))).toEqual([-3, 1]);
    expect(faults(doubles(-3, -3, -3, -3))).toEqual([
      { kind: 'doubles', size: 0.75, numbers: { weakDb: 3, passesDb: 4, strokes: 4 } },
    ]);
    expect(faults(doubles(-2, -2, -2, -2))).toEqual([]);
    expect(faults(doubles(-9, -9, -9))).toEqual([]);
    const { score } = loudnessFaults(doubles(-4, -4, -4, -4), 'advanced')[0]!;
    expect(score).toBeCloseTo((2 / 0.5) ** 2 / 2 - Math.LN2, 9);
  });

  test('of which both were heard', () => {
    const [first, second] = doubles(-6);
    expect(secondsAbove([second!])).toEqual([]);
    expect(secondsAbove([first!])).toEqual([]);
    expect(secondsAbove([{ ...second!, pair: undefined }, first!])).toEqual([]);
  });
});
