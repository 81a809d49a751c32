import type { Height, Surface } from '../groove/limbs';
import { normal, randomFrom } from '../random';
import type { Decibels, Ms } from '../time/units';
import { HEIGHT_DB, type MadeKit } from './drumSounds';
import { inRoom, noiseOf, type NoiseKind } from './room';

/** One stroke to be played as sound. */
export interface Sounded {
  ms: Ms;
  surface: Surface;
  height: Height;
  /** Against what strokes of its height usually are. */
  db?: Decibels;
}

/** Where and how strokes are recorded. */
export interface Setting {
  kit: MadeKit;
  /** See `roomResponse`. */
  room: Float32Array;
  noise: NoiseKind;
  /** How far under the loudest strokes the noise lies, in root mean squares; Infinity is none. */
  noiseDb: Decibels;
  rate: number;
  seed: number;
  /** What the loudspeaker plays into the room, as long as the recording. */
  loudspeaker?: Float32Array;
}

/** Before the first and behind the last stroke, so that nothing is cut off. */
const LEAD_MS = 500;
const TAIL_MS = 900;
/** How loud the first hundredths of a second of an accent are on these kits, root mean square. */
const ACCENT_RMS = 0.12;

/** The frame a time falls on; the first stroke of a recording never falls before its beginning. */
export const frameOf = (ms: Ms, rate: number): number => Math.round(((ms + LEAD_MS) / 1000) * rate);

/**
 * The strokes as a microphone hears them, with when each began, in milliseconds from the first sample. What is louder
 * than a microphone takes is clipped.
 */
export function recordingOf(
  strokes: readonly Sounded[],
  setting: Setting,
  lengthMs = Math.max(0, ...strokes.map(({ ms }) => ms)),
): { samples: Float32Array; onsets: Ms[] } {
  const { kit, room, rate, seed, loudspeaker } = setting;
  const random = randomFrom(seed);
  const dry = new Float32Array(frameOf(lengthMs + TAIL_MS, rate));
  const onsets = strokes.map(({ ms, surface, height, db = 0 }) => {
    const frame = frameOf(ms, rate);
    const sound = kit.strike(surface, struckAt(height, db), random);
    const fits = Math.min(sound.length, dry.length - frame);
    for (let index = 0; index < fits; index++) dry[frame + index]! += sound[index]!;
    return (1000 * frame) / rate;
  });
  if (loudspeaker) for (let index = 0; index < dry.length; index++) dry[index]! += loudspeaker[index] ?? 0;
  return { samples: withNoise(inRoom(dry, room), setting), onsets };
}

/** A recording with the noise of its setting, clipped at what a microphone takes. */
export function withNoise(samples: Float32Array, { noise, noiseDb, seed, rate }: Setting): Float32Array {
  const level = ACCENT_RMS * 10 ** (-noiseDb / 20);
  const hiss = level > 0 ? noiseOf(seed, noise, samples.length, rate) : undefined;
  return samples.map((value, index) => Math.max(-1, Math.min(1, value + (hiss ? level * hiss[index]! : 0))));
}

/** Soft strokes are duller too. */
const struckAt = (height: Height, db: Decibels) => ({
  db: HEIGHT_DB[height] + db,
  bright: Math.max(0.05, Math.min(1, 1 + (HEIGHT_DB[height] + db) / 30)),
});

/** Six strokes of one surface, soft to loud, as somebody plays them for the kit to be learnt. */
export function calibrationOf(surface: Surface, setting: Setting): Float32Array {
  const random = randomFrom(setting.seed + surface.length * 31 + surface.charCodeAt(0));
  const heights: Height[] = ['tap', 'accent', 'tap', 'ghost', 'accent', 'tap'];
  const strokes = heights.map((height, index) => ({
    ms: 900 * index + 40 * random(),
    surface,
    height,
    db: 1.2 * normal(random) + (height === 'ghost' ? 6 : 0),
  }));
  return recordingOf(strokes, setting).samples;
}
