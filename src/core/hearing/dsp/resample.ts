import { HOP, RATE } from './bands';

/** Zero crossings of the sinc to either side: −90 dB of what would be folded back. */
const CROSSINGS = 16;
/** Kaiser's window of about 90 dB (Oppenheim & Schafer, Discrete-Time Signal Processing, 2010, §7.5). */
const KAISER = 8.96;

/**
 * Samples of a recording at the rate it is heard at. Written here since what is exact matters: a linear-phase filter
 * keeps every time where it was, and an onset is told to a fraction of a millisecond. Throws a RangeError for a rate
 * that no recording has.
 */
export function resampleTo48k(samples: Float32Array, sampleRate: number): Float32Array {
  if (!(sampleRate >= 4000 && sampleRate <= 384_000))
    throw new RangeError(`${sampleRate} samples a second are no recording`);
  if (sampleRate === RATE) return samples;
  const length = Math.floor((samples.length * RATE) / sampleRate);
  const out = new Float32Array(length);
  // Rates are whole numbers a second: the phases repeat.
  const divisor = gcd(Math.round(sampleRate), RATE);
  const [phases, step] = [RATE / divisor, Math.round(sampleRate) / divisor];
  const cutoff = Math.min(1, RATE / sampleRate);
  const reach = Math.ceil(CROSSINGS / cutoff);
  const taps = 2 * reach;
  const kernels = Array.from({ length: Math.min(phases, length) }, (_, phase) => {
    const offset = ((phase * step) % phases) / phases;
    return Float32Array.from({ length: taps }, (_, tap) => {
      const distance = tap - reach + 1 - offset;
      return cutoff * sinc(cutoff * distance) * kaiser(distance / reach);
    });
  });
  for (let index = 0; index < length; index++) {
    const at = Math.floor((index * step) / phases);
    const kernel = kernels[index % phases]!;
    const from = at - reach + 1;
    let sum = 0;
    for (let tap = Math.max(0, -from), end = Math.min(taps, samples.length - from); tap < end; tap++)
      sum += kernel[tap]! * samples[from + tap]!;
    out[index] = sum;
  }
  return out;
}

const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a);
const sinc = (x: number) => (x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));
const kaiser = (x: number) => (Math.abs(x) >= 1 ? 0 : bessel(KAISER * Math.sqrt(1 - x * x)) / bessel(KAISER));

/** The modified Bessel function of the first kind, order 0, by its series. */
function bessel(x: number): number {
  let [sum, term] = [1, 1];
  for (let k = 1; term > 1e-12 * sum; k++) {
    term *= (x / (2 * k)) ** 2;
    sum += term;
  }
  return sum;
}

/** The whole hops of a recording, and what is left of one filled up with nothing. */
export function inHops(samples: Float32Array): Float32Array {
  const over = samples.length % HOP;
  if (!over) return samples;
  const whole = new Float32Array(samples.length - over + HOP);
  whole.set(samples);
  return whole;
}
