import type { Limb } from '../../groove/limbs';
import type { Ms } from '../../time/units';
import { GRACE_MS } from '../../schedule/strokes';
import { groupBy } from '../../stats/groupBy';
import { extraCost, MISSED_COST, pairCost } from '../align/assign';
import { lowerBound } from '../../stats/lowerBound';
import { medianOf, sdOf } from '../../stats/estimates';

/**
 * What is wrong with which strokes were struck, how they were ornamented or how loud they were; on one scale with
 * `explain`.
 */
export interface StrokesFault {
  kind: 'missed' | 'bars left out' | 'extra' | 'displaced' | 'flam' | 'accents' | 'loudness' | 'doubles';
  score: number;
  size: number;
  limb?: Limb;
  numbers: Record<string, number>;
}

/** A stroke that was due, with what came of it. */
export interface DueStroke {
  limb: Limb;
  dueMs: Ms;
  barInRun: number;
  /** How long its slot lasts. */
  slotMs: Ms;
  /** Undefined where it was left out. */
  hitMs?: Ms;
}

/**
 * A player who plays well leaves out a stroke or two in a hundred; 6 in a hundred of a limb's own are a fault, and
 * two at the least.
 */
const MISSED_SHARE = 0.01;
const MISSED_FAULT = 0.06;
/** Two extra hits among a hundred strokes are nobody's fault; from 4 on they are. */
const EXTRA_SHARE = 0.02;
const EXTRA_FAULT = 0.04;
/** A bar was left out where so much of it, and so many strokes, are missing. */
const BAR_GONE = 0.8;
const BAR_STROKES = 3;

const ratio = (count: number, of: number, share: number) => (count ? count * Math.log(count / of / share) : 0);

/** Strokes of a limb that were left out, as a share of its own: how much likelier than that a good player does so. */
export function missedNotes(strokes: readonly DueStroke[], isGone: (bar: number) => boolean): StrokesFault[] {
  const there = strokes.filter(({ barInRun }) => !isGone(barInRun));
  const missedInAll = there.filter(({ hitMs }) => hitMs === undefined).length;
  return limbsOf(there).flatMap((limb) => {
    const own = there.filter((stroke) => stroke.limb === limb);
    const missed = own.filter(({ hitMs }) => hitMs === undefined).length;
    const share = missed / own.length;
    if (missed < 2 || share < MISSED_FAULT) return [];
    return [
      {
        kind: 'missed',
        limb,
        score: ratio(missed, own.length, MISSED_SHARE) + ratio(own.length - missed, own.length, 1 - MISSED_SHARE),
        size: share / MISSED_FAULT,
        numbers: { missedOfLimb: missed, dueOfLimb: own.length, missed: missedInAll, due: there.length },
      },
    ];
  });
}

/** Stretches of bars in which nearly nothing was struck, or that an alignment found left out. */
export function barsLeftOut(
  strokes: readonly DueStroke[],
  silent: ReadonlySet<number>,
): { gone: Set<number>; fault?: StrokesFault } {
  const byBar = new Map<number, { due: number; missed: number }>();
  for (const { barInRun, hitMs } of strokes) {
    const one = byBar.get(barInRun) ?? { due: 0, missed: 0 };
    one.due++;
    if (hitMs === undefined) one.missed++;
    byBar.set(barInRun, one);
  }
  const isGone = ([bar, { due, missed }]: [number, { due: number; missed: number }]) =>
    silent.has(bar) || (missed >= BAR_STROKES && missed >= BAR_GONE * due);
  const bars = [...byBar].filter(isGone).sort(([a], [b]) => a - b);
  const gone = new Set(bars.map(([bar]) => bar));
  if (!gone.size) return { gone };
  const strokesGone = bars.reduce((total, [, { due }]) => total + due, 0);
  const stretches = bars.filter(([bar]) => !gone.has(bar - 1)).length;
  return {
    gone,
    fault: {
      kind: 'bars left out',
      score: MISSED_COST * strokesGone - 2 * Math.log(byBar.size) * stretches,
      size: gone.size,
      numbers: { bars: gone.size, from: bars[0]![0] + 1, strokes: strokesGone },
    },
  };
}

/** Hits that nothing asked for: how much likelier than chance, of the limb that has most. */
export function extraHits(strokes: readonly DueStroke[], extra: readonly { limb?: Limb }[]): StrokesFault | undefined {
  const limbs = limbsOf(strokes);
  if (extra.length < EXTRA_FAULT * strokes.length) return undefined;
  const expected = (EXTRA_SHARE * strokes.length) / Math.max(1, limbs.length);
  const own = limbs
    .map((limb) => ({ limb, count: extra.filter((hit) => (hit.limb ?? limb) === limb).length }))
    .sort((a, b) => b.count - a.count)[0];
  if (!own || own.count < 2) return undefined;
  return {
    kind: 'extra',
    limb: own.limb,
    score:
      Math.max(
        overChance(own.count, expected) - Math.log(limbs.length),
        overChance(extra.length, EXTRA_SHARE * strokes.length),
      ) - 0.5,
    size: extra.length / strokes.length / EXTRA_FAULT,
    numbers: { extraOfLimb: own.count, extra: extra.length, due: strokes.length },
  };
}

/** How much likelier so many are than so many expected by chance (Poisson). */
const overChance = (count: number, expected: number): number =>
  count > expected ? count * Math.log(count / expected) - (count - expected) : 0;

/** A limb's bar may have come so many of its own slots early or late. */
const SLOTS = [-2, -1, 1, 2];
/** A hit fits a displaced stroke within so many tolerances, and this share of its slot. */
const FITS = 3.5;
const FITS_SLOT = 0.45;
const FAR_OFF = 3;
/** So many strokes of the bar, and this share of them, have to fit. */
const FIT_STROKES = 2;
const FIT_SHARE = 0.6;

/**
 * A limb that played its figure some slots early or late for a bar: explained better so than as strokes left out and
 * extra.
 */
export function displacedBars(
  strokes: readonly DueStroke[],
  extra: readonly { limb?: Limb; ms: Ms }[],
  toleranceMs: Ms,
): StrokesFault | undefined {
  const limbs = limbsOf(strokes);
  const bars = new Set(strokes.map(({ barInRun }) => barInRun)).size;
  let best: StrokesFault | undefined;
  for (const limb of limbs) {
    const own = strokes.filter((stroke) => stroke.limb === limb);
    const beside = extraCost({ dueMs: own.map(({ dueMs }) => dueMs) }, toleranceMs);
    const inVain = extra.flatMap((hit) => (hit.limb === limb ? [hit.ms] : [])).sort((a, b) => a - b);
    const byBar = groupBy(own, ({ barInRun }) => barInRun);
    for (const [bar, here] of byBar) {
      const off = here.filter(
        ({ dueMs, hitMs }) => hitMs === undefined || Math.abs(hitMs - dueMs) > FAR_OFF * toleranceMs,
      );
      if (off.length < 2 || off.length < here.length / 2) continue;
      const slotMs = Math.min(...here.map((stroke) => stroke.slotMs));
      const [from, to] = [here[0]!.dueMs - 2.5 * slotMs, here.at(-1)!.dueMs + 2.5 * slotMs];
      const free = [
        ...here.flatMap(({ hitMs }) => (hitMs === undefined ? [] : [hitMs])),
        ...inVain.slice(lowerBound(inVain, from), lowerBound(inVain, to)),
      ].sort((a, b) => a - b);
      const before = costOf(
        here.map(({ dueMs, hitMs }) => hitMs && hitMs - dueMs),
        free.length,
        toleranceMs,
        beside,
      );
      for (const slots of SLOTS) {
        const errors = nearestHits(
          here.map(({ dueMs }) => dueMs + slots * slotMs),
          free,
          Math.min(FITS * toleranceMs, FITS_SLOT * slotMs),
        );
        const fits = errors.filter((error) => error !== undefined).length;
        if (fits < FIT_STROKES || fits < FIT_SHARE * here.length) continue;
        const score =
          before - costOf(errors, free.length, toleranceMs, beside) - Math.log(limbs.length * bars * SLOTS.length);
        if (score <= (best?.score ?? 0)) continue;
        best = {
          kind: 'displaced',
          limb,
          score,
          size: 1,
          numbers: { slots, bar: bar + 1, strokes: fits, byMs: slots * slotMs },
        };
      }
    }
  }
  return best;
}

/** What strokes with these errors cost, and the hits that are left over. */
function costOf(errors: readonly (number | undefined)[], hits: number, toleranceMs: Ms, beside: number): number {
  const struck = errors.filter((error) => error !== undefined);
  return (
    struck.reduce((total, error) => total + Math.min(MISSED_COST + beside, pairCost(error, toleranceMs)), 0) +
    (errors.length - struck.length) * MISSED_COST +
    (hits - struck.length) * beside
  );
}

/** The nearest free hit of each moment, each used once. */
function nearestHits(moments: readonly Ms[], hits: readonly Ms[], within: Ms): (number | undefined)[] {
  const used = new Set<number>();
  return moments.map((ms) => {
    let best: number | undefined;
    for (const [index, hit] of hits.entries())
      if (
        !used.has(index) &&
        Math.abs(hit - ms) <= within &&
        (best === undefined || Math.abs(hit - ms) < Math.abs(hits[best]! - ms))
      )
        best = index;
    if (best === undefined) return undefined;
    used.add(best);
    return hits[best]! - ms;
  });
}

/** A grace 12 to 45 ms before its stroke is heard as one flam with it; nearer it is flat, farther it is two notes. */
const LEAST_GAP: Ms = 12;
const MOST_GAP: Ms = 45;
/** What it takes to call flams flat or wide. */
const FLAM_HANDICAP = 2;
/** An onset is not heard more exactly than this. */
const ONSET_MS: Ms = 3;

/** Flams that are flat or wide, from how far before each stroke its grace came. */
export function flamSpacing(gapsMs: readonly Ms[]): StrokesFault | undefined {
  if (gapsMs.length < 3) return undefined;
  const gapMs = medianOf(gapsMs);
  if (gapMs >= LEAST_GAP && gapMs <= MOST_GAP) return undefined;
  // Against a flam as it is meant, in the middle of what is heard as one.
  const unsure = Math.max(ONSET_MS, sdOf(gapsMs)) / Math.sqrt(gapsMs.length);
  return {
    kind: 'flam',
    score: ((gapMs - GRACE_MS) / unsure) ** 2 / 2 - FLAM_HANDICAP,
    size: 1,
    numbers: { gapMs, flams: gapsMs.length, leastMs: LEAST_GAP, mostMs: MOST_GAP },
  };
}

const limbsOf = (strokes: readonly DueStroke[]): Limb[] => [...new Set(strokes.map(({ limb }) => limb))];
