'use client';

import { beatOf } from '@/core/groove/beat';
import type { Groove } from '@/core/groove/document';
import type { Limb } from '@/core/groove/limbs';
import { schedule, type Schedule, type TimedStroke } from '@/core/schedule';
import { MOST_HITS, runOf, tempoMapOf, type Hit, type Take } from '@/core/take/document';
import { KIT_FAULTS, simulateKit } from '@/core/take/simulatedKit';
import { valueMs } from '@/core/time/tempoMap';
import type { Ms } from '@/core/time/units';
import { Player, type Sounding } from '@/sound/player';
import { voiceOf, type VoiceName } from '@/sound/voices';
import type { RoomSettings } from './settings';

/** How long after the last bar a late last stroke is still waited for. */
const WAIT_MS: Ms = 300;

/** A tempo set now is heard from the next bar line that is at least this far ahead of the audio thread. */
const SOONEST_MS: Ms = 60;

export interface Moment {
  /** Index of the bar in the groove; the first one while counting in. */
  bar: number;
  /** How far into the bar, 0 to 1. */
  fraction: number;
  countingIn: boolean;
  round: number;
}

/**
 * One attempt while it is going on: what sounds, where we are, and the hits so far. It knows nothing of
 * the screen; the room asks it with every frame.
 */
export class Performance {
  private take: Take;
  private timed: Schedule;
  private kitHits: Hit[] = [];
  private nextKitHit = 0;
  private barIndex = 0;
  private hearGroove: boolean;
  private readonly seed = Math.floor(Math.random() * 2 ** 31);

  private constructor(
    private readonly player: Player,
    groove: Groove,
    private readonly settings: RoomSettings,
    /** What each limb's own stroke sounds like. */
    private readonly voices: Partial<Record<Limb, VoiceName>>,
  ) {
    this.take = {
      version: 1,
      groove,
      tempo: [{ fromBar: 0, bpm: settings.bpm }],
      click: settings.click,
      countIn: settings.countIn,
      rounds: settings.rounds,
      task: settings.task,
      input: settings.player === 'keys' ? 'keys' : 'simulated kit',
      playedMs: 0,
      hits: [],
    };
    this.hearGroove = settings.hearGroove;
    this.timed = schedule(runOf(this.take));
    this.kitHits = this.simulated();
  }

  static async start(player: Player, groove: Groove, settings: RoomSettings, voices: Partial<Record<Limb, VoiceName>>): Promise<Performance> {
    const performance = new Performance(player, groove, settings, voices);
    await player.start(performance.soundings(), performance.timed.startMs);
    return performance;
  }

  /** Where the ear is. Undefined before the first sound. */
  moment(): Moment | undefined {
    const ms = this.player.heardMs();
    const { bars } = this.timed;
    while (this.barIndex + 1 < bars.length && ms >= bars[this.barIndex + 1]!.startMs) this.barIndex++;
    const bar = bars[this.barIndex]!;
    if (ms < bar.startMs) return undefined;
    return { bar: bar.bar, fraction: Math.min(1, (ms - bar.startMs) / (bar.endMs - bar.startMs)), countingIn: bar.barInRun < 0, round: Math.max(0, bar.round) };
  }

  get over(): boolean {
    return this.player.heardMs() > this.timed.endMs + WAIT_MS;
  }

  /** The simulated kit's strokes that have fallen due since the last asking. */
  kitStrokes(): Hit[] {
    const now = this.player.heardMs();
    const from = this.nextKitHit;
    while (this.nextKitHit < this.kitHits.length && this.kitHits[this.nextKitHit]!.ms <= now) this.nextKitHit++;
    const struck = this.kitHits.slice(from, this.nextKitHit);
    this.take.hits.push(...struck);
    return struck;
  }

  /** A stroke of the person's own at a time of the page's clock; undefined while it does not count. */
  strike(limb: Limb, pageMs: Ms): Hit | undefined {
    const ms = Math.round(this.player.heardMs(pageMs) * 1000) / 1000;
    const early = -valueMs(beatOf(this.take.groove), tempoMapOf(this.take)) / 2;
    if (!this.take.task.includes(limb) || ms < early || this.take.hits.length >= MOST_HITS) return undefined;
    const hit = { limb, ms };
    this.take.hits.push(hit);
    return hit;
  }

  /** What is set anew while playing: tempo, click and whether the groove is heard, from the next bar line on. While counting in it begins again. */
  async follow({ bpm, click, hearGroove }: Partial<RoomSettings>): Promise<void> {
    if (bpm === undefined && click === undefined && hearGroove === undefined) return;
    const now = this.player.heardMs();
    // Never before a stroke that was struck already, even when a stall has set the clock back since.
    const struck = Math.max(...this.take.hits.map(({ ms }) => ms));
    const next = now < 0 ? undefined : this.timed.bars.find((bar) => bar.startMs >= Math.max(struck, now + this.player.aheadMs + SOONEST_MS));
    if (now >= 0 && !next) return;
    const fromBar = next?.barInRun ?? 0;
    if (hearGroove !== undefined) this.hearGroove = hearGroove;
    this.take = {
      ...this.take,
      ...(click && { click }),
      ...(bpm !== undefined && { tempo: [...this.take.tempo.filter((change) => change.fromBar < fromBar), { fromBar, bpm }] }),
      ...(!next && { hits: [] }),
    };
    this.reschedule();
    // What the kit has struck already stays; its list is drawn anew from the same seed.
    if (next) return this.player.replaceFrom(this.soundings(), next.startMs - 0.5);
    this.player.stop();
    await this.player.start(this.soundings(), this.timed.startMs);
  }

  private reschedule(): void {
    const struck = this.nextKitHit;
    this.timed = schedule(runOf(this.take));
    this.barIndex = 0;
    this.kitHits = this.simulated();
    this.nextKitHit = this.take.hits.length ? struck : 0;
  }

  /** Ends it. The take as it is to be judged, or undefined when nothing was struck. */
  finish(): Take | undefined {
    this.player.stop();
    const heard = this.player.heardMs();
    const { hits, groove } = this.take;
    const last = Math.max(...hits.map(({ ms }) => ms));
    // Stopped by hand, what would have come after the last stroke was not attempted.
    const played = heard >= this.timed.endMs ? this.timed.endMs : Math.min(heard, last + valueMs(beatOf(groove), tempoMapOf(this.take)) / 2);
    if (!hits.length || played <= 0) return undefined;
    return { ...this.take, playedMs: Math.round(played) };
  }

  /** The stroke of a limb nearest to a hit, as far as a match reaches: for showing hits while playing. */
  nearest({ limb, ms }: Hit): { stroke: TimedStroke; startMs: Ms; endMs: Ms } | undefined {
    let best: TimedStroke | undefined;
    for (const sound of this.timed.sounds) {
      if (sound.kind !== 'stroke' || sound.limb !== limb) continue;
      if (!best || Math.abs(sound.ms - ms) < Math.abs(best.ms - ms)) best = sound;
      else if (sound.ms > ms) break;
    }
    const bar = best && this.timed.bars.find((one) => one.barInRun === best.barInRun);
    return best && bar && { stroke: best, startMs: bar.startMs, endMs: bar.endMs };
  }

  private simulated(): Hit[] {
    const { player } = this.settings;
    return player === 'keys' ? [] : simulateKit(this.timed, this.take.task, KIT_FAULTS[player], this.seed);
  }

  /** The click, the groove when it is to be heard, and the kit's own strokes. */
  private soundings(): Sounding[] {
    const kit = this.settings.player !== 'keys';
    const wanted = this.timed.sounds.filter((sound) => sound.kind === 'click' || (this.hearGroove && !(kit && this.take.task.includes(sound.limb))));
    return [
      ...wanted.map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) })),
      ...this.kitHits.map(({ limb, ms }) => ({ ms, voice: this.voices[limb] ?? ('pad/tap' as const) })),
    ];
  }
}
