import type { School } from '../counting/schools';
import { barsOfExercise, exerciseInWords, type Exercises } from '../form/exercises';
import type { Passage } from '../form/form';
import { MOST_PLAYED_BARS } from '../limits';
import { randomFrom } from '../random';

/**
 * So many draws of 0 to below `of`, never the same twice running where there is another. The same seed draws the
 * same.
 */
export function draws(of: number, many: number, seed: number): number[] {
  const random = randomFrom(seed);
  const drawn: number[] = [];
  for (let last = -1; drawn.length < many;) {
    const others = last < 0 || of === 1 ? of : of - 1;
    const one = Math.floor(random() * others);
    last = others < of && one >= last ? one + 1 : one;
    drawn.push(last);
  }
  return drawn;
}

/** How a drill is called: which of its exercises, a new one every `pace` bars, how many, in the order of a seed. */
export interface Calling {
  /** Indexes of exercises; at least one. */
  range: readonly number[];
  pace: number;
  calls: number;
  seed: number;
}

/** The most calls there are bars for at a pace. */
export const mostCalls = (pace: number): number => Math.floor(MOST_PLAYED_BARS / pace) - 1;

/**
 * Calls a drill that was written out to be called: first its ground alone for `pace` bars, then one exercise after
 * another, each said in the bar before it begins; nothing is said of one that has no places. The same seed gives the
 * same passages, so that what was played can be judged.
 */
export function called<T extends Exercises>(drill: T, { range, pace, calls, seed }: Calling, school: School): T {
  const drawn = draws(range.length, Math.min(calls, mostCalls(pace)), seed).map((one) => range[one]!);
  const passages = drawn.map((exercise): Passage => {
    const { from } = barsOfExercise(drill, exercise)!;
    const words = drill.exercises[exercise]!.places.length
      ? exerciseInWords(drill, exercise, school).split(/[\s,]+/)
      : undefined;
    return { from, bars: 1, times: pace, exercise, ...(words && { call: words }) };
  });
  return { ...drill, passages: [{ from: 0, bars: 1, times: pace }, ...passages] };
}
