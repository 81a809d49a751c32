import { placeInWords } from '../counting/placeInWords';
import type { School } from '../counting/schools';
import type { Groove } from '../groove/groove';
import { MOST_BARS } from '../limits';
import { exact, type WholeNotes } from '../time/fraction';
import type { Passage } from './form';

/** What an exercise of a drill is said by. */
export interface ExerciseName {
  /** The family's own word for it; empty where it is said by its places. */
  say: string;
  /** Places from the start of its first bar, as fractions: "3/16"; of a chart's section its hits. */
  places: string[];
  /** Of a chart: the section that is played. */
  section?: string;
}

/** A drill as it is played: the bars of every exercise once, and the passages that go through them. */
export interface Exercises {
  groove: Groove;
  passages: Passage[];
  exercises: ExerciseName[];
}

/** "the e of 1, the a of 2": places of one bar of a groove, without saying which bar. */
export const placesInWords = (groove: Groove, bar: number, places: readonly WholeNotes[], school: School): string =>
  places.map((at) => placeInWords({ ...groove, bars: [groove.bars[bar]!] }, 0, at, school)).join(', ');

/** How many bars are played before an exercise, by its index as they are played one after another. */
export function barsBefore({ passages }: Pick<Exercises, 'passages'>, exercise: number): number {
  const first = passages.findIndex((one) => one.exercise === exercise);
  return passages.slice(0, Math.max(0, first)).reduce((sum, { bars, times }) => sum + bars * times, 0);
}

/**
 * The groove of a drill, once through, as one would write it by hand: every bar as often as it is played, up to the
 * most a groove holds.
 */
export function playedThrough({ groove, passages }: Pick<Exercises, 'groove' | 'passages'>): Groove {
  const bars = passages.flatMap(({ from, bars: long, times }) =>
    Array.from({ length: times }, () => groove.bars.slice(from, from + long)).flat(),
  );
  return { ...groove, bars: bars.slice(0, MOST_BARS) };
}

/** The bars an exercise is written in: where it is first played. */
export const barsOfExercise = (
  { passages }: Pick<Exercises, 'passages'>,
  exercise: number,
): { from: number; bars: number } | undefined => passages.find((one) => one.exercise === exercise);

/** What an exercise is called in somebody's school: "the e of 1". */
export function exerciseInWords(drill: Exercises, exercise: number, school: School): string {
  const { say, places } = drill.exercises[exercise]!;
  const { from } = barsOfExercise(drill, exercise) ?? { from: 0 };
  return say || placesInWords(drill.groove, from, places.map(exact), school);
}

/** The exercise a bar of the groove is written for, and its number within it; undefined for a bar of rest. */
export function exerciseOfBar(
  passages: readonly Passage[],
  bar: number,
): { exercise: number; bar: number } | undefined {
  const found = passages.find(({ exercise, from, bars }) => exercise !== undefined && bar >= from && bar < from + bars);
  return found && { exercise: found.exercise!, bar: bar - found.from };
}

/** A drill going through some of its exercises only, in the order of the drill, each with the rest that follows it. */
export function onlyExercises<T extends Pick<Exercises, 'passages'>>(drill: T, wanted: readonly number[]): T {
  let kept = false;
  const passages = drill.passages.filter(({ exercise }) => {
    if (exercise !== undefined) kept = wanted.includes(exercise);
    return kept;
  });
  return { ...drill, passages };
}
