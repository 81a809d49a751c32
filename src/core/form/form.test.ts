import { describe, expect, test } from 'vitest';
import { oneLine } from '../testing/arbitrary';
import { CLICK_PLANS } from '../time/clickPlan';
import { barsThrough, formOf, taskIn, type Plan } from './form';

const [one, other] = [oneLine('t...'), oneLine('..t.')];
const groove = { ...one, bars: [one.bars[0]!, other.bars[0]!] };
const plan = (change: Partial<Plan> = {}): Plan => ({
  groove,
  rounds: 2,
  bpm: 60,
  click: CLICK_PLANS.counts,
  countIn: 0,
  ...change,
});

describe('a plan as a list of bars', () => {
  test('goes through the groove so many times; each bar knows where it comes from', () => {
    expect(formOf(plan()).bars.map(({ origin }) => origin)).toEqual([
      { bar: 0, round: 0, pass: 0 },
      { bar: 1, round: 0, pass: 0 },
      { bar: 0, round: 1, pass: 1 },
      { bar: 1, round: 1, pass: 1 },
    ]);
  });

  test('goes through passages: a bar played several times is one bar, and its rounds count on', () => {
    const passages = [
      { from: 1, bars: 1, times: 2, exercise: 0 },
      { from: 0, bars: 1, times: 1 },
    ];
    expect(barsThrough(passages)).toBe(3);
    const { bars } = formOf(plan({ passages }));
    expect(bars.map(({ origin }) => [origin.bar, origin.round, origin.pass, origin.exercise])).toEqual([
      [1, 0, 0, 0],
      [1, 1, 0, 0],
      [0, 0, 0, undefined],
      [1, 2, 1, 0],
      [1, 3, 1, 0],
      [0, 1, 1, undefined],
    ]);
    expect(bars[0]!.bar).toBe(bars[1]!.bar);
  });

  test('a call is made before the first bar of its passage only', () => {
    const passages = [{ from: 0, bars: 2, times: 2, call: ['one'] }];
    expect(formOf(plan({ passages, rounds: 1 })).bars.map(({ call }) => call)).toEqual([
      ['one'],
      undefined,
      undefined,
      undefined,
    ]);
  });

  test('what is set anew holds from its bar on; a passage keeps its own swing', () => {
    const swing = { value: '8th' as const, ratio: '2' };
    const changes = [
      { fromBar: 1, bpm: 90, task: ['right hand' as const] },
      { fromBar: 2, click: CLICK_PLANS.silent, swing },
      { fromBar: 3, swing: 'straight' as const },
    ];
    const form = formOf(plan({ changes }));
    expect(form.bars.map((bar) => [bar.tempo.bpm, bar.clickFrom, bar.swing, bar.task])).toEqual([
      [60, 0, undefined, undefined],
      [90, 0, undefined, ['right hand']],
      [90, 2, swing, ['right hand']],
      [90, 2, undefined, ['right hand']],
    ]);
    expect([-1, 0, 1, 9].map((bar) => taskIn(form, bar, []))).toEqual([[], [], ['right hand'], ['right hand']]);
    const own = [{ from: 0, bars: 1, times: 4, swing: 'straight' as const }];
    expect(formOf(plan({ passages: own, swing })).bars[0]!.swing).toBeUndefined();
  });

  test('only some limbs, or none of them, leave the bars as they are', () => {
    const feet = formOf(plan({ limbs: ['right foot'] }));
    expect(feet.bars).toHaveLength(4);
    expect(feet.bars.every(({ bar }) => bar.strokes.length === 0)).toBe(true);
  });
});
