import type { School } from '../count/schools';
import { MOST_BARS } from '../documents/groove';
import { randomFrom } from '../random';
import { exerciseInWords, type ExerciseBars } from '../form/exercises';
import type { Written } from './written';

/** So many draws of 0 to below `of`, never the same twice running where there is another. The same seed draws the same. */
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

/** How a drill is called: which of its parts, a new one every `pace` bars, how many, in the order of a seed. */
export interface Calling {
  /** Indexes of parts; at least one. */
  range: readonly number[];
  pace: number;
  calls: number;
  seed: number;
}

/** What is said in the bar before a bar of the groove, word by word; nothing where an exercise is not called by its places. */
export interface Call {
  bar: number;
  words: readonly string[];
}

/** A round of calls: the groove that is played and judged, which of its bars belong to which call, and what is said. */
export interface Called extends Written {
  calls: Call[];
}

/** The most calls that fit into one groove at a pace. */
export const mostCalls = (pace: number): number => Math.floor(MOST_BARS / pace) - 1;

/**
 * Calls a drill that was written out to be called: first its ground alone for `pace` bars, then one part after another,
 * each said in the bar before it begins. The same seed gives the same groove, so that what was played can be judged.
 */
export function called({ groove, parts }: Written, { range, pace, calls, seed }: Calling, school: School): Called {
  const drawn = draws(range.length, Math.min(calls, mostCalls(pace)), seed).map((one) => parts[range[one]!]!);
  const through = (bar: number) => Array.from({ length: pace }, () => groove.bars[bar]!);
  return {
    groove: { ...groove, bars: [...through(0), ...drawn.flatMap(({ from }) => through(from))] },
    parts: drawn.map((part, index): ExerciseBars => ({ ...part, from: pace * (index + 1), times: pace })),
    calls: drawn.map((part, index) => ({
      bar: pace * (index + 1),
      words: part.places.length ? exerciseInWords(part, groove, school).split(/[\s,]+/) : [],
    })),
  };
}
