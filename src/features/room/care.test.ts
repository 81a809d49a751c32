import { expect, test } from 'vitest';
import { SPEED_LIMITS } from '@/core/limits';
import { oneLine, together } from '@/core/testing/arbitrary';
import { NOTHING_PLAYED, withPlaying, speedWord, wantsRest } from './care';

const minutes = (count: number) => count * 60_000;

test('a pause is offered after 25 minutes of playing, short breaks not counted as rest', () => {
  let played = NOTHING_PLAYED;
  const start = 1_800_000_000_000;
  for (let take = 0; take < 12; take++)
    played = withPlaying(played, start + take * minutes(3), start + take * minutes(3) + minutes(2));
  expect([played.ms, wantsRest(played)]).toEqual([minutes(24), false]);
  played = withPlaying(played, start + minutes(36), start + minutes(37));
  expect(wantsRest(played)).toBe(true);
});

test('five minutes without playing are a rest', () => {
  const played = withPlaying(NOTHING_PLAYED, 0, minutes(24));
  expect(withPlaying(played, minutes(28), minutes(29)).ms).toBe(minutes(25));
  expect(withPlaying(played, minutes(29), minutes(30)).ms).toBe(minutes(1));
});

test('a word before a limb’s limit, only for limbs of the task', () => {
  const groove = together(oneLine('tttt tttt tttt tttt'), oneLine('t... t... t... t...', 'right foot'));
  expect(speedWord(groove, 120, ['right hand', 'right foot'], SPEED_LIMITS)).toBeUndefined();
  expect(speedWord(groove, 160, ['right hand'], SPEED_LIMITS)).toBe(
    'At 160 this asks the right hand 10.7 strokes a second (its limit is 10). Warm up first, climb in small steps, and stop when it hurts.',
  );
  expect(speedWord(groove, 160, ['right foot'], SPEED_LIMITS)).toBeUndefined();
  expect(speedWord(groove, 160, ['right hand'], { ...SPEED_LIMITS, hand: [5, 8, 12] })).toBeUndefined();
});
