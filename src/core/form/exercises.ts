import { z } from 'zod';
import { placeInWords } from '../count/placeInWords';
import type { School } from '../count/schools';
import { MOST_BARS, type Groove } from '../documents/groove';
import { exact, parse, type WholeNotes } from '../time/fraction';

/** One exercise within a groove that plays a whole drill: its bars from `from` on, once through, and how often they come. */
export const exerciseBarsShape = z.strictObject({
  /** The family's own word for it; empty where it is said by its places. */
  say: z.string().max(200),
  /** Places from the start of its first bar, as fractions: "3/16". */
  places: z.array(z.string().refine((text) => text.length <= 20 && parse(text) !== undefined)).max(256),
  from: z.number().int().min(0).max(MOST_BARS),
  bars: z.number().int().min(1).max(MOST_BARS),
  times: z.number().int().min(1).max(MOST_BARS),
});
export type ExerciseBars = z.infer<typeof exerciseBarsShape>;
export const exercisesShape = z.array(exerciseBarsShape).min(1).max(MOST_BARS);

/** "the e of 1, the a of 2": places of one bar of a groove, without saying which bar. */
export const placesInWords = (groove: Groove, bar: number, places: readonly WholeNotes[], school: School): string =>
  places.map((at) => placeInWords({ ...groove, bars: [groove.bars[bar]!] }, 0, at, school)).join(', ');

/** What a part is called in somebody's school: "the e of 1". */
export const exerciseInWords = ({ say, places, from }: ExerciseBars, groove: Groove, school: School): string =>
  say || placesInWords(groove, from, places.map(exact), school);

/** Whether two parts are the same exercise, called or played at two times. */
export const isSameExercise = (
  one: Pick<ExerciseBars, 'say' | 'places'>,
  other: Pick<ExerciseBars, 'say' | 'places'>,
): boolean => one.say === other.say && one.places.join() === other.places.join();

/** The part a bar belongs to, and which of its bars it is; undefined in the rest between two of them. */
export function exerciseAt(parts: readonly ExerciseBars[], bar: number): { index: number; bar: number } | undefined {
  const index = parts.findIndex(({ from, bars, times }) => bar >= from && bar < from + bars * times);
  return index < 0 ? undefined : { index, bar: (bar - parts[index]!.from) % parts[index]!.bars };
}

/** Only these parts of a drill, in the order of the drill, each with the rest that follows it. */
export function onlyExercises<T extends { groove: Groove; parts: readonly ExerciseBars[] }>(
  { groove, parts }: T,
  wanted: readonly number[],
): { groove: Groove; parts: ExerciseBars[] } {
  const bars: Groove['bars'] = [];
  const kept = parts.flatMap((part, index): ExerciseBars[] => {
    if (!wanted.includes(index)) return [];
    const from = bars.length;
    bars.push(...groove.bars.slice(part.from, parts[index + 1]?.from));
    return [{ ...part, from }];
  });
  return { groove: { ...groove, bars }, parts: kept };
}
