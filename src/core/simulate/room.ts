import FFT from 'fft.js';
import { normal, randomFrom } from '../random';

/**
 * A room that is made up from a seed: none, soft and even, hard walls near by and a long fall, or two walls that face
 * each other.
 */
export const ROOMS = ['none', 'soft', 'hard', 'corridor'] as const;
export type RoomKind = (typeof ROOMS)[number];

/** What comes back of one sample that is played in the room, the direct sound first. */
export function roomResponse(seed: number, kind: RoomKind, rate: number): Float32Array {
  const random = randomFrom(seed * 104_729 + 5);
  if (kind === 'none') return Float32Array.of(1);
  if (kind === 'corridor') return corridor(random, rate);
  const seconds = kind === 'soft' ? 0.08 + 0.17 * random() : 0.18 + 0.22 * random();
  const response = new Float32Array(Math.ceil(seconds * rate));
  // The tail falls by 60 dB in `seconds`; it is as loud as a room of that kind is beside a near microphone.
  const fall = Math.exp(-6.9 / (seconds * rate));
  const level = 10 ** (-(kind === 'soft' ? 7 + 5 * random() : 4 + 5 * random()) / 20);
  let [gain, dull] = [1, 0];
  for (let index = Math.round(0.002 * rate); index < response.length; index++) {
    // Walls swallow what is high first.
    const share = 0.25 + 0.6 * gain;
    dull += share * (normal(random) - dull);
    response[index] = gain * dull;
    gain *= fall;
  }
  const energy = Math.sqrt(response.reduce((sum, value) => sum + value * value, 0));
  for (let index = 0; index < response.length; index++) response[index]! *= level / energy;
  if (kind === 'hard') {
    for (let wall = 0; wall < 4; wall++) {
      const at = Math.round((0.004 + 0.02 * random()) * rate);
      const size = (random() < 0.5 ? -1 : 1) * (0.12 + 0.12 * random());
      // No wall is a mirror: what it gives back is smeared over half a millisecond.
      for (let index = 0; index < 24; index++) response[at + index]! += (size * normal(random)) / 8;
    }
  }
  response[0] = 1;
  return response;
}

/** Two walls: the sound goes to and fro between them, duller and less each time, over a thin tail. */
function corridor(random: () => number, rate: number): Float32Array {
  const response = new Float32Array(Math.ceil((0.15 + 0.2 * random()) * rate));
  const between = Math.round((0.007 + 0.012 * random()) * rate);
  const loss = 0.5 + 0.2 * random();
  const fall = Math.exp(-6 / response.length);
  for (let index = Math.round(0.004 * rate), gain = 0.012; index < response.length; index++, gain *= fall)
    response[index] = gain * normal(random);
  for (let wall = 1, gain = 0.2; wall * between + 60 < response.length && gain > 0.004; wall++, gain *= loss)
    for (let index = 0; index < 12 + 6 * wall && wall * between + index < response.length; index++)
      response[wall * between + index]! += (gain * normal(random)) / Math.sqrt(12 + 6 * wall);
  response[0] = 1;
  return response;
}

/** What is heard of `samples` where `response` comes back of each; as long as `samples`. */
export function inRoom(samples: Float32Array, response: Float32Array): Float32Array {
  if (response.length === 1) return samples.map((value) => value * response[0]!);
  let size = 1024;
  while (size < 2 * response.length) size *= 2;
  const fft = new FFT(size);
  const spectrumOf = (values: Float32Array): number[] => {
    const padded = new Array<number>(size).fill(0);
    for (let index = 0; index < values.length; index++) padded[index] = values[index]!;
    const spectrum = fft.createComplexArray();
    fft.realTransform(spectrum, padded);
    fft.completeSpectrum(spectrum);
    return spectrum as number[];
  };
  const room = spectrumOf(response);
  const step = size - response.length;
  const heard = new Float32Array(samples.length);
  for (let from = 0; from < samples.length; from += step) {
    const block = spectrumOf(samples.subarray(from, from + step));
    for (let index = 0; index < block.length; index += 2) {
      const [re, im] = [block[index]!, block[index + 1]!];
      block[index] = re * room[index]! - im * room[index + 1]!;
      block[index + 1] = re * room[index + 1]! + im * room[index]!;
    }
    const back = fft.createComplexArray();
    fft.inverseTransform(back, block);
    for (let index = 0; index < size && from + index < heard.length; index++)
      heard[from + index]! += back[2 * index] as number;
  }
  return heard;
}

/** What a microphone hears beside the playing. */
export const NOISES = ['pink', 'hum', 'hiss'] as const;
export type NoiseKind = (typeof NOISES)[number];

/** Noise of a kind, its root mean square 1. */
export function noiseOf(seed: number, kind: NoiseKind, frames: number, rate: number): Float32Array {
  const random = randomFrom(seed * 65_537 + 3);
  const noise = new Float32Array(frames);
  // Pink noise as a sum of slow and quick wanderings, each 3 dB an octave under the last (Kellet's three poles).
  let [slow, mid, quick] = [0, 0, 0];
  for (let index = 0; index < frames; index++) {
    const white = random() * 2 - 1;
    if (kind === 'hiss') noise[index] = white;
    else {
      slow = 0.99765 * slow + white * 0.099046;
      mid = 0.963 * mid + white * 0.2965164;
      quick = 0.57 * quick + white * 1.0526913;
      noise[index] = slow + mid + quick + white * 0.1848;
      if (kind === 'hum')
        for (const [harmonic, size] of [
          [1, 2],
          [2, 1.2],
          [3, 0.8],
          [6, 0.3],
        ] as const)
          noise[index]! += size * Math.sin((2 * Math.PI * 50 * harmonic * index) / rate);
    }
  }
  const size = Math.sqrt(noise.reduce((sum, value) => sum + value * value, 0) / Math.max(1, frames));
  return noise.map((value) => value / (size || 1));
}

/** Somebody talking: vowels over a wandering pitch, a hiss between them; root mean square about 1 while it lasts. */
export function talking(seed: number, frames: number, rate: number): Float32Array {
  const random = randomFrom(seed * 31 + 17);
  const speech = new Float32Array(frames);
  let at = Math.round(0.2 * rate);
  while (at < frames) {
    const long = Math.round((0.1 + 0.18 * random()) * rate);
    const pitch = 95 + 110 * random();
    const formants = [300 + 500 * random(), 900 + 1400 * random(), 2400 + 600 * random()];
    let phase = 0;
    for (let index = 0; index < long && at + index < frames; index++) {
      const shape = Math.sin((Math.PI * index) / long) ** 0.7;
      phase += (2 * Math.PI * pitch * (1 + (0.15 * index) / long)) / rate;
      let sum = 0;
      for (let harmonic = 1; harmonic <= 24; harmonic++) {
        const hz = harmonic * pitch;
        const near = formants.reduce((most, formant) => Math.max(most, Math.exp(-(((hz - formant) / 160) ** 2))), 0.03);
        sum += (near / Math.sqrt(harmonic)) * Math.sin(harmonic * phase);
      }
      speech[at + index] = shape * sum;
    }
    const hiss = Math.round((0.02 + 0.06 * random()) * rate);
    if (random() < 0.6)
      for (let index = 0; index < hiss && at + index < frames; index++)
        speech[at + index]! += 0.25 * Math.sin((Math.PI * index) / hiss) * normal(random);
    at += long + Math.round((random() < 0.2 ? 0.35 : 0.03 + 0.07 * random()) * rate);
  }
  return speech;
}
