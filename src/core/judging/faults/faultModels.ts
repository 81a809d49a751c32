import type { Limb } from '../../groove/limbs';

/** A stroke that was heard, as the explanations look at it. */
export interface MatchedNote {
  limb: Limb;
  /** In tolerances of the level, late above 0. */
  error: number;
  dueMs: number;
  barInRun: number;
  /** Which written place of the groove it is, of its limb. */
  place: string;
  isOnCount: boolean;
  /** It is the second stroke of a double. */
  isSecond: boolean;
  /** Another limb is written at the same moment. */
  isTogether: boolean;
  /** How much swing delays it, in milliseconds. */
  swungMs: number;
  /** How many moments ago the division of the counts changed; undefined before it ever did. */
  sinceSwitch: number | undefined;
}

/** What a take's errors can be explained by. */
export type ErrorKind =
  | 'limb'
  | 'place'
  | 'off-beats'
  | 'behind or ahead'
  | 'drift'
  | 'phrase'
  | 'swing'
  | 'switch'
  | 'doubles'
  | 'apart'
  | 'limb uneven'
  | 'spread';

/** Places that are looked at closely: those that look farthest off. */
const PLACES_LOOKED_AT = 12;
const PHRASES = [2, 4, 8];
/** So many strokes of a limb with others, and as many of it alone, tell whether it lands apart from them. */
export const LEAST_TOGETHER = 4;

/** One way to explain errors: columns that are fitted to them. */
export interface FaultModel {
  kind: ErrorKind;
  columns: Float64Array[];
  /** Which of the columns says how far it is off, and what its size is against that. */
  of: number;
  sizeOf: number;
  /** How many others of its kind there are to choose from. */
  among: number;
  strokes: number;
  limb?: Limb;
  place?: string;
  every?: number;
}

/** What the errors of strokes may come from, as columns. */
export function candidatesOf(strokes: readonly MatchedNote[], limbs: readonly Limb[]): FaultModel[] {
  const column = (of: (stroke: MatchedNote) => number) => {
    const values = new Float64Array(strokes.length);
    for (const [index, stroke] of strokes.entries()) values[index] = of(stroke);
    return values;
  };
  const count = (is: (stroke: MatchedNote) => boolean) => strokes.filter(is).length;
  const one = (kind: ErrorKind, is: (stroke: MatchedNote) => boolean, more: Partial<FaultModel> = {}): FaultModel => ({
    kind,
    columns: [column((stroke) => (is(stroke) ? 1 : 0))],
    of: 0,
    sizeOf: 1,
    among: 1,
    strokes: count(is),
    ...more,
  });
  const found: FaultModel[] = [one('behind or ahead', () => true)];
  const enough = limbs.filter((limb) => count((stroke) => stroke.limb === limb) >= 4);
  if (limbs.length > 1)
    for (const limb of enough)
      found.push(one('limb', (stroke) => stroke.limb === limb, { limb, among: enough.length }));
  found.push(...placesOf(strokes, one));

  for (const limb of limbs) {
    const own = count((stroke) => stroke.limb === limb);
    const together = count((stroke) => stroke.limb === limb && stroke.isTogether);
    // Where it never plays alone, it is the limb.
    if (together >= LEAST_TOGETHER && own - together >= LEAST_TOGETHER)
      found.push(one('apart', (stroke) => stroke.limb === limb && stroke.isTogether, { limb, among: limbs.length }));
  }

  const off = count(({ isOnCount }) => !isOnCount);
  if (off >= 2 && off <= strokes.length - 2) found.push(one('off-beats', ({ isOnCount }) => !isOnCount));
  const seconds = count(({ isSecond }) => isSecond);
  if (seconds >= 3 && seconds < strokes.length) found.push(one('doubles', ({ isSecond }) => isSecond));

  const mostSwung = Math.max(...strokes.map(({ swungMs }) => swungMs));
  if (mostSwung > 1)
    found.push({
      ...one('swing', ({ swungMs }) => swungMs > 0),
      columns: [column(({ swungMs }) => -swungMs / mostSwung)],
    });
  for (const moments of [1, 2]) {
    const is = ({ sinceSwitch }: MatchedNote) => sinceSwitch !== undefined && sinceSwitch < moments;
    if (count(is) >= 3) found.push(one('switch', is, { every: moments, among: 2 }));
  }
  const [first, last] = [strokes[0]!.dueMs, strokes.at(-1)!.dueMs];
  if (last > first) {
    const along = column(({ dueMs }) => (dueMs - first) / (last - first) - 0.5);
    found.push({ ...one('drift', () => true), columns: [column(() => 1), along], of: 1, sizeOf: 0.5 });
  }
  const bars = Math.max(...strokes.map(({ barInRun }) => barInRun)) + 1;
  for (const every of PHRASES.filter((long) => bars >= 2 * long))
    found.push({
      ...one('phrase', () => true, { every, among: PHRASES.length, sizeOf: 0.5 }),
      columns: [column((stroke) => inPhrase(stroke, every, strokes))],
    });
  return found;
}

/** From 1/2 where a phrase of so many bars begins down to −1/2 where it ends. */
function inPhrase({ barInRun, dueMs }: MatchedNote, every: number, strokes: readonly MatchedNote[]): number {
  const starts = phraseStarts(strokes, every);
  const phrase = Math.floor(Math.max(0, barInRun) / every);
  const [from, to] = [starts.get(phrase) ?? dueMs, starts.get(phrase + 1)];
  const long = (to ?? from + (starts.long ?? 1)) - from;
  return 0.5 - Math.min(1, Math.max(0, (dueMs - from) / long));
}

const known = new WeakMap<readonly MatchedNote[], Map<number, Map<number, number> & { long?: number }>>();

/** When the first stroke of each phrase is due, and how long the first phrase lasts. */
function phraseStarts(strokes: readonly MatchedNote[], every: number) {
  const all = known.get(strokes) ?? new Map<number, Map<number, number> & { long?: number }>();
  known.set(strokes, all);
  const before = all.get(every);
  if (before) return before;
  const starts: Map<number, number> & { long?: number } = new Map<number, number>();
  for (const { barInRun, dueMs } of strokes) {
    const phrase = Math.floor(Math.max(0, barInRun) / every);
    starts.set(phrase, Math.min(starts.get(phrase) ?? Infinity, dueMs));
  }
  starts.long = (starts.get(1) ?? 0) - (starts.get(0) ?? 0) || undefined;
  all.set(every, starts);
  return starts;
}

/** The places that look farthest off, by what their own strokes say; among all of them. */
function placesOf(
  strokes: readonly MatchedNote[],
  one: (kind: ErrorKind, is: (stroke: MatchedNote) => boolean, more: Partial<FaultModel>) => FaultModel,
): FaultModel[] {
  const places = new Map<string, { limb: Limb; errors: number[] }>();
  for (const { place, limb, error } of strokes) {
    const known_ = places.get(place) ?? { limb, errors: [] };
    known_.errors.push(error);
    places.set(place, known_);
  }
  const enough = [...places].filter(([, { errors }]) => errors.length >= 2);
  // With one place only, it is the limb.
  if (places.size < 2) return [];
  return enough
    .map(([place, { limb, errors }]) => {
      const middle = errors.toSorted((a, b) => a - b)[Math.floor(errors.length / 2)]!;
      return { place, limb, far: Math.abs(middle) * Math.sqrt(errors.length) };
    })
    .sort((a, b) => b.far - a.far)
    .slice(0, PLACES_LOOKED_AT)
    .map(({ place, limb }) => one('place', (stroke) => stroke.place === place, { place, limb, among: enough.length }));
}
