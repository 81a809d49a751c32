import type { Powers } from './bands';

/** Powers are averaged over so many hops before the quiet ones among them are looked for. */
const MEAN_HOPS = 8;
/** The floor is told anew so often, from so many hops to either side. */
const STEP_HOPS = 1000;
const REACH_HOPS = 2000;
/** Nothing is quieter than this: 16-bit sound has a floor of about −98 dB. */
export const SILENCE = 1e-11;

/** What a recording is never quieter than, by band, in steps of a second. */
export class NoiseFloor {
  private readonly steps: Float32Array[] = [];

  /** `share` of the means lie under the floor; `reachesOn` is false where what comes later is not known yet. */
  constructor(powers: Pick<Powers, 'hops'>, values: Float32Array, bands: number, share: number, reachesOn = true) {
    const means = Math.floor(powers.hops / MEAN_HOPS);
    const sums = new Float32Array(means * bands);
    for (let mean = 0; mean < means; mean++)
      for (let band = 0; band < bands; band++) {
        let sum = 0;
        for (let hop = mean * MEAN_HOPS; hop < (mean + 1) * MEAN_HOPS; hop++) sum += values[hop * bands + band]!;
        sums[mean * bands + band] = sum / MEAN_HOPS;
      }
    const reach = REACH_HOPS / MEAN_HOPS;
    for (let middle = 0; middle <= powers.hops; middle += STEP_HOPS) {
      const at = middle / MEAN_HOPS;
      const [from, to] = [
        Math.max(0, at - (reachesOn ? 1 : 2) * reach),
        Math.min(means, reachesOn ? at + reach : at + 1),
      ];
      this.steps.push(
        Float32Array.from({ length: bands }, (_, band) => {
          const quiet = new Float32Array(Math.max(0, to - from));
          for (let mean = from; mean < to; mean++) quiet[mean - from] = sums[mean * bands + band]!;
          quiet.sort();
          return Math.max(SILENCE, quiet[Math.floor(share * quiet.length)] ?? 0);
        }),
      );
    }
  }

  /** The floor of every band about a hop. */
  at(hop: number): Float32Array {
    return this.steps[Math.max(0, Math.min(this.steps.length - 1, Math.round(hop / STEP_HOPS)))]!;
  }
}
