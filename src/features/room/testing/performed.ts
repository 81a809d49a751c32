import { SCHOOLS } from '@/core/counting/schools';
import type { InputName } from '@/core/documents/take';
import type { Limb } from '@/core/groove/limbs';
import { oneLine, together } from '@/core/testing/arbitrary';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import type { Player, VoicedSound } from '@/sound/player';
import { Performance } from '../performance';
import { type Piece } from '../piece';
import { firstSettings, type RoomSettings } from '../settings';

/** A player whose ear is wherever the test says, and that writes down what it was asked to play. */
export class FakePlayer {
  now = -Infinity;
  aheadMs = 30;
  sounds: readonly VoicedSound[] = [];
  starts = 0;
  stopped = false;
  /** The audio clock runs so far ahead of the run. */
  firstBarMs = 10_000;
  heardMs = (pageMs = this.now) => pageMs;
  async prepare() {}
  async start(sounds: readonly VoicedSound[], firstMs: number) {
    this.starts++;
    this.sounds = sounds;
    this.now = firstMs;
  }
  replaceFrom(sounds: readonly VoicedSound[], ms: number) {
    this.sounds = [...this.sounds.filter((sound) => sound.ms < ms), ...sounds.filter((sound) => sound.ms >= ms)];
  }
  stop() {
    this.stopped = true;
  }
}

export const groove = together(oneLine('tttttttt', 'right hand', 120), oneLine('A...A...', 'right foot'));
const settings: RoomSettings = {
  ...firstSettings(groove),
  bpm: 120,
  click: CLICK_PLANS.counts,
  length: { rounds: 4 },
  countIn: 1,
  task: ['right hand', 'right foot'],
  who: 'me',
  kit: { size: 'usual' },
  heard: ['right hand', 'right foot'],
};
export async function begun(change: Partial<RoomSettings> = {}, piece: Partial<Piece> = {}, input?: InputName) {
  const player = new FakePlayer();
  const performance = await Performance.start(
    player as unknown as Player,
    { groove, school: SCHOOLS[0], ...piece },
    { ...settings, ...change },
    input,
  );
  performance.kit.open((strike) => void performance.strike(strike));
  return { player, performance };
}
/** The frames of a screen, in which the kit is asked. */
export const frames = (performance: Performance) => performance.kit.ask(performance.heardMs);
export const touch = (performance: Performance, limb: Limb, pageMs: number) =>
  performance.strike({ input: 'keys', limb, at: { pageMs } });
export const times = (player: FakePlayer, voice: string) =>
  player.sounds
    .filter((sound) => sound.voice.startsWith(voice))
    .map(({ ms }) => Math.round(ms))
    .sort((a, b) => a - b);
