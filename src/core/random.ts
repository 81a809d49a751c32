/** A stream of numbers in [0, 1): the same seed gives the same stream (mulberry32, public domain). */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** One draw from the normal distribution with mean 0 and spread 1 (Box–Muller). */
export function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** A whole number seed from a text, so that "Pim, day 3" always plays the same (FNV-1a). */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const letter of text) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193);
  return hash >>> 0;
}
