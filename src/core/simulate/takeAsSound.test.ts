import { expect, test } from 'vitest';
import { findStrokes } from '../hearing';
import { oneLine, together } from '../testing/arbitrary';
import { emptyTake, playedTake } from '../testing/takes';
import { madeKit } from './drumSounds';
import { soundOfTake } from './takeAsSound';

const setting = {
  kit: madeKit(4, 'rings', 48_000, ['snare', 'kick', 'closed hat']),
  room: Float32Array.of(1),
  noise: 'pink' as const,
  noiseDb: 40,
  rate: 48_000,
  seed: 2,
};

test('a take of the simulated kit is heard where it struck', () => {
  const groove = together(oneLine('A...A...', 'left hand', 90), oneLine('..t...t.', 'right foot'));
  const take = playedTake({ spreadMs: 8, isLoud: true }, emptyTake(groove, { rounds: 2 }));
  const { samples, firstBarMs } = soundOfTake(take, setting);
  const heard = findStrokes(samples, 48_000);
  expect(heard).toHaveLength(take.hits.length);
  take.hits.forEach(({ ms }, index) => expect(Math.abs(heard[index]!.ms - firstBarMs - ms)).toBeLessThan(1.5));
});

test('an early first hit does not fall before the recording, and hits of no limb make no sound', () => {
  const take = emptyTake(oneLine('A...', 'left hand', 90), {
    playedMs: 2000,
    hits: [{ ms: -40, limb: 'left hand' }, { ms: 900 }],
  });
  const { samples, firstBarMs } = soundOfTake(take, setting);
  const heard = findStrokes(samples, 48_000);
  expect(heard).toHaveLength(1);
  expect(heard[0]!.ms - firstBarMs).toBeCloseTo(-40, 0);
});
