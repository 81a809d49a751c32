import type { ExerciseBars } from '@/core/form/exercises';
import type { Groove } from '@/core/groove/groove';

/** How many exercises of a drill are shown where it stands among other things. */
const SHOWN = 4;

/** What is shown of a groove where it is one of many: all of it, but of a drill the first exercises, each once. */
export function glanceOf({ groove, drill }: { groove: Groove; drill?: { parts: readonly ExerciseBars[] } }): Groove {
  if (!drill) return groove;
  return {
    ...groove,
    bars: drill.parts
      .slice(0, SHOWN)
      .flatMap(({ from, bars }) => groove.bars.slice(from, from + bars))
      .slice(0, 2 * SHOWN),
  };
}
