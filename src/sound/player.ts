import type { Ms } from '../core/time/units';
import { AudioClock } from './audioClock';
import { audioOutput, forgetOutput, onSoundElsewhere, soundHere } from './output';
import { frameAt } from './rendering';
import type { SequencerMessage } from './sequencer.worklet';
import { sampled } from './speech';
import type { VoiceName } from './voiceNames';

/** From pressing play to the first sound: time for the list to reach the audio thread. */
const LEAD_MS: Ms = 150;

/** The loudest the limiter is given: two full scales at once. */
const LIMITED_UP_TO = 2;

/** Straight up to 0.8 of full scale, then bent so that it never gets there. */
function softKnee(): Float32Array<ArrayBuffer> {
  return Float32Array.from({ length: 4097 }, (_, index) => {
    const value = LIMITED_UP_TO * ((2 * index) / 4096 - 1);
    const over = Math.abs(value) - 0.8;
    return over <= 0 ? value : Math.sign(value) * (0.8 + 0.2 * Math.tanh(over / 0.2));
  });
}

/** How long a sleeping output is waited for. */
const WAKE_MS: Ms = 2000;

/** The output is gone for good: a new player has to be opened. */
export class SoundLost extends Error {
  constructor() {
    super('The sound output does not answer. Connect headphones or a loudspeaker and press play again.');
  }
}

/** A voice to sound at a time of the run, in milliseconds from its first bar. */
export interface VoicedSound {
  ms: Ms;
  voice: VoiceName;
  /** 0 to 1; 1 when left out. */
  loud?: number;
}

/** When each voice is sent to the output, on the clock that `firstBarMs` is on. */
export function sentOf(sounds: readonly VoicedSound[], firstBarMs: Ms): Map<VoiceName, Ms[]> {
  const sent = new Map<VoiceName, Ms[]>();
  for (const { voice, ms } of sounds) {
    const before = sent.get(voice);
    if (before) before.push(ms + firstBarMs);
    else sent.set(voice, [ms + firstBarMs]);
  }
  return sent;
}

/** A piece of music under a run: the moment of it, in milliseconds, that falls on the run's first bar. */
export interface Backing {
  buffer: AudioBuffer;
  firstBeatMs: Ms;
}

/** Plays schedules through the browser's audio output. Times are milliseconds from the run's first bar. */
export class Player {
  private readonly clock: AudioClock;
  private readonly known = new Set<VoiceName>();
  /** Audio time of the run's first bar, in milliseconds. */
  private zeroMs = 0;
  private backing?: AudioBufferSourceNode;
  private readonly endings: (() => void)[] = [];

  private constructor(
    private readonly context: AudioContext,
    private readonly node: AudioWorkletNode,
    private readonly input: GainNode,
    private readonly output: GainNode,
  ) {
    this.clock = new AudioClock(context);
  }

  /** Opens the sound; call it from a touch or key press, as browsers demand. Throws with words for the person. */
  static async open(): Promise<Player> {
    const context = await audioOutput();
    const node = new AudioWorkletNode(context, 'sequencer', { numberOfInputs: 0, outputChannelCount: [2] });
    // What is played and music under it together stay below full scale, too.
    const limiter = new WaveShaperNode(context, { curve: softKnee() });
    const [input, output] = [new GainNode(context, { gain: 1 / LIMITED_UP_TO }), new GainNode(context)];
    node.connect(input).connect(limiter).connect(output).connect(context.destination);
    return new Player(context, node, input, output);
  }

  /** Makes the voices of a schedule and of the player's own strokes ready; those that are recorded are loaded. */
  async prepare(voices: Iterable<VoiceName>): Promise<void> {
    const wanted = [...voices].filter((name) => !this.known.has(name));
    for (const [name, { samples, lead }] of await sampled(wanted, this.context.sampleRate)) {
      if (this.known.has(name)) continue;
      this.known.add(name);
      this.post({ type: 'voice', name, samples, lead }, [samples.buffer]);
    }
  }

  /** Starts a run; `firstMs` is its first moment, below 0 when it is counted in. Throws with words for the person. */
  async start(sounds: readonly VoicedSound[], firstMs: Ms, backing?: Backing): Promise<void> {
    await this.prepare(new Set(sounds.map(({ voice }) => voice)));
    await this.wake();
    soundHere();
    this.zeroMs = this.context.currentTime * 1000 + LEAD_MS - firstMs;
    this.replaceFrom(sounds, -Infinity);
    this.stopBacking();
    if (!backing) return;
    this.backing = new AudioBufferSourceNode(this.context, { buffer: backing.buffer });
    this.backing.connect(this.input);
    this.backing.start(this.zeroMs / 1000, backing.firstBeatMs / 1000);
  }

  /** A context that was put to sleep sounds again; one that does not is given up, so that another is opened. */
  private async wake(): Promise<void> {
    if (this.context.state === 'running') return;
    const asleep = new Promise<never>((_, refuse) => setTimeout(() => refuse(new SoundLost()), WAKE_MS));
    await Promise.race([this.context.resume(), asleep]).catch(() => {
      forgetOutput(this.context);
      throw new SoundLost();
    });
  }

  /** From `ms` of the run on, these sounds in place of those that were due. Their voices are to be prepared. */
  replaceFrom(sounds: readonly VoicedSound[], ms: Ms): void {
    const cues = sounds
      .filter((sound) => sound.ms >= ms)
      .map(({ ms, voice, loud }) => ({ frame: this.frameOf(ms), voice, loud }));
    this.post({ type: 'cue', cues, fromFrame: Number.isFinite(ms) ? this.frameOf(ms) : undefined });
  }

  private frameOf(ms: Ms): number {
    return frameAt(ms, -this.zeroMs, this.context.sampleRate);
  }

  /** A stroke of the player's own, at once. */
  strike(voice: VoiceName): void {
    void this.prepare([voice]).then(() => this.post({ type: 'strike', voice }));
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

  /** When the run's first bar is sent to the output, on the audio clock. */
  get firstBarMs(): Ms {
    return this.zeroMs;
  }

  /** How far ahead of the ear the audio thread works, in milliseconds: nothing nearer can be replaced. */
  get aheadMs(): Ms {
    return this.context.currentTime * 1000 - this.zeroMs - this.heardMs();
  }

  /** Calls back when the browser takes the sound away (another app, sleep), or its output fails or is closed. */
  onInterrupted(listener: () => void): void {
    this.until(this.context, 'statechange', () => this.context.state !== 'running' && listener());
    this.until(this.context, 'error', listener);
  }

  /** Calls back when a sound device comes or goes: the browser then plays on through another. */
  onDevicesChanged(listener: () => void): void {
    if (navigator.mediaDevices) this.until(navigator.mediaDevices, 'devicechange', listener);
  }

  /** Calls back when another window of this browser begins to sound. */
  onElsewhere(listener: () => void): void {
    this.endings.push(onSoundElsewhere(listener));
  }

  private until(target: EventTarget, event: string, listener: () => void): void {
    target.addEventListener(event, listener);
    this.endings.push(() => target.removeEventListener(event, listener));
  }

  stop(): void {
    this.post({ type: 'stop' });
    this.stopBacking();
  }

  private stopBacking(): void {
    this.backing?.stop();
    this.backing?.disconnect();
    this.backing = undefined;
  }

  /** Falls silent and lets go; the page's output stays open for others. */
  close(): void {
    this.stop();
    for (const end of this.endings.splice(0)) end();
    this.node.disconnect();
    this.output.disconnect();
  }

  private post(message: SequencerMessage, transfer: Transferable[] = []): void {
    this.node.port.postMessage(message, transfer);
  }
}
