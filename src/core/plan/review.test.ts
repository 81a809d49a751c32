import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { LONGEST_GAP, recalledOn, recallOf, type Learnt, type Tried } from './review';

const take = (day: number, bpm: number, clean: boolean, spreadMs: number | null = 20): Tried => ({
  day,
  bpm,
  clean,
  spreadMs,
  toleranceMs: 25,
});
const item = (...tries: Tried[]): Learnt => ({ goal: 92, step: 4, passTakes: 2, tries });
const passed = [take(100, 92, true), take(100, 92, true)];

describe('what a day says', () => {
  test('is from the takes that were as quick as asked', () => {
    expect(recalledOn([take(1, 80, true)], 92)).toBeUndefined();
    expect(recalledOn([take(1, 80, false), take(1, 92, true)], 92)).toBe('good');
    expect(recalledOn([take(1, 92, false), take(1, 92, true)], 92)).toBe('hard');
    expect(recalledOn([take(1, 92, false), take(1, 96, false)], 92)).toBe('failed');
  });

  test('is easy with half the spread that would do, and no more than good where the spread is not known', () => {
    expect(recalledOn([take(1, 92, true, 12.5)], 92)).toBe('easy');
    expect(recalledOn([take(1, 92, true, 12.6)], 92)).toBe('good');
    expect(recalledOn([take(1, 92, true, null)], 92)).toBe('good');
  });
});

describe('where an item stands', () => {
  test('nowhere while it is not passed: too few clean takes, or too slow', () => {
    expect(recallOf(item())).toBeUndefined();
    expect(recallOf(item(take(1, 92, true), take(2, 88, true), take(3, 92, false)))).toBeUndefined();
  });

  test('it comes back at growing distances', () => {
    const gaps: number[] = [];
    const tries = [...passed];
    for (let index = 0; index < 5; index++) {
      const { gap, dueOn } = recallOf(item(...tries))!;
      gaps.push(gap);
      tries.push(take(dueOn, 92, true));
    }
    expect(gaps).toEqual(gaps.toSorted((a, b) => a - b));
    expect(gaps[0]).toBe(3);
    expect(gaps[1]).toBeGreaterThan(gaps[0]!);
    expect(gaps.at(-1)).toBe(LONGEST_GAP);
  });

  test('a failed review steps back a rung and is due the next day; a clean one at that tempo steps up again', () => {
    const failed = recallOf(item(...passed, take(103, 92, false)))!;
    expect(failed).toMatchObject({ last: 'failed', back: 1, bpm: 88, failed: 1, dueOn: 104 });
    const twice = recallOf(item(...passed, take(103, 92, false), take(104, 88, false)))!;
    expect(twice).toMatchObject({ back: 2, bpm: 84, failed: 2, dueOn: 105 });
    const up = recallOf(item(...passed, take(103, 92, false), take(104, 88, true)))!;
    expect(up).toMatchObject({ last: 'hard', back: 0, bpm: 92, failed: 0, dueOn: 106 });
  });

  test('no farther back than four rungs, and never below the slowest tempo', () => {
    const all = Array.from({ length: 9 }, (_, index) => take(103 + index, 92, false));
    expect(recallOf(item(...passed, ...all))).toMatchObject({ back: 4, bpm: 76, failed: 9 });
    const slow = { ...item(take(1, 24, true), take(2, 24, true), take(5, 24, false), take(6, 24, false)), goal: 24 };
    expect(recallOf(slow)!.bpm).toBe(20);
  });

  test('more takes on the day it was passed, and slow practice later, are no reviews', () => {
    const once = recallOf(item(...passed))!;
    expect(recallOf(item(...passed, take(100, 92, false), take(104, 60, false)))).toEqual(once);
  });
});

const tries = fc
  .array(
    fc.record({
      gap: fc.integer({ min: 0, max: 20 }),
      bpm: fc.constantFrom(80, 88, 92, 96),
      clean: fc.boolean(),
      spreadMs: fc.option(fc.integer({ min: 2, max: 40 })),
    }),
    { maxLength: 40 },
  )
  .map((all) => {
    let day = 100;
    return all.map(({ gap, ...one }): Tried => ({ ...one, day: (day += gap), toleranceMs: 25 }));
  });

test('a failed review comes sooner than a passed one, whatever came before', () => {
  fc.assert(
    fc.property(tries, fc.integer({ min: 1, max: 60 }), (before, wait) => {
      const history = [...passed, ...before];
      const day = Math.max(...history.map((one) => one.day)) + wait;
      const after = (clean: boolean) => recallOf(item(...history, take(day, 120, clean)))!;
      expect(after(false).dueOn).toBeLessThan(after(true).dueOn);
    }),
  );
});

test('the same takes give the same; it is due after it was last asked, within the longest gap, and no quicker than its goal', () => {
  fc.assert(
    fc.property(tries, (before) => {
      const recall = recallOf(item(...passed, ...before))!;
      expect(recallOf(item(...passed, ...before))).toEqual(recall);
      expect(recall.gap).toBeGreaterThanOrEqual(1);
      expect(recall.gap).toBeLessThanOrEqual(LONGEST_GAP);
      expect(recall.dueOn).toBe(recall.lastOn + recall.gap);
      expect(recall.bpm).toBe(92 - 4 * recall.back);
    }),
  );
});
