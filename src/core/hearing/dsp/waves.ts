import FFT from 'fft.js';

/** Samples from a place between two on. */
export function between(samples: Float32Array, from: number, length: number): Float32Array {
  const whole = Math.floor(from);
  const part = from - whole;
  return Float32Array.from(
    { length },
    (_, index) => (1 - part) * (samples[whole + index] ?? 0) + part * (samples[whole + index + 1] ?? 0),
  );
}

/** The middle value of some recordings at each sample, fading out over its last samples. */
export function middleOf(recordings: readonly Float32Array[], long: number, fade: number): Float32Array {
  const here = new Float32Array(recordings.length);
  return Float32Array.from({ length: long }, (_, index) => {
    for (const [each, samples] of recordings.entries()) here[each] = samples[index]!;
    here.sort();
    const middle = 0.5 * (here[(here.length - 1) >> 1]! + here[here.length >> 1]!);
    return middle * Math.min(1, (long - index) / fade);
  });
}

/** A sample so many times the usual is a stroke, and counts as little as that. */
const LIMIT = 6;

/** What is loud is held at some times the usual. */
export function limited(samples: Float32Array): Float32Array {
  const sizes = samples.map(Math.abs).sort();
  const most = LIMIT * sizes[Math.floor(0.8 * sizes.length)]! + 1e-9;
  return samples.map((value) => Math.max(-most, Math.min(most, value)));
}

export const powerOfTwo = (least: number): number => 2 ** Math.ceil(Math.log2(Math.max(2, least)));
export const emphasised = (samples: Float32Array) =>
  samples.map((value, index) => value - 0.9 * (samples[index - 1] ?? 0));
export const energyOf = (samples: Float32Array) => samples.reduce((sum, value) => sum + value * value, 0);
export const medianOf = (values: readonly number[]) =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** The spectrum of samples, faded in and out over so many of them, as pairs of real and imaginary parts. */
export function spectrumOf(fft: FFT, samples: Float32Array, fade: number): number[] {
  const padded = new Array<number>(fft.size).fill(0);
  for (let index = 0; index < samples.length; index++)
    padded[index] = samples[index]! * (fade ? Math.min(1, (samples.length - index) / fade, (index + 1) / fade) : 1);
  const spectrum = fft.createComplexArray() as number[];
  fft.realTransform(spectrum, padded);
  fft.completeSpectrum(spectrum);
  return spectrum;
}

/** Where `shape` lies best under `samples` near `at`, in samples, and how like they are there, 0 to 1. */
export function bestLag(
  samples: Float32Array,
  shape: Float32Array,
  at: number,
  reach: number,
): { lag: number; likeness: number } {
  const own = energyOf(shape);
  const products: number[] = [];
  let [best, likeness] = [0, 0];
  for (let lag = -reach; lag <= reach; lag++) {
    let [product, there] = [0, 1e-20];
    for (let index = 0; index < shape.length; index++) {
      const value = samples[at + lag + index] ?? 0;
      product += value * shape[index]!;
      there += value * value;
    }
    const like = product / Math.sqrt(there * own + 1e-30);
    products.push(Math.abs(like));
    if (Math.abs(like) > likeness) [best, likeness] = [lag, Math.abs(like)];
  }
  const middle = best + reach;
  const [a, b, c] = [products[middle - 1] ?? 0, products[middle]!, products[middle + 1] ?? 0];
  const curve = a - 2 * b + c;
  return { lag: best + (curve < 0 ? (0.5 * (a - c)) / curve : 0), likeness };
}
