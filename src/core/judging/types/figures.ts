import { LEVEL_FACTORS, type Level } from '../../limits';
import type { Ms } from '../../time/units';

/** When a stroke was due and by how much it missed that, late being above 0. */
export interface Placed {
  dueMs: Ms;
  errorMs: Ms;
}

/** What a take comes to. A figure that the strokes are too few for is null. */
export interface Figures {
  matched: number;
  missed: number;
  extra: number;
  /** Strokes the input cannot tell of, where there are any. */
  notJudgeable?: number;
  /** Late above 0. */
  meanErrorMs: Ms | null;
  /** Standard deviation of the errors, over n − 1. */
  sdErrorMs: Ms | null;
  /** The same round the least-squares trend, over n − 2. */
  sdAroundTrendMs: Ms | null;
  /** The player's tempo against the click, faster above 0: 1 / (1 + b) − 1 with b the slope of the trend. */
  tempoDriftPercent: number | null;
}

/** The figures of matched strokes, with how many were missed and how many hits were extra. */
export function figuresOf(placed: readonly Placed[], missed: number, extra: number, notJudgeable = 0): Figures {
  const n = placed.length;
  const mean = n ? placed.reduce((total, { errorMs }) => total + errorMs, 0) / n : null;
  const trend = trendOf(placed);
  return {
    matched: n,
    missed,
    extra,
    ...(notJudgeable && { notJudgeable }),
    meanErrorMs: mean,
    sdErrorMs:
      mean === null || n < 2 ? null : Math.sqrt(sumOf(placed, ({ errorMs }) => (errorMs - mean) ** 2) / (n - 1)),
    sdAroundTrendMs:
      trend && n > 2
        ? Math.sqrt(sumOf(placed, ({ dueMs, errorMs }) => (errorMs - trend.at(dueMs)) ** 2) / (n - 2))
        : null,
    tempoDriftPercent: trend && n > 2 ? (1 / (1 + trend.slope) - 1) * 100 : null,
  };
}

const sumOf = (placed: readonly Placed[], of: (each: Placed) => number) =>
  placed.reduce((total, each) => total + of(each), 0);

/** Least-squares line of error on due time; undefined when all strokes were due at once. */
export function trendOf(placed: readonly Placed[]): { slope: number; at: (dueMs: Ms) => Ms } | undefined {
  const n = placed.length;
  if (n < 2) return undefined;
  const meanDue = sumOf(placed, ({ dueMs }) => dueMs) / n;
  const meanError = sumOf(placed, ({ errorMs }) => errorMs) / n;
  const across = sumOf(placed, ({ dueMs }) => (dueMs - meanDue) ** 2);
  if (across === 0) return undefined;
  const slope = sumOf(placed, ({ dueMs, errorMs }) => (dueMs - meanDue) * (errorMs - meanError)) / across;
  return { slope, at: (dueMs) => meanError + slope * (dueMs - meanDue) };
}

/**
 * The smallest error that can be heard: max(6 ms, 2.5 % of the gap between strokes); Friberg & Sundberg 1995, JASA
 * 98:5.
 */
export const smallestAudibleMs = (gapMs: Ms): Ms => Math.max(6, 0.025 * gapMs);

/** A player's level, where it stretches as is usual; or with the factor that a workshop has set for it. */
export type Tolerance = Level | { level: Level; factor: number };

export const levelOf = (tolerance: Tolerance): Level => (typeof tolerance === 'string' ? tolerance : tolerance.level);
export const factorOf = (tolerance: Tolerance): number =>
  typeof tolerance === 'string' ? LEVEL_FACTORS[tolerance] : tolerance.factor;

/** The tolerance of a level with the factor that holds for it. */
export const toleranceOf = (level: Level, factor?: number | null): Tolerance =>
  factor === undefined || factor === null || factor === LEVEL_FACTORS[level] ? level : { level, factor };
