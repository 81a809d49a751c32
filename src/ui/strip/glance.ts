import type { WrittenDrill } from '@/core/documents/writtenDrill';
import { barsOfExercise } from '@/core/form/exercises';
import type { Groove } from '@/core/groove/groove';

/** How many exercises of a drill are shown where it stands among other things. */
const SHOWN = 4;

/** What is shown of a groove where it is one of many: all of it, but of a drill the first exercises, each once. */
export function glanceOf({ groove, drill }: { groove: Groove; drill?: WrittenDrill }): Groove {
  if (!drill) return groove;
  const bars = drill.exercises.slice(0, SHOWN).flatMap((_, exercise) => {
    const { from, bars: long } = barsOfExercise(drill, exercise) ?? { from: 0, bars: 0 };
    return groove.bars.slice(from, from + long);
  });
  return { ...groove, bars: bars.slice(0, 2 * SHOWN) };
}
