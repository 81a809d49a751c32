import { describe, expect, test } from 'vitest';
import { judge } from '@/core/judging/verdict/judge';
import { MOST_HITS, type Level } from '@/core/limits';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import type { Performance } from './performance';
import { type Piece } from './piece';
import { begun, frames, times, touch } from './testing/performed';

describe('where we are', () => {
  test('counting in, then bar by bar and round by round, then over', async () => {
    const { player, performance } = await begun();
    expect(performance.moment()).toMatchObject({ countingIn: true, fraction: 0 });
    player.now = -500;
    expect(performance.moment()).toMatchObject({ countingIn: true, fraction: 0.75 });
    player.now = 5000;
    expect(performance.moment()).toEqual({
      bar: 0,
      barInRun: 2,
      fraction: 0.5,
      countingIn: false,
      round: 2,
      pass: 2,
      bars: 4,
      share: 0.7,
      swing: 'straight',
    });
    expect(performance.over).toBe(false);
    player.now = 8400;
    expect(performance.over).toBe(true);
  });
});

describe('what sounds', () => {
  test('click and groove; with the groove silent only the click; a limb played by the kit is not heard twice', async () => {
    const heard = await begun();
    expect([times(heard.player, 'click').length, times(heard.player, 'kick').length]).toEqual([20, 8]);
    const silent = await begun({ heard: [] });
    expect(times(silent.player, 'kick')).toEqual([]);
    const kit = await begun({ who: 'steady' });
    expect(times(kit.player, 'kick')).toHaveLength(8);
  });
});

describe('a new tempo', () => {
  test('is taken up on the next bar line, and nothing before it moves', async () => {
    const { player, performance } = await begun();
    player.now = 2100;
    await performance.follow({ bpm: 60 });
    expect(times(player, 'click').slice(4)).toEqual([
      0, 500, 1000, 1500, 2000, 2500, 3000, 3500, 4000, 5000, 6000, 7000, 8000, 9000, 10_000, 11_000,
    ]);
    expect(player.starts).toBe(1);
    player.now = 12_400;
    touch(performance, 'right foot', 4000);
    expect(performance.finish()).toMatchObject({
      bpm: 120,
      changes: [{ fromBar: 2, bpm: 60 }],
      playedMs: 12_000,
    });
  });

  test('too near the bar line waits for the next one; twice in a bar the last holds', async () => {
    const { player, performance } = await begun();
    player.now = 1950;
    await performance.follow({ bpm: 100 });
    await performance.follow({ bpm: 90 });
    touch(performance, 'right hand', 1950);
    player.now = 99_999;
    expect(performance.finish()!.changes).toEqual([{ fromBar: 2, bpm: 90 }]);
  });

  test('while counting in begins again with it', async () => {
    const { player, performance } = await begun();
    player.now = -900;
    await performance.follow({ bpm: 60 });
    expect(player.starts).toBe(2);
    expect(times(player, 'click').slice(0, 5)).toEqual([-4000, -3000, -2000, -1000, 0]);
  });

  test('the kit plays on to it: nothing missed, nothing extra', async () => {
    const { player, performance } = await begun({ who: 'steady' });
    for (player.now = -2000; player.now < 3000; player.now += 16) frames(performance);
    await performance.follow({ bpm: 75 });
    for (; !performance.over; player.now += 16) frames(performance);
    expect(judge(performance.finish()!, 'concert').figures).toMatchObject({ missed: 0, extra: 0, matched: 40 });
  });
});

describe('a new click', () => {
  test('is heard from the next count on, and so is a limb that is switched on; the strokes stay where they are', async () => {
    const { player, performance } = await begun({ heard: [] });
    player.now = 2100;
    await performance.follow({ click: CLICK_PLANS['1 only'], heard: ['right foot'] });
    expect(times(player, 'click').slice(4)).toEqual([0, 500, 1000, 1500, 2000, 4000, 6000]);
    expect(times(player, 'kick')).toEqual([3000, 4000, 5000, 6000, 7000]);
    expect(player.starts).toBe(1);
    player.now = 7990;
    await performance.follow({ click: CLICK_PLANS.counts });
    expect(times(player, 'click')).toHaveLength(11);
  });
});

describe('swing, task and count set anew', () => {
  test('swing turns on the next bar line: the click and the strokes with it, and the take says so', async () => {
    const { player, performance } = await begun({ click: CLICK_PLANS['8ths'] });
    player.now = 2100;
    await performance.follow({ swing: { value: '8th', ratio: '3' } });
    expect(times(player, 'closed hat').slice(8, 12)).toEqual([2000, 2250, 2500, 2750]);
    expect(times(player, 'closed hat').slice(16, 20)).toEqual([4000, 4375, 4500, 4875]);
    expect(times(player, 'click').slice(-2)).toEqual([7500, 7875]);
    player.now = 4100;
    expect(performance.moment()).toMatchObject({ barInRun: 2, swing: { value: '8th', ratio: '3' } });
    touch(performance, 'right hand', 4000);
    player.now = 8400;
    expect(performance.finish()!.changes).toEqual([{ fromBar: 2, swing: { value: '8th', ratio: '3' } }]);
  });

  test('a limb taken out is neither struck nor judged from the next bar line on', async () => {
    const { player, performance } = await begun({ who: 'steady' });
    for (; player.now < 2100; player.now += 16) frames(performance);
    await performance.follow({ task: ['right hand'], heard: ['right hand'] });
    for (; !performance.over; player.now += 16) frames(performance);
    const take = performance.finish()!;
    expect(take.hits.filter(({ limb }) => limb === 'right foot')).toHaveLength(4);
    expect(judge(take, 'concert').figures).toMatchObject({ matched: 36, missed: 0, extra: 0 });
    const back = await begun();
    back.player.now = 2100;
    await back.performance.follow({ task: ['right hand'] });
    expect(touch(back.performance, 'right foot', 3000)).toMatchObject({ ms: 3000 });
    expect(touch(back.performance, 'right foot', 4100)).toBe('unasked');
    expect(touch(back.performance, 'right hand', 4100)).toMatchObject({ limb: 'right hand' });
  });

  test('what a passage is played with stays, whatever swing is set', async () => {
    const passages: Piece['passages'] = [
      { from: 0, bars: 1, times: 1 },
      { from: 0, bars: 1, times: 1, swing: 'straight' },
    ];
    const { player, performance } = await begun({ length: { rounds: 2 } }, { passages });
    player.now = 100;
    await performance.follow({ swing: { value: '8th', ratio: '2' } });
    expect(times(player, 'closed hat').filter((ms) => ms % 2000 > 100 && ms % 2000 < 400)).toEqual([
      250, 2250, 4333, 6250,
    ]);
  });

  test('the count is spoken from the next count on, and counted in when it was on from the first', async () => {
    const { player, performance } = await begun();
    player.now = 2100;
    await performance.follow({ count: CLICK_PLANS.counts });
    expect(times(player, 'say')).toEqual([2500, 3000, 3500, 4000, 4500, 5000, 5500, 6000, 6500, 7000, 7500]);
    const first = await begun({ count: CLICK_PLANS['1 only'] });
    expect(times(first.player, 'say')).toEqual([-2000, -1500, -1000, -500, 0, 2000, 4000, 6000]);
  });

  test('set while counting in it holds from the first bar, without beginning again', async () => {
    const { player, performance } = await begun();
    player.now = -900;
    await performance.follow({ click: CLICK_PLANS.silent, task: ['right foot'] });
    expect(player.starts).toBe(1);
    expect(times(player, 'click')).toEqual([-2000, -1500, -1000, -500]);
  });
});

describe('round by round', () => {
  const isClean = (performance: Performance, round: number, level: Level) => {
    const { take, window } = performance.roundPlayed(round);
    return judge(take, level, window).verdict.about === 'clean';
  };

  test('a round is done when its last stroke can be late no more, and clean when nothing is to be fixed in it', async () => {
    const { player, performance } = await begun({ who: 'steady' });
    for (; player.now < 2200; player.now += 16) frames(performance);
    expect(performance.roundsDone).toBe(0);
    for (; player.now < 4400; player.now += 16) frames(performance);
    expect(performance.roundsDone).toBe(2);
    expect([0, 1].map((round) => isClean(performance, round, 'first year'))).toEqual([true, true]);
    const late = await begun({ who: 'late' });
    for (; late.player.now < 2400; late.player.now += 16) frames(late.performance);
    expect(isClean(late.performance, 0, 'concert')).toBe(false);
    const idle = await begun();
    idle.player.now = 2400;
    expect(isClean(idle.performance, 0, 'first year')).toBe(false);
  });
});

test('on a soft rung the groove is heard softer, the click as always; layers fade', async () => {
  const { player } = await begun({ layers: { to: 'quarter triplet', bars: 1 } }, { loudness: 'soft' });
  const loud = (voice: string) => [
    ...new Set(player.sounds.filter((sound) => sound.voice.startsWith(voice)).map((sound) => sound.loud ?? 1)),
  ];
  expect([loud('kick'), loud('click'), loud('layer/0'), loud('layer/1')]).toEqual([[0.35], [1], [1, 0.3], [1]]);
});

describe('a clock set back by a stall', () => {
  test('a tempo set then does not reach back behind what was struck', async () => {
    const { player, performance } = await begun({ who: 'steady' });
    for (player.now = -2000; player.now < 5300; player.now += 16) frames(performance);
    player.now = 3000;
    await performance.follow({ bpm: 75 });
    for (; !performance.over; player.now += 16) frames(performance);
    expect(judge(performance.finish()!, 'concert').figures).toMatchObject({ missed: 0, extra: 0, matched: 40 });
  });
});

describe('strokes', () => {
  test('count from half a beat before the first bar, and only for limbs of the task', async () => {
    const { performance } = await begun({ task: ['right hand'] });
    expect(touch(performance, 'right hand', -300)).toBe('unasked');
    expect(touch(performance, 'right hand', -200)).toEqual({ limb: 'right hand', ms: -200 });
    expect(touch(performance, 'right foot', 100)).toBe('unasked');
  });

  test('are kept as their input heard them, its own delay taken off; more than a take holds are said', async () => {
    const { performance } = await begun();
    const strike = { input: 'pads' as const, limb: 'right hand' as const, at: { pageMs: 1010 }, loudness: 0.5 };
    expect(performance.strike(strike, 10)).toEqual({ limb: 'right hand', ms: 1000, loudness: 0.5, input: 'pads' });
    for (let hit = 1; hit < MOST_HITS; hit++) performance.strike(strike);
    expect(performance.strike(strike)).toBe('full');
  });

  test('say who struck', async () => {
    const { player, performance } = await begun();
    touch(performance, 'right hand', 0);
    player.now = 8400;
    expect(performance.finish()).toMatchObject({ input: 'keys', struckBy: 'player' });
    const kit = await begun({ who: 'steady' });
    for (; !kit.performance.over; kit.player.now += 100) frames(kit.performance);
    expect(kit.performance.finish()).toMatchObject({ input: 'simulated kit', struckBy: 'kit' });
  });

  test('the nearest stroke of the limb is found for showing a hit', async () => {
    const { performance } = await begun();
    expect(performance.nearest({ limb: 'right foot', ms: 1040 })?.stroke).toMatchObject({
      limb: 'right foot',
      ms: 1000,
    });
    expect(performance.nearest({ limb: 'left foot', ms: 1040 })).toBeUndefined();
  });
});
