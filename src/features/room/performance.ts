'use client';

import type { School } from '@/core/count/schools';
import type { Call } from '@/core/drill/caller';
import type { ExerciseBars } from '@/core/form/exercises';
import { beatOf } from '@/core/groove/beat';
import type { Groove } from '@/core/groove/groove';
import type { Limb } from '@/core/groove/limbs';
import type { Loudness } from '@/core/documents/climb';
import { schedule, type Run, type RunChange } from '@/core/schedule/schedule';
import { type Schedule, type TimedSound, type TimedStroke } from '@/core/schedule/timed';
import { runOf, taskAt, tempoMapOf, type Hit, type Take, type TakeChange } from '@/core/documents/take';
import { MOST_HITS } from '@/core/limits';
import type { Level } from '@/core/limits';
import { judge } from '@/core/take/judge';
import { KIT_FAULTS, simulateKit } from '@/core/take/simulatedKit';
import type { Swing } from '@/core/time/swing';
import { steady, valueMs } from '@/core/time/tempoMap';
import type { Ms } from '@/core/time/units';
import type { Backing, Player, VoicedSound } from '@/sound/player';
import { voiceOf, type VoiceName } from '@/sound/voices';
import { roundsOf, type RoomSettings } from './settings';

/** How long after the last bar, or after a round, a late last stroke is still waited for. */
const WAIT_MS: Ms = 300;

/** What is set now is heard from the next bar line or count that is at least this far ahead of the audio thread. */
const SOONEST_MS: Ms = 60;

/** How loud the groove sounds at each loudness of a rung. */
const LOUD: Record<Loudness, number> = { soft: 0.35, middle: 0.65, loud: 1 };

export interface Moment {
  /** Index of the bar in the groove; the first one while counting in. */
  bar: number;
  barInRun: number;
  /** How far into the bar, 0 to 1. */
  fraction: number;
  countingIn: boolean;
  round: number;
  /** The swing in force, where it is not the groove's own. */
  swing?: Swing | 'straight';
  /** How much of the whole is played, 0 to 1. */
  share: number;
}

/** What a performance plays beside its settings. */
export interface Piece {
  /** As it is played: turned round, with its lean, with both sides where two are set against each other. */
  groove: Groove;
  school: School;
  /** What each limb's own stroke sounds like. */
  voices: Partial<Record<Limb, VoiceName>>;
  /** What is to change by itself on the way. */
  changes?: (rounds: number) => RunChange[];
  /** Of a drill: which bars are which exercise, and what is called. */
  parts?: readonly ExerciseBars[];
  calls?: readonly Call[];
  backing?: Backing;
  loudness?: Loudness;
}

/** The run that settings ask of a programme. */
export function plannedRun({ groove, school, changes, calls }: Piece, settings: RoomSettings): Run {
  const { bpm, click, countIn, count, layers, swing } = settings;
  const rounds = roundsOf(settings.length, groove, bpm);
  const spoken = count && { school, plan: count };
  return {
    groove,
    tempo: steady(bpm, beatOf(groove)),
    swing,
    click,
    countIn,
    rounds,
    layers,
    count: spoken,
    changes: changes?.(rounds),
    calls,
  };
}

/** What a sound of a schedule is played as; `loud` scales the groove's own strokes. */
export function soundingOf(sound: TimedSound, loud = 1): VoicedSound {
  const level = sound.kind === 'layer' ? sound.loud : sound.kind === 'stroke' ? loud : 1;
  return { ms: sound.ms, voice: voiceOf(sound), ...(level < 1 && { loud: level }) };
}

/** What may be set anew while it plays. */
export type Followed = Partial<Pick<RoomSettings, 'bpm' | 'click' | 'count' | 'layers' | 'heard' | 'task' | 'swing'>>;

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
  private now: Pick<RoomSettings, 'heard' | 'count' | 'layers'>;
  private readonly seed = Math.floor(Math.random() * 2 ** 31);

  private constructor(
    private readonly player: Player,
    private readonly programme: Piece,
    private readonly settings: RoomSettings,
  ) {
    const { rounds, changes } = plannedRun(programme, settings);
    this.take = {
      version: 1,
      groove: programme.groove,
      tempo: [{ fromBar: 0, bpm: settings.bpm }],
      ...(settings.swing && { swing: settings.swing }),
      click: settings.click,
      countIn: settings.countIn,
      rounds,
      task: settings.task,
      ...(changes?.length && { changes: [...changes] }),
      ...(programme.parts && { parts: [...programme.parts] }),
      input: settings.player === 'keys' ? 'keys' : 'simulated kit',
      playedMs: 0,
      hits: [],
    };
    this.now = { heard: settings.heard, count: settings.count, layers: settings.layers };
    this.timed = this.scheduled();
    this.kitHits = this.simulated();
  }

  static async start(player: Player, programme: Piece, settings: RoomSettings): Promise<Performance> {
    const performance = new Performance(player, programme, settings);
    await player.start(performance.soundings(), performance.timed.startMs, programme.backing);
    return performance;
  }

  /** Where the ear is. Undefined before the first sound. */
  moment(): Moment | undefined {
    const ms = this.player.heardMs();
    const { bars, startMs, endMs } = this.timed;
    while (this.barIndex + 1 < bars.length && ms >= bars[this.barIndex + 1]!.startMs) this.barIndex++;
    const one = bars[this.barIndex]!;
    if (ms < one.startMs) return undefined;
    return {
      bar: one.bar,
      barInRun: one.barInRun,
      fraction: Math.min(1, (ms - one.startMs) / (one.endMs - one.startMs)),
      countingIn: one.barInRun < 0,
      round: Math.max(0, one.round),
      swing:
        this.take.changes?.findLast(({ fromBar, swing }) => swing && fromBar <= Math.max(0, one.barInRun))?.swing ??
        this.take.swing,
      share: Math.max(0, Math.min(1, (ms - startMs) / (endMs - startMs))),
    };
  }

  get over(): boolean {
    return this.player.heardMs() > this.timed.endMs + WAIT_MS;
  }

  /** Whether the player's own strokes are being recorded. */
  get isStruck(): boolean {
    return this.settings.player === 'keys' && this.take.hits.length > 0;
  }

  /** How many rounds are played to their end, late strokes included. */
  get roundsDone(): number {
    const heard = this.player.heardMs() - WAIT_MS;
    const last = this.timed.bars.findLast(({ endMs }) => endMs <= heard);
    return last ? Math.max(0, Math.floor((last.barInRun + 1) / this.take.groove.bars.length)) : 0;
  }

  /** Whether nothing is to be fixed in a round that is done. */
  cleanRound(round: number, level: Level): boolean {
    const bars = this.take.groove.bars.length;
    const playedMs = this.timed.bars.find(({ barInRun }) => barInRun === (round + 1) * bars - 1)!.endMs;
    return (
      judge({ ...this.take, playedMs }, level, { from: round * bars, to: (round + 1) * bars }).verdict.about === 'clean'
    );
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
    const early = valueMs(beatOf(this.take.groove), tempoMapOf(this.take)) / 2;
    if (ms < -early || this.take.hits.length >= MOST_HITS || !this.isAsked(limb, ms, early)) return undefined;
    const hit = { limb, ms };
    this.take.hits.push(hit);
    return hit;
  }

  /** Whether a limb is in the task at a moment, or will be so soon that its stroke may be an early one. */
  private isAsked(limb: Limb, ms: Ms, early: Ms): boolean {
    return [ms, ms + early].some((at) => {
      const bar = this.timed.bars.findLast(({ startMs }) => startMs <= at);
      return bar !== undefined && taskAt(this.take, bar.barInRun).includes(limb);
    });
  }

  /**
   * What is set anew while playing. Tempo, swing and the task hold from the next bar line on; click, count, layers and
   * what is heard from the next count. A tempo that comes while counting in begins it again.
   */
  async follow({ bpm, click, swing, task, ...wanted }: Followed): Promise<void> {
    this.now = { ...this.now, ...wanted };
    const onBarLine = bpm !== undefined || swing !== undefined || task !== undefined;
    if (!onBarLine && click === undefined && !Object.keys(wanted).length) return;
    await this.player.prepare(new Set(this.soundings(this.scheduled()).map(({ voice }) => voice)));
    const heard = this.player.heardMs();
    if (heard < 0) return this.followCountingIn({ bpm, click, swing, task });
    // Never before a stroke that was struck already, even when a stall has set the clock back since.
    const struck = Math.max(...this.take.hits.map(({ ms }) => ms));
    const soonest = Math.max(struck, heard + this.player.aheadMs + SOONEST_MS);
    const bar = this.timed.bars.find(({ startMs }) => startMs >= soonest);
    const fromMs = onBarLine ? bar?.startMs : this.timed.countsMs.find((ms) => ms >= soonest);
    if (fromMs === undefined) return;
    const fromBar = onBarLine
      ? bar!.barInRun
      : this.timed.bars.findLast(({ startMs }) => startMs <= fromMs + 1e-6)!.barInRun;
    if (bpm !== undefined)
      this.take.tempo = [...this.take.tempo.filter((change) => change.fromBar < fromBar), { fromBar, bpm }];
    this.change(fromBar, { ...(click && { click }), ...(swing && { swing }), ...(task && { task }) });
    this.reschedule();
    this.player.replaceFrom(this.soundings(), fromMs - 0.5);
  }

  private async followCountingIn({ bpm, click, swing, task }: Followed): Promise<void> {
    this.take = {
      ...this.take,
      ...(click && { click }),
      ...(swing && { swing }),
      ...(task && { task }),
      ...(bpm !== undefined && { tempo: [{ fromBar: 0, bpm }], hits: [] }),
    };
    this.reschedule();
    if (bpm === undefined) return this.player.replaceFrom(this.soundings(), -0.5);
    this.player.stop();
    await this.player.start(this.soundings(), this.timed.startMs, this.programme.backing);
  }

  /** What holds from a bar on; of what was to come later, only what is not set anew stays. */
  private change(fromBar: number, anew: Omit<TakeChange, 'fromBar'>): void {
    if (!Object.keys(anew).length) return;
    const before = (this.take.changes ?? []).filter((one) => one.fromBar !== fromBar);
    const here = this.take.changes?.find((one) => one.fromBar === fromBar);
    this.take.changes = [...before, { ...here, ...anew, fromBar }].sort((a, b) => a.fromBar - b.fromBar);
  }

  private scheduled(): Schedule {
    const { count, layers } = this.now;
    return schedule({
      ...runOf(this.take),
      layers,
      calls: this.programme.calls,
      ...(count && { count: { school: this.programme.school, plan: count } }),
    });
  }

  private reschedule(): void {
    const struck = this.nextKitHit;
    this.timed = this.scheduled();
    this.barIndex = 0;
    // What the kit has struck already stays; its list is drawn anew from the same seed.
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
    const played =
      heard >= this.timed.endMs
        ? this.timed.endMs
        : Math.min(heard, last + valueMs(beatOf(groove), tempoMapOf(this.take)) / 2);
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
    return player === 'keys'
      ? []
      : simulateKit(this.timed, (bar) => taskAt(this.take, bar), KIT_FAULTS[player], this.seed);
  }

  /** Click, count, layers, the limbs that are to be heard, and the kit's own strokes. */
  private soundings(timed = this.timed): VoicedSound[] {
    const kit = this.settings.player !== 'keys';
    const loud = LOUD[this.programme.loudness ?? 'loud'];
    const isHeard = (sound: TimedSound) =>
      sound.kind !== 'stroke' ||
      (this.now.heard.includes(sound.limb) && !(kit && taskAt(this.take, sound.barInRun).includes(sound.limb)));
    return [
      ...timed.sounds.filter(isHeard).map((sound) => soundingOf(sound, loud)),
      ...this.kitHits.map(({ limb, ms }) => ({ ms, voice: this.programme.voices[limb] ?? ('pad/tap' as const) })),
    ];
  }
}
