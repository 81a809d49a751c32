import type { WrittenChart } from '@/core/documents/writtenChart';
import type { WrittenDrill } from '@/core/documents/writtenDrill';
import { barsOfExercise } from '@/core/form/exercises';
import type { Groove } from '@/core/groove/groove';

/** How many exercises of a drill, or bars of a chart, are shown where it stands among other things. */
const SHOWN = 4;

interface Glanced {
  groove: Groove;
  drill?: WrittenDrill;
  chart?: WrittenChart;
}

/**
 * What is shown of a groove where it is one of many: all of it, but of a drill the first exercises, of a chart the
 * first bars with strokes.
 */
export function glanceOf({ groove, drill, chart }: Glanced): Groove {
  if (chart) {
    const struck = groove.bars.filter(({ strokes }) => strokes.length);
    return { ...groove, bars: (struck.length ? struck : groove.bars).slice(0, SHOWN) };
  }
  if (!drill) return groove;
  const bars = drill.exercises.slice(0, SHOWN).flatMap((_, exercise) => {
    const { from, bars: long } = barsOfExercise(drill, exercise) ?? { from: 0, bars: 0 };
    return groove.bars.slice(from, from + long);
  });
  return { ...groove, bars: bars.slice(0, 2 * SHOWN) };
}
