/** Seconds over which loudness is taken, and between one reading and the next. */
const WINDOW = 0.005;
const HOP = 0.001;

/**
 * Share of its greatest loudness at which a spoken word is felt to fall: about where its vowel sets in, not the soft
 * consonant before it (Morton, Marcus & Frankish 1976, Psychological Review 83:5).
 */
const FELT_SHARE = 0.4;

/** The frame on which a spoken word is felt to fall. */
export function onsetOf(samples: Float32Array, rate: number): number {
  const window = Math.round(WINDOW * rate);
  const loudness: number[] = [];
  for (let from = 0; from + window <= samples.length; from += Math.round(HOP * rate)) {
    let sum = 0;
    for (let index = from; index < from + window; index++) sum += samples[index]! ** 2;
    loudness.push(Math.sqrt(sum / window));
  }
  const most = Math.max(0, ...loudness);
  return (
    Math.max(
      0,
      loudness.findIndex((value) => value >= FELT_SHARE * most),
    ) * Math.round(HOP * rate)
  );
}
