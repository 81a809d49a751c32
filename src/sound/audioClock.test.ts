import { expect, test } from 'vitest';
import { AudioClock } from './audioClock';

const context = (stamp: { contextTime?: number; performanceTime?: number }, currentTime = 0, outputLatency = 0) => ({
  currentTime,
  outputLatency,
  baseLatency: 0.005,
  getOutputTimestamp: () => stamp,
});

test('what leaves the loudspeaker is taken from the output time stamp', () => {
  const clock = new AudioClock(context({ contextTime: 2, performanceTime: 10_000 }));
  clock.read(10_010);
  expect(clock.heardAt(10_000)).toBe(2000);
  expect(clock.heardAt(10_250)).toBe(2250);
});

test('without one, the reported latency is taken off', () => {
  const clock = new AudioClock(context({ contextTime: 0, performanceTime: 0 }, 3, 0.04));
  clock.read(5000);
  expect(clock.heardAt(5000)).toBeCloseTo(2960);
});

test('single wild readings do not move it', () => {
  let stamp = { contextTime: 1, performanceTime: 1000 };
  const clock = new AudioClock({ currentTime: 0, outputLatency: 0, baseLatency: 0, getOutputTimestamp: () => stamp });
  for (let index = 0; index < 40; index++) {
    const now = 1000 + index * 16;
    stamp = { contextTime: (now + (index % 7 === 3 ? 90 : 0)) / 1000, performanceTime: now };
    clock.read(now);
  }
  expect(clock.heardAt(1700)).toBeCloseTo(1700);
});
