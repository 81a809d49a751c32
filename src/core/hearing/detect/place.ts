import { HOP } from '../dsp/bands';

/** The loudest sample is looked for so long after the peak of novelty… */
const AFTER_MS = 5;
/**
 * …and the change from so long before it to just behind it: told from the samples alone, not from where a hop begins.
 */
const BEFORE_LOUDEST = 9 * HOP;
const BEHIND_LOUDEST = 24;
/** x[n] − 0.95 x[n−1]: what rises is mostly high, what rings on is mostly low. */
const EMPHASIS = 0.95;
/** Where the noise is high, the change is clearer in what is left under some 6 or 3 kHz: a mean of so many samples… */
const [SHORT, LONG] = [8, 16];
/** …as long as it says so much more clearly: a mean is less sharp. */
const CLEARER = 1.5;
/** Of a short mean so much of its own slow part is taken off. */
const SLOW = 0.9;
/** The long mean is asked where the power, low as it is, rises by so much, over so many samples. */
const LOW_RISE = 8;
const FAR_CLEARER = 3;
const RISE_OVER = 10 * HOP;
/** Either side of the change holds at least so many samples. */
const LEAST = 12;

/**
 * The sample at which what is quiet becomes loud: the split of the signal about `hop` that leaves the least
 * k·log(variance before) + (n − k)·log(variance after), which is where the likelihood of two normal sources is greatest
 * (Basseville & Nikiforov, Detection of Abrupt Changes, 1993, ch. 2). Told from what is high in it, or from what is
 * lower where that changes far more.
 */
export function refineOnset(samples: Float32Array, hop: number, notBefore = 0): number {
  const end = Math.min(samples.length, (hop + AFTER_MS) * HOP);
  const high = (index: number) => samples[index]! - EMPHASIS * samples[index - 1]!;
  let [loudest, most] = [Math.max(1, hop * HOP), 0];
  for (let index = loudest; index < end; index++) {
    const size = Math.abs(high(index));
    if (size > most) [loudest, most] = [index, size];
  }
  const from = Math.max(LONG, notBefore, loudest - BEFORE_LOUDEST);
  const to = Math.min(samples.length, loudest + BEHIND_LOUDEST);
  if (to - from < 3 * LEAST) return Math.max(from, hop * HOP);
  let best = splitOf(Float64Array.from({ length: to - from }, (_, index) => high(from + index)));
  // A mean runs up to a sample: what it shows is half its length late.
  const lower = (signal: Float64Array, late: number, clearer: number) => {
    const { at, gain } = splitOf(signal);
    if (gain > clearer * best.gain) best = { at: Math.max(0, at - late), gain };
  };
  lower(withoutSlow(samples, from, to), SHORT / 2, CLEARER);
  const isLow = rise(samples, loudest) > LOW_RISE;
  lower(bent(samples, from, Math.min(samples.length, to + LONG)), LONG / 2, isLow ? CLEARER : FAR_CLEARER);
  return from + best.at;
}

/**
 * How much more power there is behind a sample than was some time before it: low drums rise so, hum and rumble do
 * not.
 */
function rise(samples: Float32Array, at: number): number {
  const power = (from: number) => {
    let sum = 1e-12;
    for (let index = Math.max(0, from); index < Math.min(samples.length, from + RISE_OVER); index++)
      sum += samples[index]! ** 2;
    return sum;
  };
  return power(at) / power(at - BEFORE_LOUDEST - RISE_OVER);
}

/** The mean of the last samples, its own slow part taken off, from `from` to before `to`. */
function withoutSlow(samples: Float32Array, from: number, to: number): Float64Array {
  const sums = sumsOf(samples, from - 1, to, SHORT);
  return sums.subarray(1).map((sum, index) => sum - SLOW * sums[index]!);
}

/** The same of more samples, all that is low in it bent away: second differences of it. */
function bent(samples: Float32Array, from: number, to: number): Float64Array {
  const sums = sumsOf(samples, from - 2 * LONG, to, LONG);
  return sums.subarray(2 * LONG).map((sum, index) => sum - 2 * sums[index + LONG]! + sums[index]!);
}

/** The sum of the last `count` samples at each of those from `from` to before `to`. */
function sumsOf(samples: Float32Array, from: number, to: number, count: number): Float64Array {
  const sums = new Float64Array(to - from);
  let sum = 0;
  for (let at = from - count + 1; at < to; at++) {
    sum += samples[at] ?? 0;
    if (at > from) sum -= samples[at - count] ?? 0;
    if (at >= from) sums[at - from] = sum;
  }
  return sums;
}

/** Where a signal splits best into quiet and loud, and how much more likely that is than no split. */
function splitOf(signal: Float64Array): { at: number; gain: number } {
  const count = signal.length;
  const energy = new Float64Array(count + 1);
  for (let index = 0; index < count; index++) energy[index + 1] = energy[index]! + signal[index]! ** 2;
  // Even digital silence has a variance, or one sample of it would be worth any number of others.
  const least = 1e-7 * (energy[count]! / count) + 1e-14;
  let [at, cost] = [0, Infinity];
  for (let split = LEAST; split <= count - LEAST; split++) {
    const before = energy[split]! / split + least;
    const after = (energy[count]! - energy[split]!) / (count - split) + least;
    const here = split * Math.log(before) + (count - split) * Math.log(after);
    if (here < cost) [at, cost] = [split, here];
  }
  return { at, gain: count * Math.log(energy[count]! / count + least) - cost };
}
