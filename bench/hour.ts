/**
 * An hour of playing, simulated: twelve takes of five minutes, 16ths on four limbs by the simulated kit, the spoken
 * count on, asked for with every video frame as the room asks, and mixed as the audio thread mixes. What is left in
 * memory after each take must not grow.
 */
import { SCHOOLS } from '../src/core/counting/schools';
import { CLICK_PLANS } from '../src/core/time/clickPlan';
import { LIMBS } from '../src/core/groove/limbs';
import { cellsOfDivisions, slotsOfBar } from '../src/core/grid/cells';
import type { Groove } from '../src/core/groove/groove';
import { judge } from '../src/core/judging/verdict/judge';
import { Performance } from '../src/features/room/performance';
import { firstSettings } from '../src/features/room/settings';
import { AudioClock } from '../src/sound/audioClock';
import { Mixer } from '../src/sound/mixer';
import type { Player, VoicedSound } from '../src/sound/player';
import { frameAt } from '../src/sound/rendering';
import { isSpoken, type VoiceName } from '../src/sound/voiceNames';
import { renderVoice } from '../src/sound/voices';
import { printTable } from './table';

const RATE = 44_100;
const FRAME_MS = 1000 / 60;
const TAKES = 12;
const collect = (globalThis as { gc?: () => void }).gc;
if (!collect) throw new Error('Run it with --expose-gc');

const meter = { beats: 4, unit: 4 as const };
const cells = cellsOfDivisions(meter, 'numbers', 4);
const strokes = slotsOfBar(meter, 'numbers', cells).map(({ at }, index) => ({
  limb: LIMBS[index % 4]!,
  surface: 'snare' as const,
  at,
  height: 'tap' as const,
}));
const groove: Groove = {
  version: 1,
  title: 'Sixteenths',
  reading: 'numbers',
  tempo: 96,
  bars: [{ meter, cells, strokes }],
};

/** The player's own mixer and clock, with time that the benchmark moves. */
class SimulatedPlayer {
  private readonly mixer = new Mixer();
  private readonly known = new Set<string>();
  private frame = 0;
  private zero = 0;
  private readonly clock = new AudioClock({
    currentTime: 0,
    outputLatency: 0,
    baseLatency: 0,
    getOutputTimestamp: () => ({ contextTime: this.frame / RATE, performanceTime: (1000 * this.frame) / RATE }),
  });
  aheadMs = 30;
  async prepare(voices: Iterable<VoiceName>) {
    for (const voice of voices) {
      if (this.known.has(voice)) continue;
      this.known.add(voice);
      this.mixer.addVoice(
        voice,
        isSpoken(voice) ? new Float32Array(3000).fill(0.1) : renderVoice(voice, RATE),
        isSpoken(voice) ? 1000 : 0,
      );
    }
  }
  async start(sounds: readonly VoicedSound[], firstMs: number) {
    await this.prepare(new Set(sounds.map(({ voice }) => voice)));
    this.zero = (1000 * this.frame) / RATE - firstMs + 150;
    this.replaceFrom(sounds, -Infinity);
  }
  replaceFrom(sounds: readonly VoicedSound[], ms: number) {
    this.mixer.cue(
      sounds
        .filter((sound) => sound.ms >= ms)
        .map((sound) => ({ frame: frameAt(sound.ms, -this.zero, RATE), voice: sound.voice })),
      Number.isFinite(ms) ? frameAt(ms, -this.zero, RATE) : undefined,
    );
  }
  heardMs = () => this.clock.heardAt((1000 * this.frame) / RATE) - this.zero;
  stop() {
    this.mixer.stop();
  }
  /** One video frame goes by. */
  advance() {
    const until = this.frame + (FRAME_MS * RATE) / 1000;
    const block = new Float32Array(128);
    for (; this.frame < until; this.frame += 128) this.mixer.render(block.fill(0), this.frame);
    this.clock.read((1000 * this.frame) / RATE);
  }
}

const player = new SimulatedPlayer();
const rows: (string | number)[][] = [];
const measure = (minutes: number) => {
  collect();
  collect();
  rows.push([Math.round(minutes), process.memoryUsage().heapUsed / 1e6, process.memoryUsage().arrayBuffers / 1e6]);
};
const settings = {
  ...firstSettings(groove),
  length: { minutes: 5 },
  count: CLICK_PLANS.counts,
  who: 'uneven' as const,
};
measure(0);
let minutes = 0;
for (let take = 0; take < TAKES; take++) {
  const performance = await Performance.start(player as unknown as Player, { groove, school: SCHOOLS[0] }, settings);
  let bar = -1;
  performance.kit.open((strike) => {
    const hit = performance.strike(strike);
    if (typeof hit === 'object') performance.nearest(hit);
  });
  while (!performance.over) {
    player.advance();
    const moment = performance.moment();
    performance.kit.ask(performance.heardMs);
    // Now and then somebody sets another click, as in the room.
    if (moment && moment.barInRun !== bar && (bar = moment.barInRun) % 20 === 10)
      await performance.follow({ click: bar % 40 === 10 ? CLICK_PLANS['2 and 4'] : CLICK_PLANS.counts });
  }
  const done = performance.finish()!;
  judge(done, 'first year');
  minutes += done.playedMs / 60_000;
  measure(minutes);
}
printTable(
  'an hour of simulated playing: what is in memory after each take',
  ['minutes played', 'heap MB', 'samples MB'],
  rows,
);
