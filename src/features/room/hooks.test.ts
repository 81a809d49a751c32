// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { SCHOOLS } from '@/core/counting/schools';
import { usualClimb } from '@/core/plan/ladder';
import { createElement, useMemo, useReducer, type ReactNode } from 'react';
import { type Climb } from '@/core/documents/climb';
import { oneLine, together } from '@/core/testing/arbitrary';
import type { Limb } from '@/core/groove/limbs';
import { SPEED_LIMITS } from '@/core/limits';
import { keepLadderAction } from './actions';
import { firstSettings, type RoomSettings } from './settings';
import { useAwake } from './useAwake';
import { RoomContext } from './RoomContext';
import { roomAfter } from './state';
import { useBuildUp } from './ways/buildUp/useBuildUp';
import { useLadder } from './ways/ladder/useLadder';
import { useRest } from './useRest';
import { useWaiting } from './useWaiting';

vi.mock('./actions', () => ({
  keepLadderAction: vi.fn(async (_: string, __: unknown, from: number) => ({ kind: 'kept', step: from + 1 })),
}));
const kept = vi.mocked(keepLadderAction);

const groove = together(oneLine('t.t.t.t.', 'right hand', 120), oneLine('A...A...', 'right foot'));
const limbs: Limb[] = ['right hand', 'right foot'];

beforeEach(() => {
  kept.mockClear();
  sessionStorage.clear();
});
afterEach(() => vi.useRealTimers());

const inRoom = (climb: Climb = usualClimb(80)) =>
  function Wrapper({ children }: { children: ReactNode }) {
    const [state, dispatch] = useReducer(roomAfter, {
      settings: firstSettings(groove),
      phase: 'ready',
      goesOn: false,
      beginsAtOnce: false,
      seed: 1,
      climbing: { climb, step: 7 },
      practisedMs: 0,
    });
    const room = useMemo(
      () => ({
        playerId: 'ada',
        tolerance: 'advanced' as const,
        school: SCHOOLS[0],
        grooveId: 'groove',
        groove,
        report: 'figures' as const,
        limits: SPEED_LIMITS,
        limbs,
        state,
        dispatch,
        ways: [],
        practisedAs: () => state.settings,
      }),
      [state],
    );
    return createElement(RoomContext, { value: room }, children);
  };

describe('a ladder', () => {
  const ladder: Climb['ladder'] = {
    ...usualClimb(72).ladder,
    start: 60,
    goal: 72,
    step: 4,
    rule: { by: 'takes', climb: 2, fall: 1 },
  };
  const climb: Climb = { version: 1, ladder, standing: { rung: 1, loudness: 0, clean: 0, failed: 0, done: false } };
  const begun = () => renderHook(() => useLadder(), { wrapper: inRoom(climb) }).result;

  test('climbs after so many clean takes, says so, and is kept after each', async () => {
    const result = begun();
    await act(async () => void result.current.count(true));
    expect(result.current).toMatchObject({ said: 'Clean 1 of 2.', climb: { standing: { rung: 1, clean: 1 } } });
    await act(async () => void result.current.count(true));
    expect(result.current).toMatchObject({ said: 'Clean: up a rung.', climb: { standing: { rung: 2 } } });
    // Each goes on from the step that was kept before.
    expect(kept.mock.calls.map(([id, one, from]) => [id, one.standing.rung, from])).toEqual([
      ['groove', 1, 7],
      ['groove', 2, 8],
    ]);
  });

  test('falls back, is moved by hand, and begins anew when it is changed', async () => {
    const result = begun();
    await act(async () => void result.current.count(false));
    expect(result.current).toMatchObject({ said: 'Back a rung, to settle.', climb: { standing: { rung: 0 } } });
    await act(async () => result.current.stand({ ...climb.standing, rung: 3 }));
    expect(result.current.climb.standing.rung).toBe(3);
    expect(result.current.said).toBeUndefined();
    await act(async () => result.current.change({ ...ladder, step: 1 }));
    expect(result.current.climb).toMatchObject({ ladder: { step: 1 }, standing: { rung: 0 } });
  });

  test('out of reach of the server it stands on in this window and says so', async () => {
    kept.mockRejectedValueOnce(new Error('no network'));
    const result = begun();
    await act(async () => void result.current.count(true));
    expect(result.current.climb.standing.clean).toBe(1);
    expect(result.current.said).toMatch(/^The server cannot be reached/);
  });
});

test('a ladder that went on in another window is not overwritten, and says so', async () => {
  kept.mockResolvedValueOnce({ kind: 'behind' });
  const { result } = renderHook(() => useLadder(), { wrapper: inRoom() });
  await act(async () => void result.current.count(true));
  expect(result.current.said).toMatch(/another window/);
});

describe('a build-up', () => {
  const settings: RoomSettings = {
    ...firstSettings(groove),
    task: ['right foot'],
    heard: ['right foot'],
    buildUp: { order: ['right foot', 'right hand'], after: 2 },
  };
  const begun = (change: Partial<RoomSettings> = {}) => {
    const [set, follow] = [vi.fn(), vi.fn()];
    const { result } = renderHook(() => useBuildUp(limbs, { ...settings, ...change }, set));
    return { result, set, follow };
  };

  test('brings the next limb in after so many clean rounds in a row; one that was not begins the count again', async () => {
    const { result, follow } = begun();
    for (const clean of [true, false, true]) await result.current.onRound(() => Promise.resolve(clean), follow);
    expect(follow).not.toHaveBeenCalled();
    await result.current.onRound(() => Promise.resolve(true), follow);
    expect(follow).toHaveBeenCalledExactlyOnceWith({
      task: ['right hand', 'right foot'],
      heard: ['right hand', 'right foot'],
    });
  });

  test('a round that was judged after the next limb came in counts no more', async () => {
    const { result, follow } = begun({ buildUp: { order: ['right foot', 'right hand'], after: 1 } });
    let answer: (clean: boolean) => void = () => {};
    const late = result.current.onRound(() => new Promise((done) => (answer = done)), follow);
    result.current.bringIn(follow);
    answer(true);
    await late;
    expect(follow).toHaveBeenCalledTimes(1);
  });

  test('only when asked, in silence it stays silent, and when all are in nothing more comes', async () => {
    const asked = begun({ buildUp: { order: ['right foot', 'right hand'], after: 0 }, heard: [] });
    for (let round = 0; round < 5; round++)
      await asked.result.current.onRound(() => Promise.resolve(true), asked.follow);
    expect(asked.follow).not.toHaveBeenCalled();
    asked.result.current.bringIn(asked.follow);
    expect(asked.follow).toHaveBeenCalledWith({ task: ['right hand', 'right foot'] });
    const whole = begun({ task: limbs });
    whole.result.current.bringIn(whole.follow);
    expect([whole.follow, whole.set].every((one) => one.mock.calls.length === 0)).toBe(true);
  });
});

test('wait for me: two limbs struck within one frame are both heard, and it ends when it is stopped', () => {
  const { result } = renderHook(() => useWaiting({ groove, school: SCHOOLS[0] }, limbs));
  expect(result.current.now).toBeUndefined();
  act(() => result.current.strike('right hand'));
  expect(result.current.now).toBeUndefined();
  act(() => result.current.start());
  expect(result.current.now).toMatchObject({ step: 0 });
  act(() => {
    result.current.strike('right hand');
    result.current.strike('right foot');
  });
  expect(result.current.now).toMatchObject({ step: 1, wrong: [] });
  act(() => result.current.strike('right foot'));
  expect(result.current.now).toMatchObject({ step: 1, wrong: ['right foot'] });
  act(() => result.current.stop());
  expect(result.current.now).toBeUndefined();
});

test('after 25 minutes of playing a rest is offered, over several takes, until one has rested', () => {
  vi.useFakeTimers({ toFake: ['Date'], now: 1_000_000_000_000 });
  const { result, rerender } = renderHook(({ playing }) => useRest(playing), { initialProps: { playing: false } });
  const play = (minutes: number) => {
    rerender({ playing: true });
    vi.setSystemTime(Date.now() + minutes * 60_000);
    rerender({ playing: false });
  };
  play(13);
  expect(result.current[0]).toBe(false);
  vi.setSystemTime(Date.now() + 60_000);
  play(13);
  expect(result.current[0]).toBe(true);
  act(() => result.current[1]());
  expect(result.current[0]).toBe(false);
  // Five minutes without any are a rest of their own.
  play(20);
  vi.setSystemTime(Date.now() + 6 * 60_000);
  play(20);
  expect(result.current[0]).toBe(false);
});

test('the screen is kept awake while it plays, asked for again when it is seen again, and let go', async () => {
  const locks: { release: ReturnType<typeof vi.fn> }[] = [];
  const request = vi.fn(async () => {
    const lock = { release: vi.fn(async () => {}) };
    locks.push(lock);
    return lock;
  });
  vi.stubGlobal('navigator', Object.assign(Object.create(navigator) as Navigator, { wakeLock: { request } }));
  const { rerender } = renderHook(({ on }) => useAwake(on), { initialProps: { on: false } });
  expect(request).not.toHaveBeenCalled();
  rerender({ on: true });
  await vi.waitFor(() => expect(locks).toHaveLength(1));
  await act(async () => void document.dispatchEvent(new Event('visibilitychange')));
  expect(locks).toHaveLength(2);
  rerender({ on: false });
  expect(locks[1]!.release).toHaveBeenCalled();
  vi.unstubAllGlobals();
});
