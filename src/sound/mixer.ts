/** A sound to start on a frame of the audio clock; equal frames start together. */
export interface Cue {
  frame: number;
  voice: string;
}

interface Ringing {
  samples: Float32Array;
  at: number;
  group: string | undefined;
  /** 1, or falling to 0 once it has been choked or stopped. */
  level: number;
  falling: boolean;
}

/** Frames in which a choked sound fades, about 4 ms: short enough to stop, long enough not to click. */
const FADE_FRAMES = 192;

/** What rings together is choked together: closing the hat stops the open one. */
function groupOf(voice: string): string | undefined {
  return /^(closed hat|open hat|hat pedal)\//.test(voice) ? 'hat' : undefined;
}

/**
 * Plays cues on their exact frames. It knows no clock but the frame number it is given, so the worklet,
 * a file writer and a test run the same code.
 */
export class Mixer {
  private readonly voices = new Map<string, Float32Array>();
  private queue: Cue[] = [];
  private ringing: Ringing[] = [];

  addVoice(name: string, samples: Float32Array): void {
    this.voices.set(name, samples);
  }

  /** Replaces what was due from a frame on by these cues; what is due before it stays. */
  cue(cues: readonly Cue[], fromFrame = -Infinity): void {
    this.queue = [...this.queue.filter((cue) => cue.frame < fromFrame), ...cues].sort((a, b) => a.frame - b.frame);
  }

  /** Starts a voice with the next block: a stroke of the player's own. */
  strike(voice: string): void {
    this.begin(voice, 0);
  }

  /** Forgets what is due and lets what rings fade. */
  stop(): void {
    this.queue = [];
    for (const one of this.ringing) one.falling = true;
  }

  /** Adds the block that starts at `frame` into `out`. A cue that is already past starts at once. */
  render(out: Float32Array, frame: number): void {
    let due = 0;
    while (due < this.queue.length && this.queue[due]!.frame < frame + out.length) {
      const cue = this.queue[due++]!;
      this.begin(cue.voice, Math.max(0, cue.frame - frame));
    }
    if (due) this.queue = this.queue.slice(due);
    for (const one of this.ringing) this.sound(one, out);
    this.ringing = this.ringing.filter((one) => one.at < one.samples.length && one.level > 0);
    // Below full scale whatever comes together: nearly straight for single strokes, bent for many.
    for (let index = 0; index < out.length; index++) out[index] = Math.tanh(out[index]!);
  }

  private begin(voice: string, offset: number): void {
    const samples = this.voices.get(voice);
    if (!samples) return;
    const group = groupOf(voice);
    if (group) for (const one of this.ringing) if (one.group === group) one.falling = true;
    // A negative place waits for its frame within the block.
    this.ringing.push({ samples, at: -offset, group, level: 1, falling: false });
  }

  private sound(one: Ringing, out: Float32Array): void {
    for (let index = Math.max(0, -one.at); index < out.length; index++) {
      const place = one.at + index;
      if (place >= one.samples.length || one.level <= 0) break;
      out[index]! += one.samples[place]! * one.level;
      if (one.falling) one.level -= 1 / FADE_FRAMES;
    }
    one.at += out.length;
  }
}
