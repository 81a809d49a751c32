// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { SCHOOLS } from '@/core/counting/schools';
import { oneLine, together } from '@/core/testing/arbitrary';
import type { Moment } from './moment';
import { useStage } from './useStage';

const groove = together(oneLine('t.t.t.t.', 'right hand', 120), oneLine('A...A...', 'right foot'));

describe('the stage', () => {
  const moment = (change: Partial<Moment>): Moment => ({
    bar: 0,
    barInRun: 0,
    fraction: 0,
    countingIn: false,
    round: 0,
    pass: 0,
    bars: 8,
    share: 0,
    ...change,
  });
  const begun = (more: Partial<Parameters<typeof useStage>[0]> = {}) => {
    const shown = { piece: { groove, school: SCHOOLS[0] }, bpm: 120, ...more };
    const { result } = renderHook(() => useStage(shown));
    const [playhead, fill, bar] = [vi.fn(), vi.fn(), vi.fn()];
    const [count, side] = [document.createElement('p'), document.createElement('p')];
    result.current.strip.current = { playhead };
    result.current.ring.current = { fill };
    result.current.layers.current = { bar };
    result.current.count.current = count;
    result.current.side.current = side;
    return { result, playhead, fill, count, side };
  };

  test('the count is written as it is said, the playhead stands where the ear is, and all goes when it is over', () => {
    const { result, playhead, fill, count } = begun();
    act(() => result.current.onMoment(moment({ countingIn: true, fraction: 0.5, share: 0.1 })));
    expect([count.textContent, playhead.mock.lastCall, fill.mock.lastCall]).toEqual(['3', [undefined, 0.5], [0.1]]);
    act(() => result.current.onMoment(moment({ fraction: 0.13 })));
    expect([count.textContent, playhead.mock.lastCall]).toEqual(['&', [0, 0.13]]);
    act(() => result.current.onMoment(undefined));
    expect([count.textContent, playhead.mock.lastCall, fill.mock.lastCall]).toEqual(['', [undefined, 0], [undefined]]);
  });

  test('of a drill the bar within its exercise is what the playhead stands in', () => {
    const [one, rest] = [groove.bars[0]!, { ...groove.bars[0]!, strokes: [] }];
    const passages = [
      { from: 0, bars: 1, times: 2, exercise: 0 },
      { from: 1, bars: 1, times: 1 },
      { from: 2, bars: 1, times: 2, exercise: 1 },
    ];
    const exercises = [0, 1].map((name) => ({ say: `exercise ${name}`, places: [] }));
    const piece = { groove: { ...groove, bars: [one, rest, one] }, passages, exercises, school: SCHOOLS[0] };
    const { result, playhead } = begun({ piece });
    act(() => result.current.onMoment(moment({ bar: 0, barInRun: 1, exercise: 0, fraction: 0.25 })));
    expect([playhead.mock.lastCall, result.current.onStage]).toEqual([
      [0, 0.25],
      { now: 0, at: 1, bar: 0, next: { exercise: 1, inBars: 2 } },
    ]);
    act(() => result.current.onMoment(moment({ bar: 1, barInRun: 2, fraction: 0.25 })));
    expect([playhead.mock.lastCall, result.current.onStage]).toEqual([
      [undefined, 0.25],
      { now: undefined, at: 2, bar: 1, next: { exercise: 1, inBars: 1 } },
    ]);
    act(() => result.current.onMoment(moment({ bar: 2, barInRun: 4, exercise: 1 })));
    expect(result.current.onStage).toEqual({ now: 1, at: 4, bar: 2 });
    act(() => result.current.onMoment(undefined));
    expect(result.current.onStage).toMatchObject({ now: 0 });
  });
});
