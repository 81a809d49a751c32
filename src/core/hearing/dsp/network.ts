/** A small learned function: numbers through one layer of tanh to one, 0 to 1. */
export interface Network {
  /** What is taken from each number before it goes in, and what it is then divided by. */
  mean: number[];
  spread: number[];
  /** Of each hidden unit: a weight a number and, last, its bias. */
  hidden: number[][];
  /** A weight a hidden unit and, last, the bias. */
  out: number[];
}

/** How sure the function is of what the numbers say, 0 to 1. */
export function confidence({ mean, spread, hidden, out }: Network, facts: ArrayLike<number>): number {
  let sum = out.at(-1)!;
  for (const [unit, weights] of hidden.entries()) {
    let inner = weights[mean.length]!;
    for (let index = 0; index < mean.length; index++)
      inner += (weights[index]! * (facts[index]! - mean[index]!)) / spread[index]!;
    sum += out[unit]! * Math.tanh(inner);
  }
  return 1 / (1 + Math.exp(-sum));
}
