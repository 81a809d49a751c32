import { describe, expect, test } from 'vitest';
import { roundsOf } from './piece';
import { judge } from '@/core/judging/verdict/judge';
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

describe('by a microphone', () => {
  test('a stroke’s time on the audio clock, its delay taken off, is its time in the run', async () => {
    const { performance, player } = await begun({}, {}, 'microphone');
    player.now = 600;
    expect(performance.strike({ input: 'microphone', limb: 'right hand', at: { audioMs: 10_540 } }, 40)).toEqual({
      ms: 500,
      limb: 'right hand',
    });
  });

  test('what was heard as a whole takes the place of what was heard live, without what was not asked', async () => {
    const { performance, player } = await begun({ task: ['right hand'] }, {}, 'microphone');
    performance.strike({ input: 'microphone', limb: 'right hand', at: { audioMs: 10_500 } });
    player.now = 8400;
    expect(performance.finish()!.hits).toHaveLength(1);
    expect(performance.unheard).toMatchObject({ hits: [], playedMs: 8000 });
    const hits = [
      { ms: -900, limb: 'right hand' as const },
      { ms: 250, limb: 'right hand' as const },
      { ms: 500, limb: 'right foot' as const },
      { ms: 750 },
    ];
    const taken = performance.takenAsHeard({ ...performance.unheard, hits });
    expect(taken!.hits).toEqual([hits[1], hits[3]]);
    expect(performance.takenAsHeard({ ...performance.unheard, hits: [] })).toBeUndefined();
  });

  test('all that sounds is known with when it was sent', async () => {
    const { performance } = await begun({ heard: [] }, {}, 'microphone');
    const sent = performance.sent();
    expect([...sent.keys()].every((voice) => voice.startsWith('click/'))).toBe(true);
    const all = [...sent.values()].flat().sort((a, b) => a - b);
    expect(all.slice(0, 3)).toEqual([8000, 8500, 9000]);
  });
});

describe('while nothing listens', () => {
  test('that it was played is kept, with no stroke of it judged', async () => {
    const { performance, player } = await begun({}, {}, 'nothing');
    player.now = 6000;
    const take = performance.finish()!;
    expect(take).toMatchObject({ input: 'nothing', hits: [], hears: [], playedMs: 6000 });
    const { verdict, figures } = judge(take, 'advanced');
    expect(verdict.about).toBe('not heard');
    expect(figures).toMatchObject({ matched: 0, missed: 0, extra: 0 });
  });

  test('what was over at once is not', async () => {
    const { performance, player } = await begun({}, {}, 'nothing');
    player.now = 3000;
    expect(performance.finish()).toBeUndefined();
  });
});
