import type { Height, Surface } from '../core/groove/limbs';
import { randomFrom, seedOf } from '../core/random';
import type { ClickVoice } from '../core/schedule/clicks';
import type { MadeVoice } from './voiceNames';

/**
 * How hard a stroke of each height lands. Level falls by about 7 dB a step; `bright` (0–1) opens
 * filters, adds attack and lengthens the ring, so that a ghost differs in kind and not only in level.
 */
const STRUCK: Record<Height, { level: number; bright: number }> = {
  ghost: { level: 0.16, bright: 0.15 },
  tap: { level: 0.42, bright: 0.55 },
  accent: { level: 0.9, bright: 1 },
};

/** Samples of one voice, mono, −1 to 1, at `sampleRate` a second. The same name gives the same samples. */
export function renderVoice(name: MadeVoice, sampleRate: number): Float32Array<ArrayBuffer> {
  const [what, how, pressed] = name.split('/') as [Surface | 'click' | 'layer', Height & ClickVoice, 'buzz'?];
  const tools = new Synth(sampleRate, seedOf(name));
  if (what === 'click') return CLICKS[how as ClickVoice](tools);
  if (what === 'layer')
    return scaled(tools.tone(0.1, LAYER_PITCHES[Number(how)]!, LAYER_PITCHES[Number(how)]!, 0.01, 0.025), 0.4);
  const { level, bright } = STRUCK[how as Height];
  const struck = scaled(DRUMS[what](tools, bright), level);
  return pressed ? buzzed(struck, sampleRate) : struck;
}

type Samples = Float32Array<ArrayBuffer>;

/** The few means every voice is made of. Times in seconds, frequencies in hertz. */
class Synth {
  private readonly random: () => number;

  constructor(
    private readonly rate: number,
    seed: number,
  ) {
    this.random = randomFrom(seed);
  }

  /** A sine that falls from one pitch to another within about `fall`, dying away with `decay`. */
  tone(seconds: number, from: number, to: number, fall: number, decay: number): Samples {
    let phase = 0;
    return this.fill(seconds, (t) => {
      phase += (2 * Math.PI * (to + (from - to) * Math.exp(-t / fall))) / this.rate;
      return Math.sin(phase) * Math.exp(-t / decay);
    });
  }

  /** White noise between two frequencies, dying away with `decay`. */
  noise(seconds: number, low: number, high: number, decay: number): Samples {
    const lowpass = this.onePole(high);
    const floor = this.onePole(low);
    return this.fill(seconds, (t) => {
      const passed = lowpass(this.random() * 2 - 1);
      return (passed - floor(passed)) * Math.exp(-t / decay);
    });
  }

  /** Many square waves at ratios that fit no harmony, as a thin plate of metal rings, above `low`. */
  metal(seconds: number, base: number, low: number, decay: number): Samples {
    const ratios = [1, 1.342, 1.2312, 1.6532, 1.9523, 2.1523];
    const floor = this.onePole(low);
    const again = this.onePole(low);
    return this.fill(seconds, (t) => {
      const sum =
        ratios.reduce((total, ratio) => total + Math.sign(Math.sin(2 * Math.PI * base * ratio * t + ratio)), 0) /
        ratios.length;
      const once = sum - floor(sum);
      return (once - again(once)) * Math.exp(-t / decay);
    });
  }

  frames(seconds: number): number {
    return Math.round(seconds * this.rate);
  }

  private fill(seconds: number, at: (t: number) => number): Samples {
    const samples = new Float32Array(Math.ceil(seconds * this.rate));
    for (let index = 0; index < samples.length; index++) samples[index] = at(index / this.rate);
    return samples;
  }

  private onePole(frequency: number): (value: number) => number {
    const share = 1 - Math.exp((-2 * Math.PI * frequency) / this.rate);
    let held = 0;
    return (value) => (held += share * (value - held));
  }
}

const DRUMS: Record<Surface, (synth: Synth, bright: number) => Samples> = {
  kick: (s, b) =>
    mixed([s.tone(0.4, 90 + 90 * b, 47, 0.022, 0.12 + 0.05 * b), 1], [s.noise(0.02, 800, 3000, 0.004), 0.25 + 0.7 * b]),
  snare: (s, b) =>
    mixed(
      [s.tone(0.25, 215, 178, 0.02, 0.05 + 0.03 * b), 0.55],
      [s.tone(0.12, 345, 322, 0.02, 0.03), 0.3 * b],
      [s.noise(0.35, 900, 3500 + 7500 * b, 0.045 + 0.055 * b), 1.3],
    ),
  'closed hat': (s, b) =>
    mixed(
      [s.metal(0.16, 412, 6500, 0.016 + 0.026 * b), 0.9],
      [s.noise(0.08, 6000, 9000 + 7000 * b, 0.012 + 0.012 * b), 0.9],
    ),
  'open hat': (s, b) =>
    mixed([s.metal(0.9, 412, 6000, 0.18 + 0.12 * b), 0.8], [s.noise(0.9, 5500, 9000 + 7000 * b, 0.16 + 0.1 * b), 0.7]),
  'hat pedal': (s, b) =>
    mixed([s.metal(0.12, 380, 4200, 0.022), 0.7], [s.noise(0.1, 2500, 6000 + 3000 * b, 0.02), 0.8]),
  ride: (s, b) =>
    mixed(
      [s.metal(1.3, 287, 5200, 0.32 + 0.12 * b), 0.55],
      [s.tone(0.5, 3120, 3100, 0.01, 0.08 + 0.06 * b), 0.1 + 0.22 * b],
      [s.noise(0.05, 5000, 12000, 0.01), 0.4 * b],
    ),
  'ride bell': (s, b) =>
    mixed(
      [s.tone(1.1, 790, 788, 0.01, 0.3), 0.4],
      [s.tone(1.1, 1345, 1340, 0.01, 0.26), 0.35 * (0.5 + b)],
      [s.metal(1, 395, 4800, 0.24), 0.35],
    ),
  crash: (s, b) =>
    mixed(
      [s.metal(1.8, 305, 3600, 0.45 + 0.25 * b), 0.55],
      [s.noise(1.8, 3000, 7000 + 9000 * b, 0.35 + 0.25 * b), 0.9],
    ),
  'high tom': tom(196),
  'mid tom': tom(147),
  'floor tom': tom(98),
  'cross-stick': (s, b) =>
    mixed(
      [s.tone(0.08, 1750, 1700, 0.01, 0.012 + 0.006 * b), 0.6],
      [s.tone(0.1, 440, 420, 0.01, 0.02), 0.5],
      [s.noise(0.02, 1500, 8000, 0.003), 0.7],
    ),
  rim: (s, b) =>
    mixed(
      [s.tone(0.14, 1120, 1090, 0.01, 0.03), 0.6],
      [s.tone(0.14, 520, 500, 0.01, 0.035), 0.5],
      [s.noise(0.06, 1800, 6000 + 6000 * b, 0.012), 0.9],
    ),
  pad: (s, b) =>
    mixed([s.tone(0.09, 360, 290, 0.008, 0.018), 0.9], [s.noise(0.03, 500, 1800 + 4500 * b, 0.006), 0.6 + 0.4 * b]),
  clap: (s, b) => {
    const one = s.noise(0.2, 900, 3500 + 4500 * b, 0.012);
    return mixed(
      [one, 0.7],
      [later(one, s.frames(0.011)), 0.8],
      [later(s.noise(0.3, 900, 3500 + 4500 * b, 0.06), s.frames(0.022)), 1],
    );
  },
};

function tom(pitch: number) {
  return (s: Synth, b: number): Samples =>
    mixed(
      [s.tone(0.55, pitch * (1.15 + 0.35 * b), pitch, 0.04, 0.1 + 0.08 * b), 0.95],
      [s.noise(0.05, 400, 1500 + 5000 * b, 0.01), 0.3 + 0.4 * b],
    );
}

/** Wood, high to low: told apart from every drum, and 1 from the other counts. */
const CLICKS: Record<ClickVoice, (synth: Synth) => Samples> = {
  one: (s) =>
    scaled(mixed([s.tone(0.09, 1990, 1975, 0.005, 0.02), 0.8], [s.tone(0.06, 2960, 2960, 0.005, 0.01), 0.35]), 0.62),
  count: (s) =>
    scaled(mixed([s.tone(0.08, 1330, 1318, 0.005, 0.017), 0.8], [s.tone(0.05, 1980, 1980, 0.005, 0.008), 0.25]), 0.5),
  division: (s) => scaled(s.tone(0.05, 992, 988, 0.004, 0.01), 0.26),
};

/** The triplet layers, quick to slow: the slower, the deeper, told apart from the clicks. */
const LAYER_PITCHES = [1568, 784, 392];

/** Layers added up, each at its level; as long as the longest. */
function mixed(...layers: [Samples, number][]): Samples {
  const sum = new Float32Array(Math.max(...layers.map(([samples]) => samples.length)));
  for (const [samples, level] of layers)
    for (let index = 0; index < samples.length; index++) sum[index]! += level * samples[index]!;
  return sum;
}

const scaled = (samples: Samples, level: number): Samples => samples.map((value) => value * level);

function later(samples: Samples, frames: number): Samples {
  const moved = new Float32Array(samples.length + frames);
  moved.set(samples, frames);
  return moved;
}

/** A pressed stroke: the stick bounces on, softer each time, about every 22 ms. */
function buzzed(samples: Samples, sampleRate: number): Samples {
  const bounce = Math.round(0.022 * sampleRate);
  return mixed(
    ...Array.from({ length: 7 }, (_, index): [Samples, number] => [
      later(samples, index * bounce),
      0.7 * 0.78 ** index,
    ]),
  );
}
