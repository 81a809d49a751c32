import { describe, expect, test } from 'vitest';
import { roundsOf } from './piece';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import { begun, groove, touch } from './testing/performed';

test('a length in minutes is whole rounds, and never longer than a take may be', () => {
  expect(roundsOf({ minutes: 1 }, { groove }, { bpm: 120, click: CLICK_PLANS.counts })).toBe(30);
  expect(roundsOf({ minutes: 5 }, { groove }, { bpm: 20, click: CLICK_PLANS.counts })).toBe(25);
  const passages = [{ from: 0, bars: 1, times: 64 }];
  expect(roundsOf({ rounds: 32 }, { groove, passages }, { bpm: 20, click: CLICK_PLANS.counts })).toBe(2);
});

describe('the end', () => {
  test('played to the end, all of it is judged; stopped by hand, what was not attempted is not missed', async () => {
    const whole = await begun();
    touch(whole.performance, 'right hand', 0);
    whole.player.now = 8400;
    expect(whole.performance.finish()!.playedMs).toBe(8000);
    const stopped = await begun();
    touch(stopped.performance, 'right hand', 1000);
    stopped.player.now = 3000;
    expect(stopped.performance.finish()!.playedMs).toBe(1250);
    expect(stopped.player.stopped).toBe(true);
  });

  test('with nothing struck, or stopped in the count-in, there is no take', async () => {
    const idle = await begun();
    idle.player.now = 8400;
    expect(idle.performance.finish()).toBeUndefined();
    const early = await begun();
    touch(early.performance, 'right hand', -100);
    early.player.now = -50;
    expect(early.performance.finish()).toBeUndefined();
  });
});
