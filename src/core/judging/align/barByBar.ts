import type { Ms } from '../../time/units';
import { assignHits, MISSED_COST, pairCost, type Assigned, type AssignOptions, type LimbLine } from './assign';
import { lowerBound } from '../../stats/lowerBound';

/** A bar that was due. */
export interface DueBar {
  startMs: Ms;
  endMs: Ms;
  barInRun: number;
}

/** Bars a player may be ahead or behind, and what leaving one out, skipping one and putting one in costs. */
const MOST_LAG = 4;
const SILENT_COST = 4;
const SKIP_COST = 6;

/**
 * Where a way through the bars stands: what it has cost, how late the last bar was if it was played, and what came
 * before.
 */
interface PathState {
  cost: number;
  lag?: number;
  before?: PathState;
}

/** Which bars were not played, how many bars late each other was, and what going so cost beside its strokes. */
export interface Path {
  silent: Set<number>;
  lag: Map<number, number>;
  pathCost: number;
}

/**
 * The way through the bars that costs least: each played so many bars late or early, left out in silence, or skipped.
 */
export function barByBar(
  lines: readonly LimbLine[],
  bars: readonly DueBar[],
  { scaleMs, longestGapMs }: AssignOptions,
): Path {
  const lags = Array.from({ length: 2 * MOST_LAG + 1 }, (_, index) => index - MOST_LAG);
  const costs = bars.map((bar, index) =>
    lags.map((lag) => {
      const other = bars[index + lag];
      return other ? costOfBar(lines, bar, other.startMs - bar.startMs, scaleMs, longestGapMs) : Infinity;
    }),
  );
  const struck = struckInBars(lines, bars);
  // Two states for each lag: the bar before was played, or it was not.
  let states = new Map<string, PathState>([['0 played', { cost: 0 }]]);
  for (const [index] of bars.entries()) {
    const next = new Map<string, PathState>();
    const offer = (lag: number, was: 'played' | 'silent', state: PathState, cost: number, here: number | undefined) => {
      const key = `${lag} ${was}`;
      const total = state.cost + cost;
      if (!Number.isFinite(total) || Math.abs(lag) > MOST_LAG || (next.get(key)?.cost ?? Infinity) <= total) return;
      next.set(key, { cost: total, lag: here, before: state });
    };
    for (const [key, state] of states) {
      const [text, was] = key.split(' ') as [string, 'played' | 'silent'];
      const lag = Number(text);
      const at = (wanted: number) => costs[index]![wanted + MOST_LAG] ?? Infinity;
      offer(lag, 'played', state, at(lag), lag);
      // Whatever was struck in a bar that is silent was struck in vain.
      offer(lag, 'silent', state, (was === 'silent' ? 0 : SILENT_COST) + struck[index]! * MISSED_COST, undefined);
      offer(lag + 1, 'played', state, SKIP_COST + at(lag + 1), lag + 1);
      offer(lag - 1, 'silent', state, SKIP_COST, undefined);
    }
    states = next;
  }
  const best = [...states.values()].reduce((one, other) => (other.cost < one.cost ? other : one));
  const late: (number | undefined)[] = [];
  for (let state = best; state.before; state = state.before) late.push(state.lag);
  late.reverse();
  const silent = new Set(bars.filter((_, index) => late[index] === undefined).map(({ barInRun }) => barInRun));
  const lag = new Map(bars.flatMap(({ barInRun }, index) => (late[index] ? [[barInRun, late[index]]] : [])));
  return { silent, lag, pathCost: best.cost - played(costs, late) };

  /** Of the path's cost, what the strokes make of it. */
  function played(all: number[][], path: (number | undefined)[]): number {
    return path.reduce<number>((total, at, index) => total + (at === undefined ? 0 : all[index]![at + MOST_LAG]!), 0);
  }
}

/** Which bar a moment lies in, from when each begins; −1 before the first. */
const barAt = (startsMs: readonly Ms[], ms: Ms): number => lowerBound(startsMs, ms + 1e-6) - 1;

/**
 * How many hits belong to each bar: a hit is of the bar in which the stroke is due that it is nearest to. One that
 * comes a little before the bar line belongs to the bar it opens.
 */
function struckInBars(lines: readonly LimbLine[], bars: readonly DueBar[]): number[] {
  const starts = bars.map(({ startMs }) => startMs);
  const struck = bars.map(() => 0);
  for (const { dueMs, hitsMs } of lines)
    for (const hit of hitsMs) {
      const bar = barAt(starts, nearestTo(dueMs, hit) ?? hit);
      if (bar >= 0) struck[bar]! += 1;
    }
  return struck;
}

/** What the strokes of one bar cost when they are looked for so much later. */
function costOfBar(lines: readonly LimbLine[], bar: DueBar, shiftMs: Ms, scaleMs: Ms, longestGapMs: Ms): number {
  let total = 0;
  for (const { dueMs, hitsMs, isGrace } of lines) {
    for (let index = lowerBound(dueMs, bar.startMs - 1e-6); index < dueMs.length; index++) {
      const due = dueMs[index]!;
      if (due >= bar.endMs - 1e-6) break;
      if (isGrace[index]) continue;
      const away = Math.abs((nearestTo(hitsMs, due + shiftMs) ?? Infinity) - due - shiftMs);
      // Against a stroke in its place, which costs nothing.
      const off = pairCost(away, scaleMs) - pairCost(0, scaleMs);
      total += away < longestGapMs / 2 ? Math.min(MISSED_COST, off) : MISSED_COST;
    }
  }
  return total;
}

/** The nearest of sorted times; undefined where there are none. */
function nearestTo(sorted: readonly Ms[], ms: Ms): Ms | undefined {
  const index = lowerBound(sorted, ms);
  const [before, after] = [sorted[index - 1], sorted[index]];
  if (before === undefined || after === undefined) return before ?? after;
  return ms - before < after - ms ? before : after;
}

/** The hits given to strokes with each bar where it was played; bars that were not played have none. */
export function laidByBar(
  lines: readonly LimbLine[],
  bars: readonly DueBar[],
  { silent, lag }: Pick<Path, 'silent' | 'lag'>,
  options: AssignOptions,
): Assigned[] {
  const starts = bars.map(({ startMs }) => startMs);
  return lines.map((line) => {
    const kept: number[] = [];
    const shifts: Ms[] = [];
    for (const [index, due] of line.dueMs.entries()) {
      const at = Math.max(0, barAt(starts, due));
      const { barInRun, startMs } = bars[at]!;
      if (silent.has(barInRun)) continue;
      kept.push(index);
      shifts.push((bars[at + (lag.get(barInRun) ?? 0)]?.startMs ?? startMs) - startMs);
    }
    // In the order they were played: a bar that came later than another that was due after it stands after it.
    const order = kept
      .map((_, place) => place)
      .sort((a, b) => line.dueMs[kept[a]!]! + shifts[a]! - line.dueMs[kept[b]!]! - shifts[b]!);
    const laid: LimbLine = {
      dueMs: order.map((place) => line.dueMs[kept[place]!]! + shifts[place]!),
      isGrace: order.map((place) => line.isGrace[kept[place]!]!),
      hitsMs: line.hitsMs,
    };
    const found = assignHits(laid, options);
    const hitOf = new Int32Array(line.dueMs.length).fill(-1);
    for (const [row, place] of order.entries()) hitOf[kept[place]!] = found.hitOf[row]!;
    return { ...found, hitOf };
  });
}
