import type { FigureKind, TakeFigure } from '../../documents/takeFigures';
import type { PlaceJudged } from '../../documents/verdict';
import { GRACE_MS } from '../../schedule/strokes';
import type { Estimate } from '../../stats/estimates';

/** What one written place of one limb came to, in a take. */
export type PlaceEstimate = PlaceJudged & Estimate;

/** The figures of one take, as they are compared with another's. */
export interface Compared {
  figures: readonly TakeFigure[];
  places: readonly PlaceEstimate[];
}

/** The same figure in two takes, where their 95 % intervals part: a fact, not chance. */
export interface Change {
  kind: FigureKind | 'place';
  of: string;
  place?: PlaceEstimate;
  before: number;
  now: number;
  isBetter: boolean;
  /** How far the intervals are apart, in steps that are alike for unlike figures. */
  size: number;
}

/**
 * Smaller than this a change is nobody's to hear, in the figure's own unit; half of it between the intervals counts
 * as one step.
 */
const STEP: Record<Change['kind'], number> = {
  place: 6,
  limb: 6,
  evenness: 4,
  rate: 6,
  'rate spread': 4,
  switch: 6,
  together: 6,
  phrase: 10,
  doubles: 6,
  flam: 6,
  'left out': 0.05,
  // Of the logarithm: 2 to 1 in place of 1.65 to 1.
  swing: 0.2,
  accents: 2,
  'second loudness': 2,
  height: Infinity,
};

/** How bad a value is: 0 is as it should be. */
function badness(kind: Change['kind'], value: number, meant = 1): number {
  switch (kind) {
    case 'swing':
      return Math.abs(Math.log(value / meant));
    case 'flam':
      return Math.abs(value - GRACE_MS);
    case 'accents':
      return -Math.min(value, 12);
    case 'second loudness':
      return Math.max(0, -value);
    default:
      return Math.abs(value);
  }
}

/** The interval of a badness. */
function between(kind: Change['kind'], { value, low, high }: Estimate, meant?: number) {
  if (value === null || low === null || high === null) return undefined;
  const [at, from, to] = [value, low, high].map((one) => badness(kind, one, meant)) as [number, number, number];
  // What is right may lie between the two ends: then it may be as good as that.
  const right = { swing: meant ?? 1, flam: GRACE_MS }[kind as string] ?? 0;
  const isWithin = kind !== 'accents' && low <= right && high >= right;
  return { at, low: isWithin ? 0 : Math.min(from, to), high: Math.max(from, to) };
}

/**
 * What went from one take to a later one, the largest first: only where the intervals part and somebody could hear
 * it.
 */
export function changesSince(now: Compared, before: Compared): Change[] {
  const figures = now.figures.flatMap((one): Change[] => {
    const other = before.figures.find(({ kind, of }) => kind === one.kind && of === one.of);
    return other ? parted(one.kind, one.of, one, other, one.meant) : [];
  });
  const places = now.places.flatMap((one): Change[] => {
    const key = keyOf(one);
    const other = before.places.find((each) => keyOf(each) === key);
    return other ? parted('place', key, one, other).map((change) => ({ ...change, place: one })) : [];
  });
  return [...figures, ...places].sort((a, b) => b.size - a.size);
}

const keyOf = ({ limb, bar, exercise, count, part, parts, counts }: PlaceEstimate): string =>
  [limb, bar, exercise ?? '', count, part, parts, counts].join(' ');

function parted(kind: Change['kind'], of: string, now: Estimate, before: Estimate, meant?: number): Change[] {
  const [here, there] = [between(kind, now, meant), between(kind, before, meant)];
  if (!here || !there) return [];
  const gap = Math.max(there.low - here.high, here.low - there.high);
  if (gap <= 0 || Math.abs(here.at - there.at) < STEP[kind]) return [];
  return [
    {
      kind,
      of,
      before: before.value!,
      now: now.value!,
      isBetter: here.at < there.at,
      size: gap / STEP[kind] + Math.abs(here.at - there.at) / STEP[kind],
    },
  ];
}
