// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { RoomState } from '../../state';
import { useLook } from './useLook';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

const looking = (seconds: number) =>
  renderHook(({ phase }: { phase: RoomState['phase'] }) => useLook(seconds, phase), {
    initialProps: { phase: 'ready' },
  });

test('the seconds to look go by once they are begun, and stop at none', () => {
  const { result } = looking(3);
  act(() => void vi.advanceTimersByTime(5000));
  expect(result.current.leftS).toBeUndefined();
  act(() => result.current.begin());
  expect(result.current.leftS).toBe(3);
  act(() => void vi.advanceTimersByTime(2000));
  expect(result.current.leftS).toBe(1);
  act(() => void vi.advanceTimersByTime(9000));
  expect(result.current.leftS).toBe(0);
});

test('a take that could not begin leaves the line in sight; one that plays ends the look', () => {
  const { result, rerender } = looking(2);
  act(() => result.current.begin());
  act(() => void vi.advanceTimersByTime(2000));
  rerender({ phase: 'starting' });
  rerender({ phase: 'ready' });
  expect(result.current.leftS).toBe(0);
  rerender({ phase: 'playing' });
  expect(result.current.leftS).toBeUndefined();
  rerender({ phase: 'judged' });
  act(() => result.current.begin());
  expect(result.current.leftS).toBe(2);
});

test('without time to look it is over as it begins', () => {
  const { result } = looking(0);
  act(() => result.current.begin());
  expect(result.current.leftS).toBe(0);
});
