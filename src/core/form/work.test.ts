import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readTake, writeTake } from '../documents/take';
import { MOST_SOUNDS } from '../limits';
import { schedule } from '../schedule/schedule';
import { anyPlan, oneLine } from '../testing/arbitrary';
import { emptyTake } from '../testing/takes';
import { CLICK_PLANS, clickPlanShape, type ClickPlan } from '../time/clickPlan';
import { formOf } from './form';
import { tooMuchWork, workOf } from './work';

const everyCounts = (counts: string): ClickPlan => ({ kind: 'every', counts, from: '0' });

describe('the work a plan asks for', () => {
  test('is never less than what is then scheduled, whatever the groove and click', () => {
    const plans = fc.constantFrom<ClickPlan>(...Object.values(CLICK_PLANS), everyCounts('2/3'), everyCounts('5'));
    fc.assert(
      fc.property(anyPlan(), plans, plans, (given, click, later) => {
        const plan = { ...given, countIn: 0, click, changes: [{ fromBar: 1, click: later }] };
        const { bars, sounds } = schedule(formOf(plan));
        expect(workOf(plan).bars).toBe(bars.length);
        expect(workOf(plan).sounds).toBeGreaterThanOrEqual(sounds.length);
      }),
    );
  });

  test('counts strokes, graces and clicks of every round: what it comes to where the click stays the same', () => {
    const groove = oneLine('t.t.t.t.');
    groove.bars[0]!.strokes[0]!.ornament = 'drag';
    expect(workOf({ groove, rounds: 3, click: CLICK_PLANS.counts })).toEqual({ bars: 3, sounds: 3 * (6 + 4) });
    const passages = [
      { from: 0, bars: 1, times: 5 },
      { from: 0, bars: 1, times: 2 },
    ];
    expect(workOf({ groove, passages, rounds: 2, click: CLICK_PLANS.silent })).toEqual({ bars: 14, sounds: 84 });
  });

  test('is told in words where it is too much, at the bound and not before', () => {
    // 16 strokes and 4 clicks a bar.
    const plan = { groove: oneLine('tttttttttttttttt'), click: CLICK_PLANS.counts };
    expect(tooMuchWork({ ...plan, rounds: MOST_SOUNDS / 20 })).toEqual([]);
    expect(tooMuchWork({ ...plan, rounds: MOST_SOUNDS / 20 + 1 })).toMatchObject([
      { code: 'too-many-sounds', numbers: { sounds: MOST_SOUNDS + 20, most: MOST_SOUNDS } },
    ]);
    expect(tooMuchWork({ ...plan, rounds: 10_001 })).toMatchObject([{ code: 'too-many-bars' }]);
  });
});

describe('a take that asks for more than is worked out', () => {
  const take = writeTake(emptyTake(oneLine('tttttttttttttttt')));
  const codes = (changed: object) => {
    const read = readTake({ ...take, ...changed });
    return read.ok ? [] : read.problems.map(({ code }) => code);
  };

  test.each(['1/999999999999999', '1/1000000', '1/25', '999999999999999/1000000000000', '1025'])(
    'a click every %s counts is none',
    (counts) => {
      expect(clickPlanShape.safeParse(everyCounts(counts)).success).toBe(false);
      expect(codes({ click: everyCounts(counts) })).not.toEqual([]);
      expect(codes({ changes: [{ fromBar: 1, click: everyCounts(counts) }] })).not.toEqual([]);
    },
  );

  test('the thickest click, many stages of it, and many rounds of many strokes', () => {
    expect(codes({ click: everyCounts('1/24') })).toEqual([]);
    const thick = Array.from({ length: 8 }, () => everyCounts('1/24'));
    expect(codes({ click: { kind: 'thinning', stages: thick, bars: 1 }, rounds: 2000 })).toEqual(['too-many-sounds']);
    expect(codes({ rounds: 2000, click: { kind: 'slots' } })).toEqual([]);
    expect(codes({ rounds: 2000, passages: [{ from: 0, bars: 1, times: 3 }] })).toEqual(['too-many-sounds']);
    expect(codes({ rounds: 2000, passages: [{ from: 0, bars: 1, times: 2000 }] })).toEqual(['too-many-bars']);
  });
});
