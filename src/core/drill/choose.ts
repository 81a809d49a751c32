/** n over k: how many ways there are to take k of n. Exact up to 2^53; throws beyond. */
export function binomial(n: number, k: number): number {
  if (k < 0 || k > n) return 0;
  let ways = 1;
  for (let step = 1; step <= Math.min(k, n - k); step++) ways = (ways * (n - step + 1)) / step;
  if (!Number.isSafeInteger(ways)) throw new RangeError(`${n} over ${k} is more than can be counted here`);
  return ways;
}

/** The index-th way to take k of n, from 0, in the order of their first places: [0 1 2], [0 1 3] … */
export function combination(n: number, k: number, index: number): number[] {
  const taken: number[] = [];
  let left = index;
  for (let place = 0; taken.length < k; place++) {
    const beginning = binomial(n - place - 1, k - taken.length - 1);
    if (left < beginning) taken.push(place);
    else left -= beginning;
  }
  return taken;
}

/** Places whose bit is set, the lowest first. */
export const bits = (mask: number, places: number): number[] =>
  Array.from({ length: places }, (_, place) => place).filter((place) => Math.floor(mask / 2 ** place) % 2 === 1);

/** Whether no turning of a pattern comes before it: of all turnings exactly one is first. */
export function isFirstTurning(pattern: readonly boolean[]): boolean {
  const n = pattern.length;
  for (let turn = 1; turn < n; turn++) {
    for (let place = 0; place < n; place++) {
      const [own, turned] = [pattern[place]!, pattern[(place + turn) % n]!];
      if (own === turned) continue;
      // A struck slot comes before a silent one, so that what begins on 1 is kept.
      if (turned) return false;
      break;
    }
  }
  return true;
}
