/** Trains the small functions that decide which surface was struck. The same numbers and seed give the same weights. */
import type { Network } from '../../src/core/hearing/dsp/network';
import { normal, randomFrom } from '../../src/core/random';

export interface Example {
  facts: ArrayLike<number>;
  /** 1: it was struck; 0: it was not. */
  is: 0 | 1;
  /** How much it counts; 1 where it is left out. */
  weight?: number;
}

const BATCH = 128;
/** Adam's steps (Kingma & Ba 2015): how far, and how long each of its two means remembers. */
const STEP = 0.004;
const [SLOW, SLOWER] = [0.9, 0.999];
/** Weights are drawn towards 0 by so much a step, so that they fit no kit alone. */
const DECAY = 2e-4;

/** A network of so many hidden units, from all examples so many times over. */
export function trained(examples: readonly Example[], units: number, rounds: number, seed = 1): Network {
  const random = randomFrom(seed);
  const inputs = examples[0]!.facts.length;
  const column = (index: number) => examples.map(({ facts }) => facts[index]!);
  const mean = Array.from(
    { length: inputs },
    (_, index) => column(index).reduce((sum, value) => sum + value, 0) / examples.length,
  );
  const spread = mean.map((middle, index) =>
    Math.max(1e-3, Math.sqrt(column(index).reduce((sum, value) => sum + (value - middle) ** 2, 0) / examples.length)),
  );
  const rows = examples.map(({ facts, is, weight = 1 }) => ({
    x: mean.map((middle, index) => (facts[index]! - middle) / spread[index]!),
    is,
    weight,
  }));
  const size = units * (inputs + 1) + units + 1;
  const weights = Float64Array.from({ length: size }, (_, at) =>
    at < units * (inputs + 1) ? normal(random) / Math.sqrt(inputs) : 0.3 * normal(random),
  );
  const [first, second, gradient] = [new Float64Array(size), new Float64Array(size), new Float64Array(size)];
  const outAt = units * (inputs + 1);
  const inner = new Float64Array(units);
  const order = Uint32Array.from(rows.keys());
  let step = 0;
  const steps = rounds * Math.ceil(rows.length / BATCH);
  for (let round = 0; round < rounds; round++) {
    for (let at = order.length - 1; at > 0; at--) {
      const other = Math.floor(random() * (at + 1));
      [order[at], order[other]] = [order[other]!, order[at]!];
    }
    for (let from = 0; from < order.length; from += BATCH) {
      gradient.fill(0);
      const end = Math.min(order.length, from + BATCH);
      for (let at = from; at < end; at++) {
        const { x, is, weight } = rows[order[at]!]!;
        let sum = weights[size - 1]!;
        for (let unit = 0; unit < units; unit++) {
          const base = unit * (inputs + 1);
          let within = weights[base + inputs]!;
          for (let index = 0; index < inputs; index++) within += weights[base + index]! * x[index]!;
          inner[unit] = Math.tanh(within);
          sum += weights[outAt + unit]! * inner[unit]!;
        }
        const off = weight * (1 / (1 + Math.exp(-sum)) - is);
        gradient[size - 1]! += off;
        for (let unit = 0; unit < units; unit++) {
          const base = unit * (inputs + 1);
          gradient[outAt + unit]! += off * inner[unit]!;
          const back = off * weights[outAt + unit]! * (1 - inner[unit]! ** 2);
          for (let index = 0; index < inputs; index++) gradient[base + index]! += back * x[index]!;
          gradient[base + inputs]! += back;
        }
      }
      step++;
      const rate = STEP * (1 - (0.95 * step) / steps) * (Math.sqrt(1 - SLOWER ** step) / (1 - SLOW ** step));
      for (let at = 0; at < size; at++) {
        const slope = gradient[at]! / (end - from) + DECAY * weights[at]!;
        first[at] = SLOW * first[at]! + (1 - SLOW) * slope;
        second[at] = SLOWER * second[at]! + (1 - SLOWER) * slope * slope;
        weights[at]! -= (rate * first[at]!) / (Math.sqrt(second[at]!) + 1e-8);
      }
    }
  }
  const rounded = (values: Iterable<number>) => Array.from(values, (value) => Number(value.toPrecision(5)));
  return {
    mean: rounded(mean),
    spread: rounded(spread),
    hidden: Array.from({ length: units }, (_, unit) =>
      rounded(weights.subarray(unit * (inputs + 1), (unit + 1) * (inputs + 1))),
    ),
    out: rounded(weights.subarray(outAt)),
  };
}
