import type { ExerciseName } from '../form/exercises';
import type { Passage } from '../form/form';

/** How an exercise was kept once: its bars stood copied one after another, as often as it was played. */
export interface CopiedExercise extends ExerciseName {
  from: number;
  bars: number;
  times: number;
}

/**
 * Bars that were copied as often as they are played, each kept once, and the passages that play them in the same
 * order. The bars may be of any shape: they are told apart by what they hold.
 */
export function compacted(
  copied: readonly unknown[],
  parts: readonly CopiedExercise[],
): { bars: unknown[]; passages: Passage[]; exercises: ExerciseName[] } {
  const bars: unknown[] = [];
  const passages: Passage[] = [];
  const exercises: ExerciseName[] = [];
  const known = new Map<string, number>();

  const play = (stretch: readonly unknown[], exercise?: number) => {
    const key = JSON.stringify(stretch);
    const from = known.get(key) ?? bars.length;
    if (!known.has(key)) {
      known.set(key, from);
      bars.push(...stretch);
    }
    const last = passages.at(-1);
    if (last && last.from === from && last.bars === stretch.length && last.exercise === exercise) last.times++;
    else passages.push({ from, bars: stretch.length, times: 1, ...(exercise !== undefined && { exercise }) });
  };
  const exerciseOf = ({ say, places }: CopiedExercise): number => {
    const found = exercises.findIndex((one) => one.say === say && one.places.join() === places.join());
    return found >= 0 ? found : exercises.push({ say, places }) - 1;
  };

  let next = 0;
  for (const part of parts) {
    for (; next < part.from; next++) play([copied[next]]);
    const exercise = exerciseOf(part);
    for (let time = 0; time < part.times; time++, next += part.bars)
      play(copied.slice(next, next + part.bars), exercise);
  }
  for (; next < copied.length; next++) play([copied[next]]);
  return { bars, passages, exercises };
}
