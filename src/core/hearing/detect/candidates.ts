import { HOP, WIDE_BANDS, type Powers } from '../dsp/bands';
import { NoiseFloor } from '../dsp/noiseFloor';
import { onsetStrength } from '../dsp/onsetStrength';
import { refineOnset } from './place';

/** A place in a recording where something began. */
export interface Candidate {
  /** The sample it began at. */
  sample: number;
  /** The hop where what is heard rose most. */
  hop: number;
  /** How much it rose, see `onsetStrength`. */
  rise: number;
}

/** So much rise is a stroke; more is asked for just after one, while what it struck still settles. */
export const ONSET_THRESHOLD = 1.8;
const AFTER_STROKE_HOPS = 60;
/** A peak is the largest so near; strokes lie at least so far apart. */
export const PEAK_HOPS = 3;
const APART_HOPS = 10;

/** The share of quiet moments that the floor of the wide bands lies over. */
export const FLOOR_SHARE = 0.1;

/** How candidates are looked for: `least` rise at each hop, from hop `from` on, the last one before there at `last`. */
interface Search {
  least?: (hop: number) => number;
  from?: number;
  last?: number;
  /** On a kit, what is just ahead of something much louder may be a hat before a snare. */
  isKit?: boolean;
}

/** Where something begins in a recording: every peak of novelty, placed to the sample. In order. */
export function candidatesIn(
  samples: Float32Array,
  novelty: Float32Array,
  { least = () => ONSET_THRESHOLD, from = 0, last = -Infinity, isKit = false }: Search = {},
): Candidate[] {
  const found: Candidate[] = [];
  for (let hop = Math.max(1, from); hop < novelty.length; hop++) {
    const rise = novelty[hop]!;
    if (rise < least(hop) || !isPeak(novelty, hop)) continue;
    const since = hop - last;
    if (since < APART_HOPS || rise < least(hop) * (1 + Math.exp(-since / AFTER_STROKE_HOPS))) continue;
    if (!isKit && isBeforeEcho(samples, hop)) continue;
    const before = found.at(-1);
    found.push({ hop, rise, sample: refineOnset(samples, hop, before && before.sample + (APART_HOPS * HOP) / 2) });
    last = hop;
  }
  return found;
}

/** What MP3 and Vorbis spread ahead of a sudden sound lasts no longer than this… */
const BEFORE_ECHO_HOPS = 16;
/** …is so many decibels under it, and does not die away as a grace does. */
const BEFORE_ECHO_DB = 18;
const DIES_AWAY = 0.7;

/** Whether what begins at a hop is only what a lossy file has ahead of something much louder. */
function isBeforeEcho(samples: Float32Array, hop: number): boolean {
  const powerAt = (from: number) => {
    let sum = 0;
    for (let index = from * HOP; index < Math.min(samples.length, (from + 3) * HOP); index++)
      sum += samples[index]! ** 2;
    return sum;
  };
  const here = powerAt(hop + 1);
  const least = here * 10 ** (BEFORE_ECHO_DB / 10);
  for (let ahead = 5; ahead <= BEFORE_ECHO_HOPS; ahead++)
    if (powerAt(hop + ahead) > least) return powerAt(hop + ahead - 4) > DIES_AWAY * here;
  return false;
}

function isPeak(novelty: Float32Array, hop: number): boolean {
  for (let near = 1; near <= PEAK_HOPS; near++)
    if (novelty[hop]! < (novelty[hop + near] ?? 0) || novelty[hop]! <= (novelty[hop - near] ?? 0)) return false;
  return true;
}

/** The novelty of a stretch and the floor it is told against. */
export function listened(powers: Powers): { novelty: Float32Array; floor: NoiseFloor } {
  const floor = new NoiseFloor(powers, powers.wide, WIDE_BANDS, FLOOR_SHARE);
  return { floor, novelty: onsetStrength(powers, floor) };
}

/** Reflections are looked for so long after a stroke. */
const ECHO_HOPS = 200;
/**
 * In some band that rose, a stroke must come within so many decibels of the one before, less by the second for each
 * hop.
 */
const ECHO_DB = 9;
const ECHO_DB_A_HOP = 0.2;
const ECHO_FREE_HOPS = 20;
const ROSE = 0.4;

/** Without what a wall gave back: candidates no band of which comes near the stroke just before it. */
export function withoutEchoes(candidates: readonly Candidate[], { wide, hops }: Powers): Candidate[] {
  const levelsAt = (hop: number) =>
    Array.from({ length: WIDE_BANDS }, (_, band) => {
      let most = 0;
      for (let at = hop; at < Math.min(hops, hop + 6); at++) most = Math.max(most, wide[at * WIDE_BANDS + band]!);
      return most;
    });
  const kept: { candidate: Candidate; levels: number[] }[] = [];
  for (const candidate of candidates) {
    const levels = levelsAt(candidate.hop);
    const before = levelsAt(Math.max(0, candidate.hop - 9));
    const isEchoOf = ({ candidate: earlier, levels: its }: (typeof kept)[number]): boolean => {
      const under = ECHO_DB + ECHO_DB_A_HOP * Math.max(0, candidate.hop - earlier.hop - ECHO_FREE_HOPS);
      return levels.every(
        (level, band) => Math.log(level / before[band]!) < ROSE || 10 * Math.log10(level / its[band]!) < -under,
      );
    };
    const recent = kept.slice(-ECHO_HOPS / APART_HOPS).filter((one) => candidate.hop - one.candidate.hop <= ECHO_HOPS);
    if (!recent.some(isEchoOf)) kept.push({ candidate, levels });
  }
  return kept.map(({ candidate }) => candidate);
}
