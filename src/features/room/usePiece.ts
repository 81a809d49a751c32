import { useMemo } from 'react';
import { onlyExercises } from '@/core/form/exercises';
import type { Passage } from '@/core/form/form';
import type { Groove } from '@/core/groove/groove';
import type { Piece } from './piece';
import { useRoom } from './RoomContext';
import type { RoomSettings, WayName } from './settings';

/**
 * What is played of the room's groove: of a drill the exercises that are chosen, of a chart its sections, one after
 * another.
 */
export function usePiece(): Piece {
  const { groove, drill, chart, sight, school, assignment, state } = useRoom();
  const { lean, range, bars, way } = state.settings;
  return useMemo((): Piece => {
    const base = { groove: leaned(groove, lean), school, goal: assignment?.tempo };
    if (chart) {
      // What is read is read whole.
      const chosen = sight ? chart.exercises.map((_, index) => index) : range;
      const { passages } = onlyExercises(chart, chosen);
      return { ...base, passages, exercises: chart.exercises, chart: { whole: chart, chosen } };
    }
    if (!drill) return bars && goesRound(way) ? { ...base, passages: [passageOf(bars)] } : base;
    const { passages } = onlyExercises(drill, range);
    return { ...base, passages, exercises: drill.exercises };
  }, [groove, drill, chart, sight, school, assignment, lean, range, bars, way]);
}

/** Ways that can go round some bars of a groove; the others have their own way through it. */
export const goesRound = (way: WayName): boolean => way === 'through' || way === 'ladder' || way === 'build-up';

const passageOf = ({ first, last }: NonNullable<RoomSettings['bars']>): Passage => ({
  from: first,
  bars: last - first + 1,
  times: 1,
});

/** The groove with its limbs where they are set to lean. */
function leaned(groove: Groove, lean: RoomSettings['lean']): Groove {
  const { lean: _, ...upright } = groove;
  const leaning = Object.fromEntries(Object.entries(lean).filter(([, ms]) => ms !== 0));
  return Object.keys(leaning).length ? { ...upright, lean: leaning } : upright;
}
