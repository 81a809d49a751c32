import { describe, expect, test } from 'vitest';
import { judge } from '@/core/take/judge';
import { oneLine, together } from '@/core/testing/arbitrary';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import type { Player, Sounding } from '@/sound/player';
import { Performance } from './performance';
import type { RoomSettings } from './settings';

/** A player whose ear is wherever the test says, and that writes down what it was asked to play. */
class FakePlayer {
  now = -Infinity;
  aheadMs = 30;
  sounds: readonly Sounding[] = [];
  starts = 0;
  stopped = false;
  heardMs = (pageMs = this.now) => pageMs;
  async start(sounds: readonly Sounding[], firstMs: number) {
    this.starts++;
    this.sounds = sounds;
    this.now = firstMs;
  }
  replaceFrom(sounds: readonly Sounding[], ms: number) {
    this.sounds = [...this.sounds.filter((sound) => sound.ms < ms), ...sounds.filter((sound) => sound.ms >= ms)];
  }
  stop() {
    this.stopped = true;
  }
}

const groove = together(oneLine('tttttttt', 'right hand', 120), oneLine('A...A...', 'right foot'));
const settings: RoomSettings = {
  bpm: 120,
  click: CLICK_PLANS.counts,
  rounds: 4,
  countIn: 1,
  task: ['right hand', 'right foot'],
  player: 'keys',
  hearGroove: true,
};
async function begun(change: Partial<RoomSettings> = {}) {
  const player = new FakePlayer();
  const performance = await Performance.start(
    player as unknown as Player,
    groove,
    { ...settings, ...change },
    { 'right hand': 'closed hat/tap', 'right foot': 'kick/tap' },
  );
  return { player, performance };
}
const times = (player: FakePlayer, voice: string) =>
  player.sounds
    .filter((sound) => sound.voice.startsWith(voice))
    .map(({ ms }) => Math.round(ms))
    .sort((a, b) => a - b);

describe('where we are', () => {
  test('counting in, then bar by bar and round by round, then over', async () => {
    const { player, performance } = await begun();
    expect(performance.moment()).toMatchObject({ countingIn: true, fraction: 0 });
    player.now = -500;
    expect(performance.moment()).toMatchObject({ countingIn: true, fraction: 0.75 });
    player.now = 5000;
    expect(performance.moment()).toEqual({ bar: 0, fraction: 0.5, countingIn: false, round: 2 });
    expect(performance.over).toBe(false);
    player.now = 8400;
    expect(performance.over).toBe(true);
  });
});

describe('what sounds', () => {
  test('click and groove; with the groove silent only the click; a limb played by the kit is not heard twice', async () => {
    const heard = await begun();
    expect([times(heard.player, 'click').length, times(heard.player, 'kick').length]).toEqual([20, 8]);
    const silent = await begun({ hearGroove: false });
    expect(times(silent.player, 'kick')).toEqual([]);
    const kit = await begun({ player: 'steady' });
    expect(times(kit.player, 'kick')).toHaveLength(8);
  });
});

describe('a new tempo', () => {
  test('is taken up on the next bar line, and nothing before it moves', async () => {
    const { player, performance } = await begun();
    player.now = 2100;
    await performance.follow({ bpm: 60 });
    expect(times(player, 'click').slice(4)).toEqual([0, 500, 1000, 1500, 2000, 2500, 3000, 3500, 4000, 5000, 6000, 7000, 8000, 9000, 10_000, 11_000]);
    expect(player.starts).toBe(1);
    player.now = 12_400;
    performance.strike('right foot', 4000);
    expect(performance.finish()).toMatchObject({
      tempo: [
        { fromBar: 0, bpm: 120 },
        { fromBar: 2, bpm: 60 },
      ],
      playedMs: 12_000,
    });
  });

  test('too near the bar line waits for the next one; twice in a bar the last holds', async () => {
    const { player, performance } = await begun();
    player.now = 1950;
    await performance.follow({ bpm: 100 });
    await performance.follow({ bpm: 90 });
    performance.strike('right hand', 1950);
    player.now = 99_999;
    expect(performance.finish()!.tempo).toEqual([
      { fromBar: 0, bpm: 120 },
      { fromBar: 2, bpm: 90 },
    ]);
  });

  test('while counting in begins again with it', async () => {
    const { player, performance } = await begun();
    player.now = -900;
    await performance.follow({ bpm: 60 });
    expect(player.starts).toBe(2);
    expect(times(player, 'click').slice(0, 5)).toEqual([-4000, -3000, -2000, -1000, 0]);
  });

  test('the kit plays on to it: nothing missed, nothing extra', async () => {
    const { player, performance } = await begun({ player: 'steady' });
    for (player.now = -2000; player.now < 3000; player.now += 16) performance.kitStrokes();
    await performance.follow({ bpm: 75 });
    for (; !performance.over; player.now += 16) performance.kitStrokes();
    expect(judge(performance.finish()!, 'concert').figures).toMatchObject({ missed: 0, extra: 0, matched: 40 });
  });
});

describe('a new click', () => {
  test('is heard from the next bar line on, and so is a groove that is switched on; the strokes stay where they are', async () => {
    const { player, performance } = await begun({ hearGroove: false });
    player.now = 2100;
    await performance.follow({ click: CLICK_PLANS['1 only'], hearGroove: true });
    expect(times(player, 'click').slice(4)).toEqual([0, 500, 1000, 1500, 2000, 2500, 3000, 3500, 4000, 6000]);
    expect(times(player, 'kick')).toEqual([4000, 5000, 6000, 7000]);
    expect(player.starts).toBe(1);
    player.now = 7990;
    await performance.follow({ click: CLICK_PLANS.counts });
    expect(times(player, 'click')).toHaveLength(14);
  });
});

describe('a clock set back by a stall', () => {
  test('a tempo set then does not reach back behind what was struck', async () => {
    const { player, performance } = await begun({ player: 'steady' });
    for (player.now = -2000; player.now < 5300; player.now += 16) performance.kitStrokes();
    player.now = 3000;
    await performance.follow({ bpm: 75 });
    for (; !performance.over; player.now += 16) performance.kitStrokes();
    expect(judge(performance.finish()!, 'concert').figures).toMatchObject({ missed: 0, extra: 0, matched: 40 });
  });
});

describe('strokes', () => {
  test('count from half a beat before the first bar, and only for limbs of the task', async () => {
    const { performance } = await begun({ task: ['right hand'] });
    expect(performance.strike('right hand', -300)).toBeUndefined();
    expect(performance.strike('right hand', -200)).toEqual({ limb: 'right hand', ms: -200 });
    expect(performance.strike('right foot', 100)).toBeUndefined();
  });

  test('the nearest stroke of the limb is found for showing a hit', async () => {
    const { performance } = await begun();
    expect(performance.nearest({ limb: 'right foot', ms: 1040 })?.stroke).toMatchObject({ limb: 'right foot', ms: 1000 });
    expect(performance.nearest({ limb: 'left foot', ms: 1040 })).toBeUndefined();
  });
});

describe('the end', () => {
  test('played to the end, all of it is judged; stopped by hand, what was not attempted is not missed', async () => {
    const whole = await begun();
    whole.performance.strike('right hand', 0);
    whole.player.now = 8400;
    expect(whole.performance.finish()!.playedMs).toBe(8000);
    const stopped = await begun();
    stopped.performance.strike('right hand', 1000);
    stopped.player.now = 3000;
    expect(stopped.performance.finish()!.playedMs).toBe(1250);
    expect(stopped.player.stopped).toBe(true);
  });

  test('with nothing struck, or stopped in the count-in, there is no take', async () => {
    const idle = await begun();
    idle.player.now = 8400;
    expect(idle.performance.finish()).toBeUndefined();
    const early = await begun();
    early.performance.strike('right hand', -100);
    early.player.now = -50;
    expect(early.performance.finish()).toBeUndefined();
  });
});
