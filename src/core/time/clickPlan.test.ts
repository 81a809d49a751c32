import { describe, expect, test } from 'vitest';
import { CLICK_PLAN_NAMES, CLICK_PLANS, clickPlanShape, planInWords, type ClickPlan } from './clickPlan';

describe('a plan in words', () => {
  test('bears its name where it has one', () => {
    expect(CLICK_PLAN_NAMES.map((name) => planInWords(CLICK_PLANS[name]))).toEqual(CLICK_PLAN_NAMES);
  });

  const counts = CLICK_PLANS.counts;
  test.each<[ClickPlan, string]>([
    [{ kind: 'value', value: '16th' }, '16ths'],
    [{ kind: 'value', value: 'half' }, 'halves'],
    [{ kind: 'every', counts: '3/2', from: '0' }, 'every 3/2 counts'],
    [{ kind: 'every', counts: '1', from: '1/2' }, 'every 1 counts'],
    [{ kind: 'on', counts: [3] }, 'only 3'],
    [{ kind: 'on', counts: [1, 3, 4] }, '1 and 3 and 4'],
    [{ kind: 'gaps', of: counts, on: 1, off: 3 }, '1 bar on, 3 silent, counts'],
    [{ kind: 'gaps', of: { kind: 'on', counts: [2] }, on: 3, off: 1 }, '3 bars on, 1 silent, only 2'],
    [{ kind: 'drops', of: counts, percent: 30, seed: 1 }, 'counts, 30 % dropped'],
    [{ kind: 'thinning', stages: [counts, { kind: 'silent' }], bars: 1 }, 'thinning out and back every 1 bar'],
    [{ kind: 'thinning', stages: [counts, { kind: 'silent' }], bars: 2 }, 'thinning out and back every 2 bars'],
  ])('%j says %s', (plan, words) => expect(planInWords(plan)).toBe(words));

  test('at most 60 characters, as many as are kept', () => {
    const all = { kind: 'on', counts: Array.from({ length: 32 }, (_, at) => at + 1) } as const;
    expect(planInWords({ ...all, counts: [...all.counts] })).toHaveLength(60);
  });
});

describe('how often it may click', () => {
  const isPlan = (counts: string, from = '0') => clickPlanShape.safeParse({ kind: 'every', counts, from }).success;
  test('from 24 a count to one in 1,024, in parts of a count no finer than 96', () => {
    expect(['1/24', '1/3', '2', '1024', '95/96'].map((counts) => isPlan(counts))).toEqual(Array(5).fill(true));
    expect(['0', '-1', '1/25', '1025', '1024/1023', '96/97', 'x', ''].map((counts) => isPlan(counts))).toEqual(
      Array(8).fill(false),
    );
  });

  test('beginning after 0 to 1,024 counts', () => {
    expect(['0', '1/2', '1024'].map((from) => isPlan('1', from))).toEqual([true, true, true]);
    expect(['-1', '-1/2', '1025', '1/97', 'x'].map((from) => isPlan('1', from))).toEqual(Array(5).fill(false));
  });
});
