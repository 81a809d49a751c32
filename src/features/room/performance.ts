'use client';

import { limbsBySurface } from '@/core/groove/kit';
import { formOfTake, taskAt, type Hit, type InputName, type Take } from '@/core/documents/take';
import { barsOnce, formOf, type Form } from '@/core/form/form';
import type { Limb } from '@/core/groove/limbs';
import { MOST_HITS } from '@/core/limits';
import { schedule } from '@/core/schedule/schedule';
import type { Schedule } from '@/core/schedule/timed';
import { kitPlaying } from '@/core/simulate/kitFaults';
import { simulateKit } from '@/core/simulate/simulatedKit';
import type { Ms } from '@/core/time/units';
import type { Strike } from '@/sound/inputs/input';
import type { VoiceName } from '@/sound/voiceNames';
import { SimulatedKit, type KitStroke } from '@/sound/inputs/simulated/simulatedKit';
import { sentOf, type Player, type VoicedSound } from '@/sound/player';
import type { Followed, Moment, Struck } from './moment';
import {
  changesWith,
  isAsked,
  momentIn,
  nearestTo,
  takenUntil,
  withSurfaces,
  type Near,
  type RoundPlayed,
  unplayed,
} from './played';
import { anySeed } from './anySeed';
import { isOfEitherHand, voiced, voicesOf, type Piece } from './piece';
import type { RoomSettings } from './settings';

/** How long after the last bar, or after a round, a late last stroke is still waited for. */
const WAIT_MS: Ms = 300;

/** What nothing listened to was played when it went on for so long. */
const LEAST_MS: Ms = 5000;

/** What is set now is heard from the next bar line or count that is at least this far ahead of the audio thread. */
const SOONEST_MS: Ms = 60;

/**
 * One attempt while it is going on: what sounds, where we are, and the hits so far. It knows nothing of
 * the screen; the room asks it with every frame.
 */
export class Performance {
  private take: Take;
  form: Form;
  timed: Schedule;
  /** Who strikes when it is not the person. */
  readonly kit: SimulatedKit;
  private kitHits: KitStroke[] = [];
  private barIndex = 0;
  private endedMs: Ms = 0;
  private now: Pick<RoomSettings, 'heard' | 'count' | 'layers'>;
  readonly seed = anySeed();

  private constructor(
    private readonly player: Player,
    private readonly piece: Piece,
    private readonly settings: RoomSettings,
    input: InputName,
  ) {
    this.take = unplayed(piece, settings, input);
    const isMidi = settings.kit.heard === 'by MIDI';
    this.kit = new SimulatedKit({ isMidi, who: limbsBySurface(piece.groove) });
    this.now = { heard: settings.heard, count: settings.count, layers: settings.layers };
    this.form = this.formed();
    this.timed = this.scheduled();
    this.drawKit();
  }

  /** Begins to play; strokes are heard by `input`, but for those that say another. */
  static async start(
    player: Player,
    piece: Piece,
    settings: RoomSettings,
    input: InputName = 'keys',
  ): Promise<Performance> {
    const performance = new Performance(player, piece, settings, input);
    await player.start(performance.soundings(), performance.timed.startMs, piece.backing);
    return performance;
  }

  /** Whether the person plays, and not the kit. */
  get isPlayed(): boolean {
    return this.settings.who === 'me';
  }

  /** Where the ear is, in milliseconds from the first bar. */
  get heardMs(): Ms {
    return this.player.heardMs();
  }

  /** Where the ear is. Undefined before the first sound. */
  moment(): Moment | undefined {
    const ms = this.player.heardMs();
    const { bars } = this.timed;
    while (this.barIndex + 1 < bars.length && ms >= bars[this.barIndex + 1]!.startMs) this.barIndex++;
    return momentIn(bars[this.barIndex]!, ms, this);
  }

  get over(): boolean {
    return this.player.heardMs() > this.timed.endMs + WAIT_MS;
  }

  /** Whether anything listens. */
  get isHeard(): boolean {
    return this.take.input !== 'nothing';
  }

  /** Whether what is struck is recorded and heard as a whole when it has ended. */
  get isRecorded(): boolean {
    return this.take.input === 'microphone';
  }

  /** Whether what the simulated kit struck is played as sound and heard when it has ended. */
  get isKitHeard(): boolean {
    return !this.isPlayed && this.settings.kit.heard === 'as sound';
  }

  /** Whether the player's own strokes are being recorded. */
  get isStruck(): boolean {
    return this.isPlayed && this.take.hits.length > 0;
  }

  /** How often the whole is gone through to its end, late strokes included. */
  get roundsDone(): number {
    const heard = this.player.heardMs() - WAIT_MS;
    const last = this.timed.bars.findLast(({ endMs }) => endMs <= heard);
    return last ? Math.max(0, Math.floor((last.barInRun + 1) / barsOnce(this.take))) : 0;
  }

  /** A round that is done, as it is to be judged: the take as far as it goes, and the bars of the round. */
  roundPlayed(round: number): RoundPlayed {
    const bars = barsOnce(this.take);
    const playedMs = this.timed.bars.find(({ barInRun }) => barInRun === (round + 1) * bars - 1)!.endMs;
    return { take: { ...this.take, playedMs }, window: { from: round * bars, to: (round + 1) * bars } };
  }

  /** A stroke that an input heard. */
  strike({ input, limb, at, loudness }: Strike, delayMs: Ms = 0): Struck {
    const ms = this.runMs(at) - delayMs;
    if (!('runMs' in at) && !this.isAsked(limb, ms)) return 'unasked';
    if (this.take.hits.length >= MOST_HITS) return 'full';
    const hit: Hit = {
      ms: Math.round(ms * 1000) / 1000,
      ...(limb && !isOfEitherHand(this.piece, limb) && { limb }),
      ...(loudness !== undefined && { loudness }),
      ...(input !== this.take.input && { input }),
    };
    this.take.hits.push(hit);
    return hit;
  }

  private runMs(at: Strike['at']): Ms {
    if ('runMs' in at) return at.runMs;
    return 'pageMs' in at ? this.player.heardMs(at.pageMs) : at.audioMs - this.player.firstBarMs;
  }

  private isAsked(limb: Limb | undefined, ms: Ms): boolean {
    return isAsked({ limb, ms }, { take: this.take, form: this.form, timed: this.timed });
  }

  private taskIn(barInRun: number): readonly Limb[] {
    return taskAt(this.form, this.take, barInRun);
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
    this.take.changes = changesWith(this.take.changes, fromBar, {
      ...(bpm !== undefined && { bpm }),
      ...(click && { click }),
      ...(swing && { swing }),
      ...(task && { task }),
    });
    this.reschedule();
    this.player.replaceFrom(this.soundings(), fromMs - 0.5);
  }

  private async followCountingIn({ bpm, click, swing, task }: Followed): Promise<void> {
    this.take = {
      ...this.take,
      ...(click && { click }),
      ...(swing && { swing }),
      ...(task && { task }),
      ...(bpm !== undefined && { bpm, hits: [] }),
    };
    this.reschedule();
    if (bpm === undefined) return this.player.replaceFrom(this.soundings(), -0.5);
    this.kit.rewind();
    this.player.stop();
    await this.player.start(this.soundings(), this.timed.startMs, this.piece.backing);
  }

  private formed(): Form {
    return this.now.layers ? formOf({ ...this.take, layers: this.now.layers }) : formOfTake(this.take);
  }

  private scheduled(): Schedule {
    const { count } = this.now;
    return schedule(this.formed(), { count: count && { school: this.piece.school, plan: count } });
  }

  private reschedule(): void {
    this.form = this.formed();
    this.timed = this.scheduled();
    this.barIndex = 0;
    this.drawKit();
  }

  /** What the kit strikes, drawn anew from the same seed. */
  private drawKit(): void {
    const { who, kit } = this.settings;
    const { form, timed } = this;
    this.kitHits =
      who === 'me'
        ? []
        : withSurfaces(
            simulateKit({ form, timed }, (bar) => this.taskIn(bar), kitPlaying(who, kit.size, kit.also), this.seed),
            timed,
          );
    this.kit.load(this.kitHits);
  }

  /** Ends it. The take as it is to be judged, or undefined when nothing was struck. */
  finish(): Take | undefined {
    this.stop();
    // Nothing listened: that it was played is kept, from the first bar on.
    if (this.take.input === 'nothing') return this.unheard.playedMs >= LEAST_MS ? this.unheard : undefined;
    return takenUntil(this.take, this.endedMs, this.timed.endMs);
  }

  /** Falls silent: how far it came stands. */
  private stop(): void {
    this.player.stop();
    this.kit.close();
    this.endedMs = this.player.heardMs();
  }

  /** The take as it stands when it has ended, before it is known what was struck where that is heard as a whole. */
  get unheard(): Take {
    return { ...this.take, playedMs: Math.max(0, Math.round(Math.min(this.endedMs, this.timed.endMs))), hits: [] };
  }

  /** The same where what was struck was heard as a whole: of that, what was meant for its moment. */
  takenAsHeard(heard: Take): Take | undefined {
    const hits = heard.hits.filter(({ limb, ms }) => this.isAsked(limb, ms));
    return takenUntil({ ...heard, hits }, this.endedMs, this.timed.endMs);
  }

  /** What sounds, by voice, and when it was sent in milliseconds of the audio clock: a microphone hears it too. */
  sent(): Map<VoiceName, Ms[]> {
    return sentOf(this.soundings(), this.firstBarMs);
  }

  /** When its first bar is sent to the output, on the audio clock. */
  get firstBarMs(): Ms {
    return this.player.firstBarMs;
  }

  /** The stroke of a limb nearest to a hit, as far as a match reaches: for showing hits while playing. */
  nearest(hit: Hit): Near | undefined {
    return nearestTo(hit, this.timed);
  }

  /** Click, count, layers, the limbs that are to be heard, and the kit's own strokes. */
  private soundings(timed = this.timed): VoicedSound[] {
    const { heard } = this.now;
    const voices = voicesOf(this.piece);
    return [
      ...voiced(
        timed.sounds,
        // What the kit plays is not heard twice.
        ({ limb, barInRun }) => heard.includes(limb) && (this.isPlayed || !this.taskIn(barInRun).includes(limb)),
        this.piece.loudness,
      ),
      ...this.kitHits.map(({ limb, ms }) => ({ ms, voice: (limb && voices[limb]) ?? ('pad/tap' as const) })),
    ];
  }
}
