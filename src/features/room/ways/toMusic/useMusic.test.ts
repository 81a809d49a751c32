// @vitest-environment happy-dom
import { act, renderHook } from '@testing-library/react';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { readMusic, slowed, type Music } from '@/sound/music';
import { forgetMusic, useMusic } from './useMusic';

vi.mock('@/sound/music', () => ({ readMusic: vi.fn(), slowed: vi.fn() }));
const [reads, slows] = [vi.mocked(readMusic), vi.mocked(slowed)];

const bufferOf = (name: string) => ({ name, duration: 60 }) as unknown as AudioBuffer;
const music = (name: string): Music => ({ name, hash: `hash of ${name}`, buffer: bufferOf(name) });
const file = (name: string) => ({ name }) as File;

beforeEach(() => {
  localStorage.clear();
  forgetMusic();
  reads.mockReset().mockImplementation(async ({ name }) => music(name));
  slows
    .mockReset()
    .mockImplementation(async (buffer, speed) =>
      speed === 1 ? buffer : bufferOf(`${(buffer as unknown as Music).name} at ${speed}`),
    );
});

const opened = async (name = 'song.wav') => {
  const { result } = renderHook(() => useMusic(92));
  await act(async () => result.current.open(file(name)));
  return result;
};

describe('a file that is opened', () => {
  test('begins with the groove’s tempo at full speed, ready to be played to', async () => {
    const result = await opened();
    expect(result.current).toMatchObject({
      settings: { name: 'song.wav', bpm: 92, firstBeatMs: 0, speed: 100 },
      busy: undefined,
    });
    expect(result.current.ready).toEqual(bufferOf('song.wav'));
  });

  test('is remembered by its bytes: what was set stands there the next time, under any name', async () => {
    const result = await opened();
    await act(async () => result.current.change({ bpm: 101.5, firstBeatMs: 340 }));
    reads.mockImplementation(async ({ name }) => ({ ...music('song.wav'), name }));
    const again = await opened('the same, renamed.wav');
    expect(again.current.settings).toMatchObject({ bpm: 101.5, firstBeatMs: 340 });
    const other = renderHook(() => useMusic(70)).result;
    reads.mockImplementation(async () => music('another.wav'));
    await act(async () => other.current.open(file('another.wav')));
    expect(other.current.settings).toMatchObject({ bpm: 70 });
  });

  test('what is kept of it that cannot be read is as if nothing were', async () => {
    localStorage.setItem('mochila music hash of song.wav', '{"bpm": "quick"}');
    expect((await opened()).current.settings).toMatchObject({ bpm: 92 });
    localStorage.setItem('mochila music hash of song.wav', '{');
    expect((await opened()).current.settings).toMatchObject({ bpm: 92 });
  });
});

describe('slowed', () => {
  test('it is not ready until it is made; how much is done is heard', async () => {
    const result = await opened();
    let finish: (buffer: AudioBuffer) => void = () => {};
    slows.mockImplementation((_, __, onShare) => {
      onShare(0.4);
      return new Promise((resolve) => (finish = resolve));
    });
    await act(async () => result.current.change({ speed: 75 }));
    expect(result.current).toMatchObject({ ready: undefined, busy: { what: 'slowing', share: 0.4 } });
    await act(async () => finish(bufferOf('slow')));
    expect(result.current).toMatchObject({ busy: undefined, ready: { name: 'slow' } });
  });

  test('only the last speed asked for counts, whichever is made first', async () => {
    const result = await opened();
    const finish = new Map<number, () => void>();
    slows.mockImplementation(
      (_, speed) => new Promise((resolve) => finish.set(speed, () => resolve(bufferOf(`at ${speed}`)))),
    );
    await act(async () => result.current.change({ speed: 75 }));
    await act(async () => result.current.change({ speed: 50 }));
    await act(async () => finish.get(0.5)!());
    await act(async () => finish.get(0.75)!());
    expect(result.current.ready).toEqual(bufferOf('at 0.5'));
  });

  test('where the browser cannot, it says so and full speed is left', async () => {
    const result = await opened();
    slows.mockImplementation(async (buffer, speed) => {
      if (speed !== 1) throw new Error('no worklet');
      return buffer;
    });
    await act(async () => result.current.change({ speed: 60 }));
    expect(result.current).toMatchObject({
      ready: undefined,
      busy: undefined,
      say: 'This browser cannot slow the music down. Play it at 100 %.',
    });
    await act(async () => result.current.change({ speed: 100 }));
    expect(result.current.ready).toEqual(bufferOf('song.wav'));
  });
});

test('a file that cannot be read says why, and what was open before stays open', async () => {
  const result = await opened();
  reads.mockRejectedValue(new Error('“noise.txt” cannot be decoded.'));
  await act(async () => result.current.open(file('noise.txt')));
  expect(result.current).toMatchObject({
    say: '“noise.txt” cannot be decoded.',
    settings: { name: 'song.wav' },
    busy: undefined,
  });
  expect(result.current.ready).toEqual(bufferOf('song.wav'));
});

test('nothing is set before a file is open', async () => {
  const { result } = renderHook(() => useMusic(92));
  await act(async () => result.current.change({ bpm: 120 }));
  expect([result.current.settings, result.current.ready]).toEqual([undefined, undefined]);
  expect(localStorage).toHaveLength(0);
});
