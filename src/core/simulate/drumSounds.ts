import type { Height, Surface } from '../groove/limbs';
import { normal, randomFrom } from '../random';
import type { Ms } from '../time/units';

/** How one stroke differs from the next on the same surface. */
export interface Struck {
  /** Against the surface's accent. */
  db: number;
  /** 0 is dull, 1 as bright as the surface goes. */
  bright: number;
}

/** A kit that is made up from a seed: what each surface rings with. */
export interface MadeKit {
  /** What tells it from others. */
  name: string;
  surfaces: Surface[];
  /** Samples of one stroke; its first sample that is not 0 is the onset. No two are alike. */
  strike(surface: Surface, struck: Struck, random: () => number): Float32Array;
}

/** What a kit is made by: rings and bursts, or swept tones under plates of many partials. */
export const MAKES = ['rings', 'plates'] as const;
export type Make = (typeof MAKES)[number];

export const KIT_SURFACES: Surface[] = [
  'kick',
  'snare',
  'closed hat',
  'open hat',
  'hat pedal',
  'ride',
  'crash',
  'high tom',
  'mid tom',
  'floor tom',
];

/** How loud each height is against an accent, in decibels. */
export const HEIGHT_DB: Record<Height, number> = { accent: 0, tap: -8, ghost: -22 };

/** What sounds: tones that die away, and bands of noise that do. Seconds, hertz, shares of the loudest. */
interface Voice {
  tones: { hz: number; sweep: number; decay: number; level: number }[];
  noises: { low: number; high: number; decay: number; level: number }[];
  attackMs: Ms;
  db: number;
}

const between = (random: () => number, low: number, high: number) => low + (high - low) * random();
/** Spread evenly over the octaves between two numbers. */
const among = (random: () => number, low: number, high: number) => low * (high / low) ** random();

/** Pitches of a plate: many that fit no harmony, thinning out upwards. */
const partials = (random: () => number, count: number, low: number, high: number, decay: number, level: number) =>
  Array.from({ length: count }, () => {
    const hz = among(random, low, high);
    return { hz, sweep: 1, decay: decay * between(random, 0.5, 1.3) * (low / hz) ** 0.3, level: level * random() };
  });

/**
 * A drum: its own pitch and the overtones of a skin (1.59, 2.14, 2.30, 2.65: Rossing, Science of Percussion
 * Instruments, 2000).
 */
function skin(random: () => number, hz: number, decay: number, sweep: number, overtones: number): Voice['tones'] {
  return [1, 1.59, 2.14, 2.3, 2.65].map((ratio, index) => ({
    hz: hz * ratio * between(random, 0.98, 1.02),
    sweep,
    decay: decay * between(random, 0.7, 1.2) * (index ? 0.5 : 1),
    level: index ? overtones * random() : 1,
  }));
}

function voiceOf(surface: Surface, make: Make, random: () => number): Voice {
  const swept = make === 'plates';
  const metal = (low: number, decay: number, level: number) =>
    partials(random, swept ? 36 : 12, low, 14_000, decay, swept ? level : level * 1.4);
  const burst = (low: number, high: number, decay: number, level: number) => ({
    low: low * between(random, 0.85, 1.2),
    high: high * between(random, 0.85, 1.15),
    decay: decay * between(random, 0.75, 1.35),
    level,
  });
  const voice = (tones: Voice['tones'], noises: Voice['noises'], attackMs: Ms, db: number): Voice => ({
    tones,
    noises,
    attackMs: attackMs * between(random, 0.5, 1.6),
    db: db + between(random, -2.5, 2.5),
  });
  switch (surface) {
    case 'kick':
      return voice(
        skin(random, among(random, 46, 72), between(random, 0.07, 0.2), swept ? 2.2 : 1.15, 0.25),
        [burst(900, 4500, 0.005, between(random, 0.15, 0.6)), burst(120, 600, 0.02, 0.2)],
        0.9,
        0,
      );
    case 'snare':
      return voice(
        skin(random, among(random, 165, 240), 0.05, swept ? 1.25 : 1.03, 0.5),
        [burst(1200, 9500, among(random, 0.05, 0.13), between(random, 0.7, 1.3)), burst(2500, 14_000, 0.012, 0.5)],
        0.3,
        -1,
      );
    case 'closed hat':
      return voice(metal(3200, 0.03, 0.4), [burst(6000, 15_000, 0.028, 1)], 0.2, -9);
    case 'open hat':
      return voice(metal(3000, 0.3, 0.4), [burst(5200, 15_000, 0.24, 0.8)], 0.3, -8);
    case 'hat pedal':
      return voice(metal(2400, 0.02, 0.4), [burst(2800, 8500, 0.022, 1)], 1.1, -14);
    case 'ride':
      return voice(
        [...metal(2200, 0.5, 0.35), { hz: among(random, 2600, 4200), sweep: 1, decay: 0.12, level: 0.7 }],
        [burst(4500, 12_000, 0.014, 0.6), burst(5000, 13_000, 0.4, 0.18)],
        0.2,
        -9,
      );
    case 'crash':
      return voice(metal(900, 0.7, 0.4), [burst(2600, 14_000, 0.45, 1)], 0.8, -4);
    case 'pad':
      return voice(
        skin(random, among(random, 240, 420), 0.015, 1.1, 0.5),
        [burst(700, 5200, 0.006, between(random, 0.4, 1))],
        0.2,
        -3,
      );
    default: {
      const pitch = { 'high tom': 190, 'mid tom': 140, 'floor tom': 92 }[surface as string] ?? 300;
      return voice(
        skin(random, pitch * between(random, 0.88, 1.14), between(random, 0.12, 0.28), swept ? 1.35 : 1.05, 0.35),
        [burst(700, 5500, 0.008, between(random, 0.2, 0.6))],
        0.5,
        -2,
      );
    }
  }
}

/** A kit from a seed. The same seed gives the same kit. */
export function madeKit(seed: number, make: Make, rate: number, surfaces: Surface[] = KIT_SURFACES): MadeKit {
  const random = randomFrom(seed * 7919 + 13);
  const voices = new Map(surfaces.map((surface) => [surface, voiceOf(surface, make, random)]));
  return {
    name: `${make} ${seed}`,
    surfaces,
    strike: (surface, struck, each) => samplesOf(voices.get(surface)!, struck, each, rate),
  };
}

/** Nothing of a stroke is heard when it has fallen by so much, in powers of e. */
const HEARD_DECAYS = 7;

/** One stroke. Levels, decays and pitches vary by a little each time, as where the stick lands does. */
function samplesOf(voice: Voice, { db, bright }: Struck, random: () => number, rate: number): Float32Array {
  const vary = (by: number) => Math.max(0.3, 1 + by * normal(random));
  const longest = Math.max(...voice.tones.map(({ decay }) => decay), ...voice.noises.map(({ decay }) => decay));
  const samples = new Float32Array(Math.ceil(Math.min(1.6, HEARD_DECAYS * longest) * rate));
  const decays = vary(0.08);
  const loudness = 10 ** ((voice.db + db) / 20) * 0.5;
  for (const { hz, sweep, decay, level } of voice.tones) {
    const dull = hz > 1500 ? 0.25 + 0.75 * bright : 1;
    addTone(
      samples,
      rate,
      hz * vary(0.003),
      1 + (sweep - 1) * (0.4 + 0.6 * bright),
      decay * decays,
      level * vary(0.2) * dull,
    );
  }
  for (const { low, high, decay, level } of voice.noises)
    addNoise(samples, rate, low, high * (0.45 + 0.55 * bright), decay * decays, level * vary(0.12), random);
  const attack = Math.max(1, (voice.attackMs / 1000) * rate * (1.3 - 0.3 * bright));
  const fade = Math.round(0.01 * rate);
  for (let index = 0; index < samples.length; index++)
    samples[index]! *= loudness * Math.min(1, (index + 1) / attack) * Math.min(1, (samples.length - index) / fade);
  return samples;
}

function addTone(samples: Float32Array, rate: number, hz: number, sweep: number, decay: number, level: number): void {
  if (hz > 0.45 * rate) return;
  const fall = Math.exp(-1 / (decay * rate));
  const swept = Math.exp(-1 / (0.025 * rate));
  let [phase, over, gain] = [0.3, sweep - 1, level];
  for (let index = 0; index < samples.length && gain > 1e-5; index++) {
    samples[index]! += gain * Math.sin(phase);
    phase += (2 * Math.PI * hz * (1 + over)) / rate;
    over *= swept;
    gain *= fall;
  }
}

/** White noise through two poles above `low` and two below `high`. */
function addNoise(
  samples: Float32Array,
  rate: number,
  low: number,
  high: number,
  decay: number,
  level: number,
  random: () => number,
): void {
  const [up, down] = [high, low].map((hz) => 1 - Math.exp((-2 * Math.PI * Math.min(hz, 0.45 * rate)) / rate)) as [
    number,
    number,
  ];
  const fall = Math.exp(-1 / (decay * rate));
  let [first, second, floor, under, gain] = [0, 0, 0, 0, 1.6 * level];
  for (let index = 0; index < samples.length && gain > 1e-5; index++) {
    first += up * (random() * 2 - 1 - first);
    second += up * (first - second);
    floor += down * (second - floor);
    under += down * (second - floor - under);
    samples[index]! += gain * (second - floor - under);
    gain *= fall;
  }
}
