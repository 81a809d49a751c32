import { HOP } from './bands';

/** Where the change is looked for: from so long before the peak of novelty… */
const BEFORE_MS = 6;
/** …to just behind the loudest sample of so long after it. */
const AFTER_MS = 5;
const BEHIND_LOUDEST = 24;
/** x[n] − 0.95 x[n−1]: what rises is mostly high, what rings on is mostly low. */
const EMPHASIS = 0.95;
/** Either side of the change holds at least so many samples. */
const LEAST = 12;

/**
 * The sample at which what is quiet becomes loud: the split of the pre-emphasised signal about `hop` that leaves the
 * least k·log(variance before) + (n − k)·log(variance after), which is where the likelihood of two normal sources is
 * greatest (Basseville & Nikiforov, Detection of Abrupt Changes, 1993, ch. 2).
 */
export function changeNear(samples: Float32Array, hop: number, notBefore = 0): number {
  const from = Math.max(1, notBefore, (hop - BEFORE_MS) * HOP);
  const end = Math.min(samples.length, (hop + AFTER_MS) * HOP);
  let [loudest, most] = [from, 0];
  for (let index = Math.max(from, hop * HOP); index < end; index++) {
    const size = Math.abs(samples[index]! - EMPHASIS * samples[index - 1]!);
    if (size > most) [loudest, most] = [index, size];
  }
  const to = Math.min(samples.length, loudest + BEHIND_LOUDEST);
  const count = to - from;
  if (count < 3 * LEAST) return Math.max(from, hop * HOP);
  const energy = new Float64Array(count + 1);
  for (let index = 0; index < count; index++)
    energy[index + 1] = energy[index]! + (samples[from + index]! - EMPHASIS * samples[from + index - 1]!) ** 2;
  // Even digital silence has a variance, or one sample of it would be worth any number of others.
  const least = 1e-7 * (energy[count]! / count) + 1e-14;
  let [best, cost] = [from, Infinity];
  for (let split = LEAST; split <= count - LEAST; split++) {
    const before = energy[split]! / split + least;
    const after = (energy[count]! - energy[split]!) / (count - split) + least;
    const here = split * Math.log(before) + (count - split) * Math.log(after);
    if (here < cost) [best, cost] = [from + split, here];
  }
  return best;
}
