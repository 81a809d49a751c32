// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { useKept } from './useKept';

beforeEach(() => localStorage.clear());

test('what is kept is there again, in every place of the page that asks', () => {
  const [one, other] = [
    renderHook(() => useKept<number>('size', 3)).result,
    renderHook(() => useKept<number>('size', 3)).result,
  ];
  expect(one.current[0]).toBe(3);
  act(() => one.current[1](5));
  expect([one.current[0], other.current[0]]).toEqual([5, 5]);
  expect(renderHook(() => useKept<number>('size', 3)).result.current[0]).toBe(5);
  expect(renderHook(() => useKept<number>('another', 3)).result.current[0]).toBe(3);
});

test('another window’s change is taken over', () => {
  const { result } = renderHook(() => useKept('open', false));
  localStorage.setItem('open', 'true');
  act(() => void dispatchEvent(new Event('storage')));
  expect(result.current[0]).toBe(true);
});

test('what is kept and is not of its kind counts as nothing', () => {
  localStorage.setItem('size', '"large"');
  expect(renderHook(() => useKept<number>('size', 3)).result.current[0]).toBe(3);
  localStorage.setItem('size', '{');
  expect(renderHook(() => useKept<number>('size', 3)).result.current[0]).toBe(3);
});

test('a browser that keeps nothing goes on with what is usual', () => {
  vi.stubGlobal('localStorage', {
    getItem: () => null,
    setItem: () => {
      throw new Error('full');
    },
  });
  const { result } = renderHook(() => useKept<number>('size', 3));
  act(() => result.current[1](5));
  expect(result.current[0]).toBe(3);
  vi.unstubAllGlobals();
});
