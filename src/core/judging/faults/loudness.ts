import type { Height, Limb } from '../../groove/limbs';
import type { Level } from '../../limits';
import { groupBy } from '../../stats/groupBy';
import { meanOf, medianOf, sdOf } from '../../stats/estimates';
import type { StrokesFault } from './strokesFaults';

/** A stroke whose loudness was heard, in decibels under the loudest that the input can tell. */
export interface LoudStroke {
  limb: Limb;
  surface: string;
  height: Height;
  role: 'main' | 'second';
  db: number;
  /** Of the stroke it is the second of, and of that stroke: which two belong together. */
  pair?: string;
}

/** Loudness from 0 to 1 in decibels under the loudest; nothing for silence. */
export const inDb = (loudness: number | undefined): number | undefined =>
  loudness !== undefined && loudness > 0 ? 20 * Math.log10(loudness) : undefined;

/**
 * Accents and the strokes between them are at least this far apart when they are told apart easily (a step of height
 * is about 7 dB).
 */
const APART_DB = 6;
const LEAST_OF_EACH = 4;
/** Loudness of one height varies by this much in anybody's playing. */
const LOUDNESS_DB = 1;

/**
 * How far strokes of one height may differ (standard deviation). A difference of 1 dB can just be heard in a still
 * room; from about 3 dB on a line of equal strokes sounds bumpy, and beginners are allowed more.
 */
export const WANDERS_DB: Record<Level, number> = { 'first year': 5, 'second year': 4, advanced: 3.5, concert: 3 };
const LEAST_TO_WANDER = 8;
/** A slip counts for no more than this. */
const SLIP_DB = 12;
/** A good second stroke of a double is this much softer than the first; from `WEAK_DB` on it is weak. */
const SOFTER_DB = 2;
const WEAK_DB = 4;

/** Everything that is wrong with how loud the strokes were, at most one of each kind a limb. */
export function loudnessFaults(strokes: readonly LoudStroke[], level: Level): StrokesFault[] {
  const limbs = [...groupBy(strokes, ({ limb }) => limb)];
  const main = (all: readonly LoudStroke[]) => all.filter(({ role }) => role === 'main');
  return limbs.flatMap(([limb, all]) =>
    [accentsFlat(main(all)), wanders(main(all), level, limbs.length), secondsWeak(all)].flatMap((one) =>
      one ? [{ ...one, limb }] : [],
    ),
  );
}

/** How far accents are above the rest of their limb. */
export function accentDistance(strokes: readonly LoudStroke[]): { accents: number[]; others: number[] } {
  const of = (isAccent: boolean) =>
    strokes.flatMap(({ height, db }) => ((height === 'accent') === isAccent ? [db] : []));
  return { accents: of(true), others: of(false) };
}

/** Accents that are hardly louder than what is not one. */
function accentsFlat(strokes: readonly LoudStroke[]): StrokesFault | undefined {
  const { accents, others } = accentDistance(strokes);
  if (accents.length < LEAST_OF_EACH || others.length < LEAST_OF_EACH) return undefined;
  const distanceDb = meanOf(accents) - meanOf(others);
  const missing = APART_DB - distanceDb;
  if (missing <= 0) return undefined;
  const unsure = Math.hypot(
    Math.max(LOUDNESS_DB, sdOf(accents)) / Math.sqrt(accents.length),
    Math.max(LOUDNESS_DB, sdOf(others)) / Math.sqrt(others.length),
  );
  return {
    kind: 'accents',
    score: (missing / unsure) ** 2 / 2 - Math.LN2,
    size: missing / (APART_DB / 2),
    numbers: { distanceDb, wantedDb: APART_DB, accents: accents.length },
  };
}

/**
 * Strokes of the same height and surface that differ in loudness by more than passes: how much likelier than that
 * they do not.
 */
function wanders(strokes: readonly LoudStroke[], level: Level, limbs: number): StrokesFault | undefined {
  const apart = apartFromTheirOwn(strokes);
  if (apart.length < LEAST_TO_WANDER) return undefined;
  const spreadDb = Math.sqrt(meanOf(apart.map((one) => Math.min(SLIP_DB, Math.abs(one)) ** 2)));
  const [passesDb, cleanDb] = [WANDERS_DB[level], 0.75 * WANDERS_DB[level]];
  if (spreadDb <= cleanDb) return undefined;
  const times = spreadDb / cleanDb;
  return {
    kind: 'loudness',
    score: apart.length * ((times ** 2 - 1) / 2 - Math.log(times)) - Math.log(limbs),
    size: spreadDb / passesDb,
    numbers: { spreadDb, passesDb, strokes: apart.length },
  };
}

/** How far each stroke is from the middle of those of its height and surface, in decibels. */
function apartFromTheirOwn(strokes: readonly LoudStroke[]): number[] {
  return [...groupBy(strokes, ({ surface, height }) => `${surface} ${height}`).values()].flatMap((all) => {
    const middle = medianOf(all.map(({ db }) => db));
    return all.length < LEAST_OF_EACH ? [] : all.map(({ db }) => db - middle);
  });
}

/** How much louder the second stroke of each double was than its first. */
export function secondsAbove(strokes: readonly LoudStroke[]): number[] {
  const firsts = new Map(strokes.flatMap((one) => (one.role === 'main' && one.pair ? [[one.pair, one.db]] : [])));
  return strokes.flatMap(({ role, pair, db }) => {
    const first = role === 'second' && pair ? firsts.get(pair) : undefined;
    return first === undefined ? [] : [db - first];
  });
}

/** Doubles whose second stroke is weak. */
function secondsWeak(strokes: readonly LoudStroke[]): StrokesFault | undefined {
  const above = secondsAbove(strokes);
  if (above.length < LEAST_OF_EACH) return undefined;
  const weakDb = -meanOf(above);
  if (weakDb <= SOFTER_DB) return undefined;
  const unsure = Math.max(LOUDNESS_DB, sdOf(above)) / Math.sqrt(above.length);
  return {
    kind: 'doubles',
    score: ((weakDb - SOFTER_DB) / unsure) ** 2 / 2 - Math.LN2,
    size: weakDb / WEAK_DB,
    numbers: { weakDb, passesDb: WEAK_DB, strokes: above.length },
  };
}
