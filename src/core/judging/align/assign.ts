import { GRACE_MS } from '../../schedule/strokes';
import type { Ms } from '../../time/units';
import { lowerBound } from '../../stats/lowerBound';

/**
 * One limb's part of a take, in time order: when its strokes were due, which of them are graces, and when it struck.
 */
export interface LimbLine {
  dueMs: readonly Ms[];
  isGrace: readonly boolean[];
  hitsMs: readonly Ms[];
}

/** How far a hit may be from its stroke, and what it costs; see `assignHits`. */
export interface AssignOptions {
  /** An error this large is nothing out of the way: the tolerance of the level. */
  scaleMs: Ms;
  /** A gap longer than this counts as this long. */
  longestGapMs: Ms;
}

export interface Assigned {
  /** For each stroke the index of its hit; −1 where it was left out. */
  hitOf: Int32Array;
  /** Hits that belong to none. */
  extra: number[];
  /** Minus the log-likelihood of it, up to a constant: the less, the better it explains what was struck. */
  cost: number;
}

/** A stroke and its hit may be this share of the gap to the stroke's nearer neighbour apart. */
const REACH = 0.75;
/** One stroke in a hundred is left out by somebody who plays well. */
export const MISSED_COST = -Math.log(0.01);
/** Two extra hits among a hundred strokes are nobody's fault. */
const EXTRA_SHARE = 0.02;

/**
 * What it costs that a stroke is this far off: a heavy-tailed density, so that one slip does not pull at its
 * neighbours.
 */
export const pairCost = (errorMs: Ms, scaleMs: Ms): number => 0.9 + 3.5 * Math.log(1 + (errorMs / scaleMs) ** 2 / 6);

/** What a hit too many costs: a density over the limb's usual gap. */
export const extraCost = ({ dueMs }: Pick<LimbLine, 'dueMs'>, scaleMs: Ms): number =>
  -Math.log((EXTRA_SHARE * scaleMs) / Math.max(scaleMs, medianGap(dueMs)));

/** The middle of the gaps between strokes; a second where there is none. */
function medianGap(dueMs: readonly Ms[]): Ms {
  const gaps = dueMs.slice(1).map((ms, index) => ms - dueMs[index]!);
  return gaps.length ? gaps.sort((a, b) => a - b)[Math.floor(gaps.length / 2)]! : 1000;
}

/** How far a hit may be from each stroke. */
function reaches(dueMs: readonly Ms[], longestGapMs: Ms): Ms[] {
  return dueMs.map((due, index) => {
    const before = index ? due - dueMs[index - 1]! : Infinity;
    const after = index + 1 < dueMs.length ? dueMs[index + 1]! - due : Infinity;
    return REACH * Math.min(before, after, longestGapMs);
  });
}

/**
 * Gives each stroke at most one hit, in order, so that the whole costs least: what is near is cheap, what is left out
 * or struck in vain has its price. Dynamic programming over a band: a stroke is tried only with the hits within its
 * reach, so the work grows with strokes and hits, not with their product. `shift` moves when each stroke is looked for.
 */
export function assignHits(line: LimbLine, options: AssignOptions, shift: (dueMs: Ms) => Ms = () => 0): Assigned {
  const { hitsMs, isGrace } = line;
  const due = line.dueMs.map((ms) => ms + shift(ms));
  const [strokes, hits] = [due.length, hitsMs.length];
  const reach = reaches(line.dueMs, options.longestGapMs);
  const { from, to } = band(due, reach, hitsMs);
  const beside = extraCost(line, options.scaleMs);
  // A grace that is flat or wide is still one.
  const graceScale = Math.max(options.scaleMs, GRACE_MS);

  // Row i holds the least cost after i strokes, for so many hits used up as its band allows.
  const width = to.map((last, row) => last - from[row]! + 1);
  const starts = new Int32Array(strokes + 2);
  for (let row = 0; row <= strokes; row++) starts[row + 1] = starts[row]! + width[row]!;
  const step = new Uint8Array(starts[strokes + 1]!);
  let before = new Float64Array(width[0]!);
  for (let used = 0; used < width[0]!; used++) {
    before[used] = (from[0]! + used) * beside;
    step[used] = EXTRA;
  }
  for (let row = 1; row <= strokes; row++) {
    const now = new Float64Array(width[row]!);
    const [low, lowBefore, highBefore] = [from[row]!, from[row - 1]!, to[row - 1]!];
    const missed = isGrace[row - 1] ? 0 : MISSED_COST;
    /** The row before, for more hits than its band holds: those are extra. */
    const costBefore = (used: number) => {
      if (used < lowBefore) return Infinity;
      return used <= highBefore
        ? before[used - lowBefore]!
        : before[highBefore - lowBefore]! + (used - highBefore) * beside;
    };
    for (let used = low; used <= to[row]!; used++) {
      let [best, how] = [costBefore(used) + missed, MISSED];
      const error = used > 0 ? hitsMs[used - 1]! - due[row - 1]! : Infinity;
      if (Math.abs(error) <= reach[row - 1]!) {
        const paired = costBefore(used - 1) + pairCost(error, isGrace[row - 1] ? graceScale : options.scaleMs);
        if (paired < best) [best, how] = [paired, PAIRED];
      }
      const more = used > low ? now[used - 1 - low]! + beside : Infinity;
      if (more < best) [best, how] = [more, EXTRA];
      now[used - low] = best;
      step[starts[row]! + used - low] = how;
    }
    before = now;
  }
  return back(hits);

  /** The way back through the steps that were best. */
  function back(all: number): Assigned {
    const hitOf = new Int32Array(strokes).fill(-1);
    const extra: number[] = [];
    const last = to[strokes]!;
    for (let hit = all; hit > last; hit--) extra.push(hit - 1);
    let [row, used] = [strokes, Math.min(all, last)];
    const cost = before[used - from[strokes]!]! + extra.length * beside;
    while (row > 0 || used > 0) {
      if (row === 0 || used > to[row]!) {
        extra.push(--used);
        continue;
      }
      const how = step[starts[row]! + used - from[row]!];
      if (how === EXTRA) extra.push(--used);
      else {
        row--;
        if (how === PAIRED) hitOf[row] = --used;
      }
    }
    return { hitOf, extra: extra.reverse(), cost };
  }
}

const MISSED = 0;
const PAIRED = 1;
const EXTRA = 2;

/** Times are rounded: what lies right at the edge of a reach is within it. */
const HAIR: Ms = 1e-9;

/**
 * After each stroke, the fewest and the most hits that may be used up: those before its reach are, those after it are
 * not.
 */
function band(due: readonly Ms[], reach: readonly Ms[], hitsMs: readonly Ms[]): { from: number[]; to: number[] } {
  const [from, to] = [[0], [0]];
  for (let row = 1, most = 0; row <= due.length; row++) {
    most = Math.max(most, lowerBound(hitsMs, due[row - 1]! + reach[row - 1]! + HAIR));
    to[row] = most;
  }
  for (let row = due.length, least = Infinity; row >= 1; row--) {
    least = Math.min(least, lowerBound(hitsMs, due[row - 1]! - reach[row - 1]! - HAIR));
    from[row] = least;
  }
  return { from, to };
}
