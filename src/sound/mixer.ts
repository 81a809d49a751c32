/** A sound whose onset is to fall on a frame of the audio clock; equal frames start together. */
export interface Cue {
  frame: number;
  voice: string;
  /** 0 to 1; 1 when left out. */
  loud?: number;
}

interface Voice {
  samples: Float32Array;
  /** Frames from the start of the samples to their onset: so much earlier they begin. */
  lead: number;
}

interface Ringing {
  /** What it was cued as, so that it is not begun again when what is due is replaced. */
  cue?: Cue;
  loud: number;
  samples: Float32Array;
  at: number;
  group: string | undefined;
  /** 1, or falling to 0 once it has been choked or stopped. */
  level: number;
  falling: boolean;
}

/** Frames in which a choked sound fades, about 4 ms: short enough to stop, long enough not to click. */
const FADE_FRAMES = 192;

/** What rings together is choked together: closing the hat stops the open one, a word the one before it. */
function groupOf(voice: string): string | undefined {
  if (voice.startsWith('say/')) return 'words';
  return /^(closed hat|open hat|hat pedal)\//.test(voice) ? 'hat' : undefined;
}

/**
 * Plays cues on their exact frames. It knows no clock but the frame number it is given, so the worklet,
 * a file writer and a test run the same code.
 */
export class Mixer {
  private readonly voices = new Map<string, Voice>();
  private queue: Cue[] = [];
  /** How many of the queue have begun. */
  private begun = 0;
  private ringing: Ringing[] = [];

  /** `lead`: frames from the start of the samples to their onset. */
  addVoice(name: string, samples: Float32Array, lead = 0): void {
    this.voices.set(name, { samples, lead });
  }

  /** Replaces what was due from a frame on by these cues; what is due before it stays. */
  cue(cues: readonly Cue[], fromFrame = -Infinity): void {
    // A word begins before its slot, so it may have begun already although its slot is still to be replaced.
    const sounding = new Set(
      this.ringing.flatMap(({ cue }) => (cue && cue.frame >= fromFrame ? [`${cue.frame} ${cue.voice}`] : [])),
    );
    const anew = cues.filter(({ frame, voice }) => !sounding.has(`${frame} ${voice}`));
    const waiting = this.queue.slice(this.begun).filter((cue) => cue.frame < fromFrame);
    this.queue = [...waiting, ...anew].sort((a, b) => this.start(a) - this.start(b));
    this.begun = 0;
  }

  private start({ frame, voice }: Cue): number {
    return frame - (this.voices.get(voice)?.lead ?? 0);
  }

  /** Starts a voice with the next block: a stroke of the player's own. */
  strike(voice: string): void {
    this.begin({ frame: 0, voice }, 0);
  }

  /** Forgets what is due and lets what rings fade. */
  stop(): void {
    this.queue = [];
    this.begun = 0;
    for (const one of this.ringing) one.falling = true;
  }

  /** Adds the block that starts at `frame` into `out`. A cue that is already past starts at once. */
  render(out: Float32Array, frame: number): void {
    while (this.begun < this.queue.length && this.start(this.queue[this.begun]!) < frame + out.length) {
      const cue = this.queue[this.begun++]!;
      this.begin(cue, Math.max(0, this.start(cue) - frame), cue);
    }
    for (const one of this.ringing) this.sound(one, out);
    this.ringing = this.ringing.filter((one) => one.at < one.samples.length && one.level > 0);
    // Below full scale whatever comes together: nearly straight for single strokes, bent for many.
    for (let index = 0; index < out.length; index++) out[index] = Math.tanh(out[index]!);
  }

  private begin({ voice, loud = 1 }: Cue, offset: number, cue?: Cue): void {
    const known = this.voices.get(voice);
    if (!known) return;
    const group = groupOf(voice);
    if (group) for (const one of this.ringing) if (one.group === group) one.falling = true;
    // A negative place waits for its frame within the block.
    this.ringing.push({ cue, loud, samples: known.samples, at: -offset, group, level: 1, falling: false });
  }

  private sound(one: Ringing, out: Float32Array): void {
    for (let index = Math.max(0, -one.at); index < out.length; index++) {
      const place = one.at + index;
      if (place >= one.samples.length || one.level <= 0) break;
      out[index]! += one.samples[place]! * one.loud * one.level;
      if (one.falling) one.level -= 1 / FADE_FRAMES;
    }
    one.at += out.length;
  }
}
