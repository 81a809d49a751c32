import type { Ms } from '../time/units';

/** Nobody counts in faster or slower than that: 40 to 250 in a minute. */
const [SHORTEST, LONGEST]: [Ms, Ms] = [240, 1500];
/** Gaps of a count are even: within so much of their mean. */
const EVEN = 0.15;
/** Before its first stroke it is quiet for so many gaps: it is no part of something that is played. */
const QUIET_GAPS = 1.6;

/**
 * Whether the last four of some strokes are a count-in: even, at a tempo one counts at, and out of silence. In order
 * of time.
 */
export function endsInCountOfFour(strokesMs: readonly Ms[]): boolean {
  const last = strokesMs.slice(-5);
  const four = last.slice(-4);
  if (four.length < 4) return false;
  const gaps = four.slice(1).map((ms, index) => ms - four[index]!);
  const mean = (four[3]! - four[0]!) / 3;
  if (mean < SHORTEST || mean > LONGEST || gaps.some((gap) => Math.abs(gap - mean) > EVEN * mean)) return false;
  const before = last.length === 5 ? four[0]! - last[0]! : Infinity;
  return before > QUIET_GAPS * mean;
}
