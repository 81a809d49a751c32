import {
  add,
  compare,
  div,
  exact,
  frac,
  fromDecimal,
  less,
  modulo,
  mul,
  ONE,
  sub,
  type Fraction,
  type WholeNotes,
} from './fraction';
import { NOTE_VALUES } from './noteValue';
import type { Bpm } from './units';

/**
 * Pairs of `value` written even are played long–short. `ratio` is long : short as a fraction
 * ("2" is 2:1), or `tempo-aware`.
 */
export interface Swing {
  value: '8th' | '16th';
  ratio: string;
}

/** Ratios by the name teachers give them. */
export const SWING_SCHOOLS = {
  triplet: '2',
  light: '3/2',
  dotted: '3',
  'tempo-aware': 'tempo-aware',
} as const;

const LONGEST_RATIO = exact('7/2');

/**
 * Long : short at a tempo. Tempo-aware holds the short note near 100 ms:
 * clamp((beat − 100 ms) / 100 ms, 1, 3.5), after Friberg & Sundström 2002, Music Perception 19:3.
 * beat = 60 000 / bpm ms, so (beat − 100) / 100 = 600 / bpm − 1, exactly.
 */
export function swingRatio(swing: Swing, bpm: Bpm): Fraction {
  if (swing.ratio !== 'tempo-aware') return exact(swing.ratio);
  const wanted = sub(div(frac(600), fromDecimal(bpm)), ONE);
  if (less(wanted, ONE)) return ONE;
  return compare(wanted, LONGEST_RATIO) > 0 ? LONGEST_RATIO : wanted;
}

/** Where the off-beat of a pair falls, as a fraction of the pair: long / (long + short). */
export const offBeat = (ratio: Fraction): Fraction => div(ratio, add(ratio, ONE));

/** The pair a place lies in: where it starts, how far into it the place is; undefined in what is left over of a bar. */
function pairOf(at: WholeNotes, value: Swing['value'], ratio: Fraction, barLength: WholeNotes) {
  const half = NOTE_VALUES[value];
  const pair = mul(half, frac(2));
  const within = modulo(at, pair);
  const start = sub(at, within);
  if (compare(add(start, pair), barLength) > 0) return undefined;
  const turn = mul(pair, offBeat(ratio));
  return { start, within, half, turn, rest: sub(pair, turn) };
}

/**
 * Where a place written at `at` really sounds, both in whole notes from the start of the bar.
 * Piecewise linear over each pair, pairs counted from the bar line; what is left over at the end of
 * an odd bar stays where it is. Places in counts of division 3 or 6 must not be passed in: a triplet
 * is already where it belongs.
 */
export function swungPlace(at: WholeNotes, value: Swing['value'], ratio: Fraction, barLength: WholeNotes): WholeNotes {
  const found = pairOf(at, value, ratio, barLength);
  if (!found) return at;
  const { start, within, half, turn, rest } = found;
  if (compare(within, half) <= 0) return add(start, mul(within, div(turn, half)));
  return add(start, add(turn, mul(sub(within, half), div(rest, half))));
}

/**
 * Where a place that sounds at `at` is written: the two straight pieces of `swungPlace` taken backwards, both in whole
 * notes from the start of the bar.
 */
export function writtenPlace(
  at: WholeNotes,
  value: Swing['value'],
  ratio: Fraction,
  barLength: WholeNotes,
): WholeNotes {
  const found = pairOf(at, value, ratio, barLength);
  if (!found) return at;
  const { start, within, half, turn, rest } = found;
  if (compare(within, turn) <= 0) return add(start, mul(within, div(half, turn)));
  return add(start, add(half, mul(sub(within, turn), div(half, rest))));
}
