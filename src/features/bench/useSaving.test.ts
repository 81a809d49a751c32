// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { writeGroove } from '@/core/documents/groove';
import { type Groove } from '@/core/groove/groove';
import { oneLine } from '@/core/testing/arbitrary';
import { keepCopyAction, saveGrooveAction } from './actions';
import { useSaving } from './useSaving';

vi.mock('./actions', () => ({ saveGrooveAction: vi.fn(), keepCopyAction: vi.fn(async () => ({ ok: true })) }));
const [saves, copies] = [vi.mocked(saveGrooveAction), vi.mocked(keepCopyAction)];

const [first, second, third] = ['t...', 'tt..', 'ttt.'].map((line) => oneLine(line)) as [Groove, Groove, Groove];
const DRAFT = 'mochila draft g';
const draft = () => JSON.parse(localStorage.getItem(DRAFT) ?? 'null') as { from: number; groove: unknown } | null;

beforeEach(() => {
  localStorage.clear();
  saves.mockReset().mockImplementation(async ({ from }) => ({ kind: 'saved', saveNumber: from + 1 }));
  copies.mockClear();
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
});
afterEach(() => vi.useRealTimers());

function bench(opened: Groove = first, saveNumber = 4) {
  const load = vi.fn();
  const { result, rerender, unmount } = renderHook(
    ({ groove }) => useSaving('g', 'first year', { groove: opened, saveNumber }, groove, load),
    {
      initialProps: { groove: opened },
    },
  );
  const edit = (groove: Groove) => rerender({ groove });
  const rest = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
  return { result, edit, rest, unmount, load };
}

describe('an edit saves itself', () => {
  test('when the hands rest: from the save it started from, and the next from that one', async () => {
    const { result, edit, rest } = bench();
    expect(result.current.saving.kind).toBe('saved');
    edit(second);
    expect(result.current.saving.kind).toBe('waiting');
    await rest(300);
    edit(third);
    await rest(300);
    expect(saves).not.toHaveBeenCalled();
    await rest(300);
    expect(saves.mock.calls.map(([{ from, groove }]) => [from, groove])).toEqual([[4, writeGroove(third)]]);
    expect(result.current.saving.kind).toBe('saved');
    expect(draft()).toBeNull();
    edit(second);
    await rest(600);
    expect(saves.mock.lastCall![0].from).toBe(5);
  });

  test('before the server has it, it is written into this browser; closing the window at once loses nothing', async () => {
    const { edit, rest, unmount } = bench();
    edit(second);
    await rest(1);
    expect(draft()).toEqual({ from: 4, groove: writeGroove(second) });
    edit(third);
    unmount();
    expect(draft()).toEqual({ from: 4, groove: writeGroove(third) });
    const again = bench();
    expect(again.load).toHaveBeenCalledExactlyOnceWith(third);
  });

  test('a draft that is what stands there, or that cannot be read, is forgotten', () => {
    localStorage.setItem(DRAFT, JSON.stringify({ from: 4, groove: writeGroove(first) }));
    expect(bench().load).not.toHaveBeenCalled();
    localStorage.setItem(DRAFT, '{"from": 4, "groove": {"version": 9}}');
    expect(bench().load).not.toHaveBeenCalled();
    expect(draft()).toBeNull();
  });

  test('out of reach it says so, keeps the draft, and tries again by itself', async () => {
    saves.mockRejectedValueOnce(new Error('no network'));
    const { result, edit, rest } = bench();
    edit(second);
    await rest(600);
    expect(result.current.saving).toMatchObject({
      kind: 'offline',
      say: expect.stringMatching(/^The server cannot be reached/) as string,
    });
    expect(draft()).toMatchObject({ from: 4 });
    await rest(5100);
    await rest(600);
    expect(saves).toHaveBeenCalledTimes(2);
    expect(result.current.saving.kind).toBe('saved');
  });

  test('what the server refuses is said in its words', async () => {
    saves.mockResolvedValueOnce({ kind: 'refused', say: 'bar 1: two strokes on one slot.' });
    const { result, edit, rest } = bench();
    edit(second);
    await rest(600);
    expect(result.current.saving).toEqual({ kind: 'offline', say: 'bar 1: two strokes on one slot.' });
  });
});

describe('saved in another window meanwhile', () => {
  const behind = async () => {
    saves.mockResolvedValueOnce({ kind: 'behind', saveNumber: 9, groove: writeGroove(third) });
    const one = bench();
    one.edit(second);
    await one.rest(600);
    expect(one.result.current.saving).toMatchObject({ kind: 'behind', theirs: third, saveNumber: 9 });
    return one;
  };

  test('mine is kept: the other goes on as a copy, and mine is saved over its number', async () => {
    const { result, rest } = await behind();
    await act(() => result.current.choose('mine'));
    expect(copies).toHaveBeenCalledExactlyOnceWith(writeGroove(third), 'first year');
    await rest(600);
    expect(saves.mock.lastCall![0]).toMatchObject({ from: 9, groove: writeGroove(second) });
    expect(result.current.saving.kind).toBe('saved');
  });

  test('theirs is taken: mine goes on as a copy, and nothing is left to bring it back', async () => {
    const { result, load } = await behind();
    await act(() => result.current.choose('theirs'));
    expect(copies).toHaveBeenCalledExactlyOnceWith(writeGroove(second), 'first year');
    expect(load).toHaveBeenCalledWith(third);
    expect(draft()).toBeNull();
  });

  test('if the other cannot be kept as a copy, nothing is chosen', async () => {
    copies.mockResolvedValueOnce({ ok: false });
    const { result } = await behind();
    await act(() => result.current.choose('mine'));
    expect(result.current.saving.kind).toBe('behind');
  });

  test('when it is my own edit that stands there, its answer was lost: that is a save', async () => {
    saves.mockResolvedValueOnce({ kind: 'behind', saveNumber: 5, groove: writeGroove(second) });
    const { result, edit, rest } = bench();
    edit(second);
    await rest(600);
    expect(result.current.saving.kind).toBe('saved');
    edit(third);
    await rest(600);
    expect(saves.mock.lastCall![0].from).toBe(5);
  });
});
