import type { Limb } from '../../groove/limbs';
import { candidatesOf, LEAST_TOGETHER, type FaultModel, type ErrorKind, type MatchedNote } from './faultModels';
import { fit, type Errors, type Fit } from '../../stats/robustRegression';
import { sdOf } from '../../stats/estimates';

/** One way to explain what was heard. */
export interface Explanation {
  kind: ErrorKind;
  /**
   * By how much it explains the errors better than a clean player does, less what its freedom costs: a log-likelihood
   * ratio.
   */
  score: number;
  /** How far off it is, in tolerances; below `LEAST_SIZE` it passes. */
  size: number;
  /** With its sign: late above 0. Of drift, over the whole. */
  by: number;
  /** Its standard error. */
  unsure: number;
  limb?: Limb;
  place?: string;
  /** Bars of a phrase; the moments after a switch. */
  every?: number;
  /** Of a fault of evenness, the spread in tolerances: it is neither early nor late. */
  spread?: number;
  /** How many strokes it rests on. */
  strokes: number;
}

/** What is smaller passes at this level, and what is less likely is left to chance. */
export const LEAST_SIZE = 0.75;
export const LEAST_SCORE = 2.5;
/** A limb more uneven than this many tolerances is not clean. */
const UNEVEN_SIZE = 0.9;
/** More clean takes are mistaken for late than for uneven, so that less is asked of it. */
const UNEVEN_AHEAD = 1.5;
/** Before it is heard, what is off may lie anywhere within so many tolerances. */
const WITHIN = 6;
/** Two faults are believed where they explain so much more than one. */
const PAIR_GAIN = 5;
const RUNNERS_UP = 6;
/** Every explanation of the errors of strokes, the best first; `second` is what is left when two are needed. */
export function explain(strokes: readonly MatchedNote[]): {
  all: Explanation[];
  second?: Explanation;
  spread: Map<Limb, number>;
} {
  if (!strokes.length) return { all: [], spread: new Map() };
  const limbs = [...new Set(strokes.map(({ limb }) => limb))];
  const lines = limbs.map((limb) =>
    Int32Array.from(strokes.flatMap((stroke, index) => (stroke.limb === limb ? [index] : []))),
  );
  const errors: Errors = { of: Float64Array.from(strokes, ({ error }) => error), lines };
  const clean = fit(errors, []);
  const candidates = candidatesOf(strokes, limbs);
  const fitted = oneNameEach(
    candidates.map((candidate) => ({ candidate, ...scored(candidate, fit(errors, candidate.columns), clean) })),
  );
  fitted.sort((a, b) => b.explanation.score - a.explanation.score);
  const uneven = [...unevenOf(errors, limbs, clean), ...unevenTogether(errors, strokes, limbs)];
  const all = [...fitted.map(({ explanation }) => explanation), ...uneven].sort((a, b) => b.score - a.score);
  const pair = pairOf(
    errors,
    clean,
    fitted.map(({ candidate, explanation }) => ({ candidate, explanation })),
  );
  const spread = new Map(limbs.map((limb, index) => [limb, clean.spread[index]!]));
  if (pair && pair.score > (all[0]?.score ?? 0) + PAIR_GAIN) {
    const [first, second] = pair.both;
    return { all: [{ ...first, score: pair.score }, ...all.filter((one) => !isSame(one, first))], second, spread };
  }
  const passing = all.filter(({ size, score }) => size >= LEAST_SIZE && score > LEAST_SCORE);
  return { all, ...(passing[1] && !overlaps(passing[0]!, passing[1]) && { second: passing[1] }), spread };
}

/**
 * Where off-beats are the swung strokes, early is a swing that is too straight and late are off-beats; where they are
 * the second strokes of doubles, they are those.
 */
function oneNameEach<T extends { candidate: FaultModel; explanation: Explanation }>(fitted: T[]): T[] {
  const of = (kind: ErrorKind) => fitted.find(({ candidate }) => candidate.kind === kind);
  const [swing, off, doubles] = [of('swing'), of('off-beats'), of('doubles')];
  if (!off) return fitted;
  const dropped = new Set<T>();
  if (swing && areAlike(swing.candidate, off.candidate)) dropped.add(off.explanation.by < 0 ? off : swing);
  if (doubles && areAlike(doubles.candidate, off.candidate)) dropped.add(off);
  return fitted.filter((one) => !dropped.has(one));
}

/** Columns that go together by this much say the same. */
const ALIKE = 0.9;
function areAlike({ columns: [a] }: FaultModel, { columns: [b] }: FaultModel): boolean {
  let [both, ofA, ofB] = [0, 0, 0];
  for (const [index, one] of a!.entries()) {
    both += one * b![index]!;
    ofA += one * one;
    ofB += b![index]! ** 2;
  }
  return Math.abs(both) >= ALIKE * Math.sqrt(ofA * ofB);
}

const isSame = (one: Explanation, other: Explanation) =>
  one.kind === other.kind && one.limb === other.limb && one.place === other.place && one.every === other.every;

/** Two names for the same: what explains one limb explains the take a little, too. */
const overlaps = (one: Explanation, other: Explanation): boolean =>
  one.kind === other.kind || one.limb === other.limb || !one.limb || !other.limb;

function scored(candidate: FaultModel, fitted: Fit, clean: Fit): { explanation: Explanation } {
  const { kind, of, sizeOf, among, strokes, limb, place, every } = candidate;
  const by = fitted.size[of]!;
  return {
    explanation: {
      kind,
      score: fitted.logLikelihood - clean.logLikelihood + freedom(fitted) - Math.log(among),
      size: Math.abs(by) * sizeOf,
      by,
      unsure: fitted.unsure[of]!,
      strokes,
      ...(limb && { limb }),
      ...(place !== undefined && { place }),
      ...(every !== undefined && { every }),
    },
  };
}

/**
 * What the freedom of the sizes costs: how much narrower they are known than they were believed (Laplace's
 * approximation).
 */
const freedom = ({ unsure }: Fit): number =>
  unsure.reduce((total, one) => total + Math.min(0, Math.log((Math.sqrt(2 * Math.PI) * one) / WITHIN)), 0);

/** A limb that is more uneven than is clean, or all of them. */
function unevenOf(errors: Errors, limbs: readonly Limb[], clean: Fit): Explanation[] {
  const enough = limbs.flatMap((limb, index) => (errors.lines[index]!.length >= 6 ? [{ limb, index }] : []));
  const of = (kind: ErrorKind, indexes: number[], deduction: number, limb?: Limb): Explanation => {
    const fitted = fit(errors, [], new Set(indexes));
    const widest = Math.max(...indexes.map((index) => fitted.spread[index]!));
    return {
      kind,
      score: widest >= UNEVEN_SIZE ? fitted.logLikelihood - clean.logLikelihood - deduction + UNEVEN_AHEAD : -Infinity,
      size: widest,
      by: widest,
      unsure: widest / Math.sqrt(2 * Math.max(1, ...indexes.map((index) => errors.lines[index]!.length))),
      strokes: indexes.reduce((total, index) => total + errors.lines[index]!.length, 0),
      ...(limb && { limb }),
    };
  };
  const one =
    limbs.length > 1 ? enough.map(({ limb, index }) => of('limb uneven', [index], Math.log(enough.length), limb)) : [];
  return enough.length
    ? [
        ...one,
        of(
          'spread',
          enough.map(({ index }) => index),
          0,
        ),
      ]
    : one;
}

/** A limb that is uneven where another is written with it, and steady alone. */
function unevenTogether(errors: Errors, strokes: readonly MatchedNote[], limbs: readonly Limb[]): Explanation[] {
  return limbs.flatMap((limb, index) => {
    const own = errors.lines[index]!;
    const together = own.filter((stroke) => strokes[stroke]!.isTogether);
    if (together.length < LEAST_TOGETHER || own.length - together.length < LEAST_TOGETHER) return [];
    // Looked at closely only where they are scattered at all.
    if (sdOf([...together].map((stroke) => errors.of[stroke]!)) < UNEVEN_SIZE) return [];
    const alone = own.filter((stroke) => !strokes[stroke]!.isTogether);
    const apart = { of: errors.of, lines: [together, alone, ...errors.lines.filter((_, other) => other !== index)] };
    const [even, uneven] = [fit(apart, []), fit(apart, [], new Set([0]))];
    const spread = uneven.spread[0]!;
    if (spread < UNEVEN_SIZE) return [];
    return [
      {
        kind: 'apart' as const,
        score: uneven.logLikelihood - even.logLikelihood - Math.log(limbs.length) + UNEVEN_AHEAD,
        size: spread,
        by: 0,
        unsure: spread / Math.sqrt(2 * together.length),
        spread,
        strokes: together.length,
        limb,
      },
    ];
  });
}

/** The two that together explain most, where both are large enough. */
function pairOf(
  errors: Errors,
  clean: Fit,
  fitted: readonly { candidate: FaultModel; explanation: Explanation }[],
): { score: number; both: [Explanation, Explanation] } | undefined {
  const simple = fitted.filter(({ candidate }) => candidate.columns.length === 1).slice(0, 1 + RUNNERS_UP);
  let best: { score: number; both: [Explanation, Explanation] } | undefined;
  for (const [index, one] of simple.slice(0, 4).entries())
    for (const other of simple.slice(index + 1)) {
      const together = fit(errors, [one.candidate.columns[0]!, other.candidate.columns[0]!]);
      const score =
        together.logLikelihood -
        clean.logLikelihood +
        freedom(together) -
        Math.log(one.candidate.among * other.candidate.among);
      const both = [one, other].map(({ candidate, explanation }, which) => ({
        ...explanation,
        by: together.size[which]!,
        unsure: together.unsure[which]!,
        size: Math.abs(together.size[which]!) * candidate.sizeOf,
      }));
      if (both.some(({ size }) => size < LEAST_SIZE) || score <= (best?.score ?? 0)) continue;
      both.sort((a, b) => Math.abs(b.by) - Math.abs(a.by));
      best = { score, both: both as [Explanation, Explanation] };
    }
  return best;
}
