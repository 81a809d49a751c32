import type { Ms } from '../../time/units';

/** One limb's part of a take: when its strokes were due and when it struck, each sorted, in milliseconds. */
export interface Line {
  expectedMs: readonly Ms[];
  hitsMs: readonly Ms[];
}

/** For each expected stroke the index of its hit or undefined when it was missed; and the hits that belong to none. */
export interface Matched {
  hitOf: (number | undefined)[];
  extra: number[];
}

export interface MatchOptions {
  /** A gap longer than this counts as this long, so that a lone stroke in a bar does not claim hits far away. */
  longestGapMs?: Ms;
}

/**
 * A hit belongs to a stroke when it is no further from it than this share of the gap to the stroke's nearer
 * neighbour.
 */
export const REACH = 0.4;

/**
 * How much of each new error the drift follows, and its rate: an alpha-beta filter, beta = alpha² / (2 − alpha)
 * (Benedict & Bordner 1962), so that steady rushing is followed without lagging behind it.
 */
const FOLLOW = 0.25;
const FOLLOW_RATE = FOLLOW ** 2 / (2 - FOLLOW);

/** A player further than this from the click's tempo is not playing to it; the drift goes no faster. */
const FASTEST_DRIFT = 0.05;

/**
 * Only drift beyond this share of the gap moves the window: playing that stays near the click is matched as it
 * stands.
 */
const SETTLED = 0.15;

/** The gap of a stroke that stands alone in its line. */
const NO_NEIGHBOUR: Ms = 1000;

/**
 * Gives each expected stroke of each limb at most one hit, in order. Windows of neighbours cannot
 * overlap (REACH is under half a gap), so the nearest hit inside a stroke's window is the match and
 * matches never cross. The windows follow a slow drift, common to all limbs since one person plays
 * them, so that minutes of rushing do not slip a slot. Cost grows with the number of strokes and hits.
 */
export function matchLines(lines: readonly Line[], { longestGapMs = Infinity }: MatchOptions = {}): Matched[] {
  const matched = lines.map((line): Matched => ({ hitOf: line.expectedMs.map(() => undefined), extra: [] }));
  const next = lines.map(() => 0);
  const drift = new Drift();
  for (const { line, index } of inTimeOrder(lines)) {
    const { expectedMs, hitsMs } = lines[line]!;
    const due = expectedMs[index]!;
    const gap = Math.min(gapAt(expectedMs, index), longestGapMs);
    const drifted = drift.at(due);
    const moved = Math.sign(drifted) * Math.max(0, Math.abs(drifted) - SETTLED * gap);
    const from = due + moved - REACH * gap;
    const to = due + moved + REACH * gap;
    let hit = next[line]!;
    while (hit < hitsMs.length && hitsMs[hit]! < from) matched[line]!.extra.push(hit++);
    let nearest: number | undefined;
    const first = hit;
    for (; hit < hitsMs.length && hitsMs[hit]! <= to; hit++) {
      if (nearest === undefined || Math.abs(hitsMs[hit]! - due - moved) < Math.abs(hitsMs[nearest]! - due - moved))
        nearest = hit;
    }
    next[line] = hit;
    if (nearest === undefined) continue;
    for (let other = first; other < hit; other++) if (other !== nearest) matched[line]!.extra.push(other);
    matched[line]!.hitOf[index] = nearest;
    drift.follow(due, hitsMs[nearest]! - due);
  }
  lines.forEach(({ hitsMs }, line) => {
    for (let hit = next[line]!; hit < hitsMs.length; hit++) matched[line]!.extra.push(hit);
  });
  return matched;
}

/** How far the player has drifted from the click, as the errors so far tell. */
class Drift {
  private ms: Ms = 0;
  private lastDue: Ms | undefined;
  /** Milliseconds of drift for each millisecond. */
  private rate = 0;

  at(due: Ms): Ms {
    return this.ms + this.rate * (due - (this.lastDue ?? due));
  }

  follow(due: Ms, errorMs: Ms): void {
    const surprise = errorMs - this.at(due);
    const since = due - (this.lastDue ?? due);
    this.ms = this.at(due) + FOLLOW * surprise;
    // Strokes struck together tell nothing of the rate.
    if (since > 1)
      this.rate = Math.max(-FASTEST_DRIFT, Math.min(FASTEST_DRIFT, this.rate + (FOLLOW_RATE * surprise) / since));
    this.lastDue = due;
  }
}

/** One limb alone: `matchLines` for a single line. */
export const matchLine = (expectedMs: readonly Ms[], hitsMs: readonly Ms[], options?: MatchOptions): Matched =>
  matchLines([{ expectedMs, hitsMs }], options)[0]!;

/** To the nearer neighbouring stroke of the line. */
export function gapAt(expectedMs: readonly Ms[], index: number): Ms {
  const here = expectedMs[index]!;
  const before = index > 0 ? here - expectedMs[index - 1]! : Infinity;
  const after = index + 1 < expectedMs.length ? expectedMs[index + 1]! - here : Infinity;
  const gap = Math.min(before, after);
  return Number.isFinite(gap) ? gap : NO_NEIGHBOUR;
}

/** All strokes of all lines, earliest first. */
function inTimeOrder(lines: readonly Line[]): { line: number; index: number }[] {
  const all = lines.flatMap(({ expectedMs }, line) => expectedMs.map((ms, index) => ({ line, index, ms })));
  return lines.length === 1 ? all : all.sort((a, b) => a.ms - b.ms);
}
