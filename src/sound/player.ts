import type { Ms } from '../core/time/units';
import { AudioClock } from './audioClock';
import { frameAt } from './rendering';
import type { SequencerMessage } from './sequencer.worklet';
import { renderVoice, type VoiceName } from './voices';

/** Built beside the application; see scripts/lib/worklet.mjs. */
const SEQUENCER = '/worklets/sequencer.js';

/** From pressing play to the first sound: time for the list to reach the audio thread. */
const LEAD_MS: Ms = 150;

/** A voice to sound at a time of the run, in milliseconds from its first bar. */
export interface Sounding {
  ms: Ms;
  voice: VoiceName;
}

/** Plays schedules through the browser's audio output. Times are milliseconds from the run's first bar. */
export class Player {
  private readonly clock: AudioClock;
  private readonly known = new Set<VoiceName>();
  /** Audio time of the run's first bar, in milliseconds. */
  private zeroMs = 0;

  private constructor(
    private readonly context: AudioContext,
    private readonly node: AudioWorkletNode,
    private readonly output: GainNode,
  ) {
    this.clock = new AudioClock(context);
  }

  /** Opens the sound; call it from a touch or key press, as browsers demand. Throws with words for the person. */
  static async open(): Promise<Player> {
    let context: AudioContext;
    try {
      context = new AudioContext({ latencyHint: 'interactive' });
    } catch {
      throw new Error('This browser gives no sound output. Connect headphones or a loudspeaker and press play again.');
    }
    try {
      await context.audioWorklet.addModule(SEQUENCER);
      await context.resume();
    } catch {
      await context.close();
      throw new Error('The sound could not be started. Reload the page; if it stays so, use a current browser.');
    }
    const node = new AudioWorkletNode(context, 'sequencer', { numberOfInputs: 0, outputChannelCount: [2] });
    const output = new GainNode(context);
    node.connect(output).connect(context.destination);
    return new Player(context, node, output);
  }

  /** Makes the voices of a schedule and of the player's own strokes ready. */
  prepare(voices: Iterable<VoiceName>): void {
    for (const name of voices) {
      if (this.known.has(name)) continue;
      this.known.add(name);
      const samples = renderVoice(name, this.context.sampleRate);
      this.post({ type: 'voice', name, samples }, [samples.buffer]);
    }
  }

  /** Starts a run; `firstMs` is its first moment, below 0 when it is counted in. */
  async start(sounds: readonly Sounding[], firstMs: Ms): Promise<void> {
    if (this.context.state !== 'running') await this.context.resume();
    this.zeroMs = this.context.currentTime * 1000 + LEAD_MS - firstMs;
    this.replaceFrom(sounds, -Infinity);
  }

  /** From `ms` of the run on, these sounds in place of those that were due. */
  replaceFrom(sounds: readonly Sounding[], ms: Ms): void {
    this.prepare(new Set(sounds.map(({ voice }) => voice)));
    const cues = sounds.filter((sound) => sound.ms >= ms).map((sound) => ({ frame: this.frameOf(sound.ms), voice: sound.voice }));
    this.post({ type: 'cue', cues, fromFrame: Number.isFinite(ms) ? this.frameOf(ms) : undefined });
  }

  private frameOf(ms: Ms): number {
    return frameAt(ms, -this.zeroMs, this.context.sampleRate);
  }

  /** A stroke of the player's own, at once. */
  strike(voice: VoiceName): void {
    this.prepare([voice]);
    this.post({ type: 'strike', voice });
  }

  /** How loud all of it is, 0 (off) to 1. Squared, so that half is heard as about half. */
  setLevel(level: number): void {
    this.output.gain.setTargetAtTime(level ** 2, this.context.currentTime, 0.01);
  }

  /** Takes a reading of the clocks; call it with every animation frame while playing. */
  tick(): void {
    this.clock.read();
  }

  /** The moment of the run that is heard at a time of the page's clock, latency accounted for. */
  heardMs(pageMs: Ms = performance.now()): Ms {
    return this.clock.heardAt(pageMs) - this.zeroMs;
  }

  /** How far ahead of the ear the audio thread works, in milliseconds: nothing nearer can be replaced. */
  get aheadMs(): Ms {
    return this.context.currentTime * 1000 - this.zeroMs - this.heardMs();
  }

  /** Calls back when the browser takes the sound away (another app, sleep). */
  onInterrupted(listener: () => void): void {
    this.context.onstatechange = () => this.context.state !== 'running' && listener();
  }

  stop(): void {
    this.post({ type: 'stop' });
  }

  async close(): Promise<void> {
    this.context.onstatechange = null;
    await this.context.close();
  }

  private post(message: SequencerMessage, transfer: Transferable[] = []): void {
    this.node.port.postMessage(message, transfer);
  }
}
