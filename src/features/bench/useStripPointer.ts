'use client';

import { useCallback, useRef, type Dispatch, type PointerEvent } from 'react';
import type { School } from '@/core/counting/schools';
import { placeStroke, removeStroke, type Place } from '@/core/groove/edit';
import { HEIGHTS, type Limb } from '@/core/groove/limbs';
import { equal } from '@/core/time/fraction';
import { barsDrawn } from '@/ui/strip/drawn';
import { strokeUnder, type BenchAction, type BenchState } from './history';

/** How far a drag goes for one height, in pixels. */
const DRAG_STEP = 18;

const same = (a: Place, b: Place) => a.bar === b.bar && a.limb === b.limb && equal(a.at, b.at);

/**
 * A pointer on the strip: a press places a stroke of the height used last, a drag up or down is its height,
 * a second press on it takes it out. With Shift, or while selecting, a press is the other end of a selection.
 */
export function useStripPointer(
  state: BenchState,
  dispatch: Dispatch<BenchAction>,
  school: School,
  selecting: boolean,
) {
  const drag = useRef<{ place: Place; y: number; from: number; moved: boolean; wasThere: boolean }>(undefined);
  const { groove, cursor, height, anchor } = state;
  return useCallback(
    (kind: 'down' | 'move' | 'up', at: { bar: number; limb: Limb; percent: number }, event: PointerEvent) => {
      if (kind === 'down') {
        const bar = barsDrawn(groove, school, undefined, undefined)[at.bar]!;
        const slot = bar.slots.reduce((near, one) =>
          Math.abs(one.percent - at.percent) < Math.abs(near.percent - at.percent) ? one : near,
        );
        const place: Place = { bar: at.bar, limb: at.limb, at: slot.at };
        if (event.shiftKey || selecting) {
          // The first touch while selecting is the beginning.
          return dispatch({ type: 'cursor', cursor: place, anchor: anchor ?? (selecting ? place : cursor) });
        }
        const there = strokeUnder({ groove, cursor: place });
        const from = HEIGHTS.indexOf(there?.height ?? height);
        drag.current = { place, y: event.clientY, from, moved: false, wasThere: Boolean(there) && same(place, cursor) };
        event.currentTarget.setPointerCapture(event.pointerId);
        if (there) dispatch({ type: 'cursor', cursor: place });
        else dispatch({ type: 'edit', groove: placeStroke(groove, place, { height }), cursor: place });
      } else if (drag.current && kind === 'move') {
        const { place, y, from } = drag.current;
        const wanted = HEIGHTS[Math.max(0, Math.min(2, from + Math.round((y - event.clientY) / DRAG_STEP)))]!;
        if (strokeUnder({ groove, cursor: place })?.height === wanted) return;
        dispatch({
          type: 'edit',
          groove: placeStroke(groove, place, { height: wanted }),
          cursor: place,
          height: wanted,
          merge: drag.current.moved,
        });
        drag.current.moved = true;
      } else if (drag.current && kind === 'up') {
        // A drag leaves the stroke where it is.
        if (drag.current.wasThere && !drag.current.moved)
          dispatch({ type: 'edit', groove: removeStroke(groove, drag.current.place), cursor: drag.current.place });
        drag.current = undefined;
      }
    },
    [groove, school, height, cursor, anchor, selecting, dispatch],
  );
}
