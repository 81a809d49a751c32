import type { Ms } from '../../time/units';
import { assignHits, type Assigned, type AssignOptions, type LimbLine } from './assign';
import { barByBar, laidByBar, type DueBar } from './barByBar';
import { trendOf } from '../types/figures';
import { matchLines } from './match';

/** How what was struck lies over what was due. */
export interface Alignment {
  /** `shift`: all of it so many milliseconds later; `bars`: some bars were left out, or came when others were due. */
  kind: 'as it is' | 'drifting' | 'shift' | 'bars';
  shiftMs: Ms;
  /** Of `bars`: the bars of the run that were not played, those left out in silence and those skipped. */
  silent: ReadonlySet<number>;
  /** Of `bars`: how many bars later than due each was played. */
  lag: ReadonlyMap<number, number>;
  assigned: readonly Assigned[];
  cost: number;
  /** How much better it explains what was struck than the next best that is no other reading of the same. */
  gain: number;
  /** Another shift explains it as well, so that which one it was cannot be told. */
  isAmbiguous: boolean;
}

interface AlignOptions extends AssignOptions {
  countMs: Ms;
}

/** From this share of strokes that do not fit on, another alignment is looked for; and from this on, bar by bar. */
const SHIFT_FROM = 0.15;
const BARS_FROM = 0.1;
/** An error of more than so many tolerances does not fit. */
const FAR = 4;
/** What it takes to believe that everything is displaced, or that bars are. */
const HANDICAP = 8;
/** Peaks of the histogram of distances that are tried. */
const PEAKS = 12;
/** How far everything may be displaced: about a count, or a bar and a quarter of a count. */
const COUNTS_APART = 1.1;
const BAR_AND = 0.25;
/** Two alignments this near to each other explain the same. */
const AMBIGUOUS = 6;

/**
 * Lays what was struck over what was due: as it is, along a drift, displaced as a whole, or bar by bar; whichever
 * costs least.
 */
export function align(lines: readonly LimbLine[], bars: readonly DueBar[], options: AlignOptions): Alignment {
  const by = (shift: (dueMs: Ms) => Ms) => lines.map((line) => assignHits(line, options, shift));
  const of = (kind: Alignment['kind'], assigned: Assigned[], more: Partial<Alignment> = {}): Alignment => ({
    kind,
    shiftMs: 0,
    silent: new Set(),
    lag: new Map(),
    gain: 0,
    isAmbiguous: false,
    assigned,
    cost: assigned.reduce((total, one) => total + one.cost, 0),
    ...more,
  });
  const plain = [
    of(
      'as it is',
      by(() => 0),
    ),
  ];
  const trend = driftOf(lines, options);
  if (trend) plain.push(of('drifting', by(trend)));
  const best = least(plain);
  const off = shareOff(lines, best, options);
  const others: Alignment[] = [];
  if (off > SHIFT_FROM) {
    const barMs = bars.length ? bars[0]!.endMs - bars[0]!.startMs : Infinity;
    for (const shiftMs of likelyShifts(lines, barMs, options)) {
      const one = of(
        'shift',
        by(() => shiftMs),
        { shiftMs },
      );
      // A few hits fit nearly anywhere: what displaces everything has to find most of it.
      if (shareMissed(lines, one) <= MOST_MISSED)
        others.push({ ...one, cost: one.cost + HANDICAP + Math.abs(shiftMs) / barMs });
    }
  }
  if (off > BARS_FROM && bars.length > 1) {
    const path = barByBar(lines, bars, options);
    // Where most bars are silent, nobody played the groove: the strokes are missed.
    if (path.silent.size <= bars.length / 2 && (path.silent.size || path.lag.size)) {
      const one = of('bars', laidByBar(lines, bars, path, options), path);
      others.push({ ...one, cost: one.cost + path.pathCost + HANDICAP });
    }
  }
  const chosen = least([best, ...others]);
  const isAmbiguous =
    chosen.kind === 'shift' &&
    others.some(
      (one) =>
        one.kind === 'shift' &&
        Math.abs(one.shiftMs - chosen.shiftMs) > 2 * options.scaleMs &&
        one.cost - chosen.cost < AMBIGUOUS,
    );
  return { ...chosen, gain: best.cost - chosen.cost, isAmbiguous };
}

const least = (all: readonly Alignment[]): Alignment => all.reduce((best, one) => (one.cost < best.cost ? one : best));

/** A straight line through the errors that a matching finds which follows drift; strokes far from it are left out. */
function driftOf(lines: readonly LimbLine[], { longestGapMs }: AssignOptions): ((dueMs: Ms) => Ms) | undefined {
  const matched = matchLines(
    lines.map(({ dueMs, hitsMs }) => ({ expectedMs: dueMs, hitsMs })),
    { longestGapMs },
  );
  let placed = lines.flatMap(({ dueMs, hitsMs, isGrace }, limb) =>
    dueMs.flatMap((due, index) => {
      const hit = matched[limb]!.hitOf[index];
      return hit === undefined || isGrace[index] ? [] : [{ dueMs: due, errorMs: hitsMs[hit]! - due }];
    }),
  );
  let trend = trendOf(placed);
  for (let round = 0; round < 2 && trend; round++) {
    const { at } = trend;
    const apart = placed.map(({ dueMs, errorMs }) => Math.abs(errorMs - at(dueMs)));
    const limit = 3 * 1.48 * apart.toSorted((a, b) => a - b)[Math.floor(apart.length / 2)]!;
    placed = placed.filter((_, index) => apart[index]! <= limit + 1e-9);
    trend = trendOf(placed);
  }
  return trend?.at;
}

/** The share of strokes that no hit was found for. */
function shareMissed(lines: readonly LimbLine[], { assigned }: Alignment): number {
  let [missed, all] = [0, 0];
  for (const [limb, { isGrace }] of lines.entries())
    for (const [index, hit] of assigned[limb]!.hitOf.entries()) {
      if (isGrace[index]) continue;
      all++;
      if (hit < 0) missed++;
    }
  return all ? missed / all : 1;
}
const MOST_MISSED = 0.5;

/** The share of strokes that are left out, struck in vain, or far off. */
function shareOff(lines: readonly LimbLine[], { assigned }: Alignment, { scaleMs }: AssignOptions): number {
  let [off, all] = [0, 0];
  for (const [limb, { dueMs, hitsMs, isGrace }] of lines.entries()) {
    const { hitOf, extra } = assigned[limb]!;
    off += extra.length;
    for (const [index, due] of dueMs.entries()) {
      if (isGrace[index]) continue;
      all++;
      const hit = hitOf[index]!;
      if (hit < 0 || Math.abs(hitsMs[hit]! - due) > FAR * scaleMs) off++;
    }
  }
  return all ? off / all : 0;
}

/** Distances between strokes and hits of the same limb that come most often. */
function likelyShifts(lines: readonly LimbLine[], barMs: Ms, { scaleMs, countMs }: AlignOptions): Ms[] {
  const bin = Math.max(4, scaleMs / 2);
  const near = COUNTS_APART * countMs;
  const [barFrom, barTo] = [barMs - BAR_AND * countMs, barMs + BAR_AND * countMs];
  const most = Math.max(near, Number.isFinite(barTo) ? barTo : 0);
  const counts = new Map<number, number>();
  for (const { dueMs, hitsMs } of lines) {
    let first = 0;
    for (const due of dueMs) {
      while (first < hitsMs.length && hitsMs[first]! < due - most) first++;
      for (let hit = first; hit < hitsMs.length && hitsMs[hit]! <= due + most; hit++) {
        const apart = hitsMs[hit]! - due;
        const size = Math.abs(apart);
        if (size > near && (size < barFrom || size > barTo)) continue;
        const place = Math.round(apart / bin);
        counts.set(place, (counts.get(place) ?? 0) + 1);
      }
    }
  }
  const high = [...counts.keys()]
    .map((place) => ({
      place,
      height: counts.get(place)! + ((counts.get(place - 1) ?? 0) + (counts.get(place + 1) ?? 0)) / 2,
    }))
    .sort((a, b) => b.height - a.height);
  const peaks: number[] = [];
  for (const { place } of high) {
    if (peaks.length === PEAKS) break;
    if (peaks.every((other) => Math.abs(other - place) >= 4)) peaks.push(place);
  }
  return peaks.map((place) => place * bin);
}
