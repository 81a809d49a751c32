import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { StrokeCounter } from './strokeCounter';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const counted = (strokes: number[], forgetAt?: number) => {
  const counts: number[] = [];
  const counter = new StrokeCounter((count) => counts.push(count));
  let now = 0;
  for (const ms of strokes) {
    vi.advanceTimersByTime(ms - now);
    now = ms;
    if (ms === forgetAt) counter.forget();
    counter.strike(ms);
  }
  vi.advanceTimersByTime(5000);
  return counts;
};

test('strokes that follow one another are one count; a rest ends it', () => {
  expect(counted([0, 300, 600])).toEqual([3]);
  expect(counted([0, 899])).toEqual([2]);
  expect(counted([0, 901])).toEqual([1, 1]);
});

test('a bounce is no stroke, nor are two limbs at once two', () => {
  expect(counted([0, 30, 400, 459])).toEqual([2]);
  expect(counted([0, 60])).toEqual([2]);
});

test('what was forgotten is not told', () => {
  expect(counted([0, 300, 600, 800], 600)).toEqual([2]);
});
