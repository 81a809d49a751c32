import type { Ms } from '../../core/time/units';
import { slowed } from '../music';
import { audioOutput, onSoundElsewhere, soundHere } from '../output';
import { clickTrack, type TimedVoice } from './clickTrack';
import { bufferOf } from './compress';
import { beginSounding, endSounding } from './sounding';
import type { TakeSound } from './takeSound';

/** How a sound is listened to again. Times are of its take, from its first bar. */
export interface Listened {
  fromMs: Ms;
  /** A share of its own speed, at its own pitch. */
  speed: number;
  isClicked: boolean;
  /** Played over and over. */
  loop?: { fromMs: Ms; toMs: Ms };
}

/** The click beside what was struck: it is to be heard through, not over. */
const CLICK_LEVEL = 0.7;
/** So soon after it is asked for it sounds. */
const LEAD_SECONDS = 0.03;

/** Plays the sound of a take again, one moment at a time. */
export class BackPlayer {
  private readonly slower = new Map<number, Promise<{ sound: AudioBuffer; click: AudioBuffer }>>();
  private playing: { sources: AudioBufferSourceNode[]; click: GainNode; startedAt: number; how: Listened } | undefined;
  private attempt = 0;
  private readonly forget: () => void;

  constructor(
    private readonly sound: TakeSound,
    private readonly clicks: readonly TimedVoice[],
    private readonly onEnded: () => void,
  ) {
    this.forget = onSoundElsewhere(() => {
      this.stop();
      onEnded();
    });
  }

  /**
   * Plays from a moment on; `onShare` hears how much is slowed where that takes a while. False where it was stopped, or
   * asked for another moment, before it came to that. Throws with words.
   */
  async play(how: Listened, onShare: (share: number) => void): Promise<boolean> {
    this.stop();
    const mine = this.attempt;
    const context = await audioOutput();
    const { sound, click } = await this.at(how.speed, context.sampleRate, onShare);
    if (mine !== this.attempt) return false;
    soundHere();
    const { speed, loop } = how;
    // Behind what goes round nothing comes.
    if (loop && how.fromMs >= loop.toMs) how = { ...how, fromMs: loop.fromMs };
    const seconds = (ms: Ms) => Math.max(0, this.sound.zeroMs + ms) / 1000 / speed;
    const startedAt = context.currentTime + LEAD_SECONDS;
    const gain = new GainNode(context, { gain: how.isClicked ? CLICK_LEVEL : 0 });
    gain.connect(context.destination);
    const sources = [sound, click].map((buffer, index) => {
      const source = new AudioBufferSourceNode(context, { buffer });
      if (loop) Object.assign(source, { loop: true, loopStart: seconds(loop.fromMs), loopEnd: seconds(loop.toMs) });
      source.connect(index ? gain : context.destination);
      source.start(startedAt, seconds(how.fromMs));
      return source;
    });
    this.playing = { sources, click: gain, startedAt, how };
    beginSounding();
    sources[0]!.onended = () => {
      if (this.playing?.sources !== sources) return;
      this.stop();
      this.onEnded();
    };
    this.latencySeconds = context.outputLatency || context.baseLatency || 0;
    this.now = () => context.currentTime;
    return true;
  }

  private latencySeconds = 0;
  private now = () => 0;

  /** Which moment of the take is heard now; undefined while nothing is. */
  get heardMs(): Ms | undefined {
    if (!this.playing) return undefined;
    const { startedAt, how } = this.playing;
    const { fromMs, speed, loop } = how;
    const ms = fromMs + 1000 * speed * Math.max(0, this.now() - this.latencySeconds - startedAt);
    if (!loop || ms < loop.toMs) return ms;
    return loop.fromMs + ((ms - loop.fromMs) % (loop.toMs - loop.fromMs));
  }

  /** Sets the click beside it on or off, also while it plays. */
  setClick(on: boolean): void {
    if (this.playing) this.playing.click.gain.value = on ? CLICK_LEVEL : 0;
  }

  stop(): void {
    this.attempt++;
    if (this.playing) endSounding();
    for (const source of this.playing?.sources ?? []) source.stop();
    this.playing?.click.disconnect();
    this.playing = undefined;
  }

  close(): void {
    this.stop();
    this.forget();
  }

  /** Sound and click at a speed, made once each. */
  private at(speed: number, rate: number, onShare: (share: number) => void) {
    const known = this.slower.get(speed);
    if (known) return known;
    const made = (async () => ({
      sound: await slowed(bufferOf(this.sound), speed, onShare),
      click: bufferOf({ samples: clickTrack(this.clicks, this.sound, speed, rate), sampleRate: rate }),
    }))();
    this.slower.set(speed, made);
    made.catch(() => this.slower.delete(speed));
    return made;
  }
}
