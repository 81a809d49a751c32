import type { Groove } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import { slotsOfBar } from '@/core/grid/cells';
import { LIMBS, type Height } from '@/core/groove/limbs';
import { regionBetween, type Region } from '@/core/groove/region';
import { equal, less, ZERO } from '@/core/time/fraction';

/** How many steps can be undone. */
const MOST_STEPS = 200;

export interface BenchState {
  groove: Groove;
  past: Groove[];
  future: Groove[];
  cursor: Place;
  /** Where a selection began; the cursor is its other end. */
  anchor?: Place;
  /** The height a new stroke gets: the one used last. */
  height: Height;
}

export type CursorStep = 'slot' | 'count' | 'bar' | 'limb';

export type BenchAction =
  | {
      type: 'edit';
      groove: Groove;
      cursor?: Place;
      height?: Height;
      /** Part of the step before: a drag that goes on. */ merge?: boolean;
    }
  | { type: 'load'; groove: Groove }
  | { type: 'undo' }
  | { type: 'redo' }
  | { type: 'cursor'; cursor: Place; /** Where the selection began that ends here. */ anchor?: Place }
  | { type: 'move'; way: CursorStep; by: 1 | -1; extend?: boolean }
  | { type: 'selectAll' }
  | { type: 'selectNone' };

export const openedOn = (groove: Groove): BenchState => ({
  groove,
  past: [],
  future: [],
  cursor: { bar: 0, limb: 'right hand', at: ZERO },
  height: 'tap',
});

/** One history for everything that changes the groove. */
export function benchReducer(state: BenchState, action: BenchAction): BenchState {
  switch (action.type) {
    case 'edit': {
      const { groove, cursor = state.cursor, height = state.height, merge } = action;
      const anchor = action.cursor ? undefined : state.anchor;
      if (groove === state.groove) return { ...state, cursor, anchor, height };
      const past = merge ? state.past : [...state.past, state.groove].slice(-MOST_STEPS);
      return onGrid({ groove, past, future: [], cursor, anchor, height });
    }
    case 'load':
      return onGrid({
        ...state,
        groove: action.groove,
        past: [...state.past, state.groove].slice(-MOST_STEPS),
        future: [],
        anchor: undefined,
      });
    case 'undo': {
      const before = state.past.at(-1);
      return before
        ? onGrid({ ...state, groove: before, past: state.past.slice(0, -1), future: [state.groove, ...state.future] })
        : state;
    }
    case 'redo': {
      const [after, ...future] = state.future;
      return after ? onGrid({ ...state, groove: after, past: [...state.past, state.groove], future }) : state;
    }
    case 'cursor':
      return onGrid({ ...state, cursor: action.cursor, anchor: action.anchor });
    case 'move':
      return { ...state, cursor: moved(state, action.way, action.by), anchor: anchorFor(state, action.extend) };
    case 'selectAll': {
      const last = state.groove.bars.length - 1;
      const at = slotsIn(state, last).at(-1)!.at;
      return { ...state, anchor: { bar: 0, limb: LIMBS[0], at: ZERO }, cursor: { bar: last, limb: LIMBS.at(-1)!, at } };
    }
    case 'selectNone':
      return { ...state, anchor: undefined };
  }
}

const anchorFor = ({ anchor, cursor }: BenchState, extend?: boolean): Place | undefined =>
  extend ? (anchor ?? cursor) : undefined;

const slotsIn = ({ groove }: BenchState, bar: number) =>
  slotsOfBar(groove.bars[bar]!.meter, groove.reading, groove.bars[bar]!.cells);

/**
 * After a change of grid the cursor stands on the slot at or before its place; a selection that has lost its slots is
 * over.
 */
function onGrid(state: BenchState): BenchState {
  const bar = Math.min(state.cursor.bar, state.groove.bars.length - 1);
  const at = slotsIn(state, bar).findLast((slot) => !less(state.cursor.at, slot.at))?.at ?? ZERO;
  const { anchor } = state;
  const stands =
    anchor &&
    anchor.bar < state.groove.bars.length &&
    slotsIn(state, anchor.bar).some((slot) => equal(slot.at, anchor.at));
  return { ...state, cursor: { ...state.cursor, bar, at }, anchor: stands ? anchor : undefined };
}

function moved(state: BenchState, way: CursorStep, by: 1 | -1): Place {
  const { cursor, groove } = state;
  if (way === 'limb') return { ...cursor, limb: LIMBS[Math.max(0, Math.min(3, LIMBS.indexOf(cursor.limb) + by))]! };
  const last = groove.bars.length - 1;
  if (way === 'bar') return { ...cursor, bar: Math.max(0, Math.min(last, cursor.bar + by)), at: ZERO };
  const wanted = (bar: number) => slotsIn(state, bar).filter((slot) => way === 'slot' || slot.part === 0);
  const here = wanted(cursor.bar);
  const index =
    by === 1
      ? here.findIndex((slot) => less(cursor.at, slot.at))
      : here.findLastIndex((slot) => less(slot.at, cursor.at));
  if (index >= 0) return { ...cursor, at: here[index]!.at };
  const next = cursor.bar + by;
  if (next < 0 || next > last) return cursor;
  return { ...cursor, bar: next, at: wanted(next).at(by === 1 ? 0 : -1)!.at };
}

/** The stroke under the cursor. */
export const strokeUnder = ({ groove, cursor }: Pick<BenchState, 'groove' | 'cursor'>) =>
  groove.bars[cursor.bar]!.strokes.find((stroke) => stroke.limb === cursor.limb && equal(stroke.at, cursor.at));

/** What is selected; undefined when nothing is. */
export const selectedIn = ({
  groove,
  anchor,
  cursor,
}: Pick<BenchState, 'groove' | 'anchor' | 'cursor'>): Region | undefined =>
  anchor && regionBetween(groove, anchor, cursor);

/** What an edit works on: the selection, or the slot of the cursor. */
export const regionIn = (state: BenchState): Region =>
  selectedIn(state) ?? regionBetween(state.groove, state.cursor, state.cursor);
