import { describe, expect, test } from 'vitest';
import { placeStroke, setDivision, type Place } from '@/core/groove/edit';
import { oneLine } from '@/core/testing/arbitrary';
import { exact, format } from '@/core/time/fraction';
import {
  benchReducer,
  openedOn,
  regionIn,
  selectedIn,
  strokeUnder,
  type BenchAction,
  type BenchState,
} from './history';

const empty = oneLine('.... .... .... ....');
const after = (state: BenchState, ...actions: BenchAction[]) => actions.reduce(benchReducer, state);
const at = (place: string): Place => ({ bar: 0, limb: 'right hand', at: exact(place) });
const move = (way: 'slot' | 'count' | 'bar' | 'limb', by: 1 | -1): BenchAction => ({ type: 'move', way, by });
const where = ({ cursor }: BenchState) => `${cursor.bar} ${cursor.limb} ${format(cursor.at)}`;

describe('undo and redo', () => {
  test('give the very documents back, through 200 steps and no further', () => {
    let state = openedOn(empty);
    const seen = [state.groove];
    for (let step = 0; step < 230; step++) {
      const slot = `${step % 16}/16`;
      state = after(state, {
        type: 'edit',
        groove: placeStroke(state.groove, at(slot), { height: (['ghost', 'tap', 'accent'] as const)[step % 3] }),
      });
      seen.push(state.groove);
    }
    for (let step = 1; step <= 200; step++) {
      state = after(state, { type: 'undo' });
      expect(state.groove).toBe(seen.at(-1 - step));
    }
    expect(after(state, { type: 'undo' })).toBe(state);
    for (let step = 0; step < 200; step++) state = after(state, { type: 'redo' });
    expect(state.groove).toBe(seen.at(-1));
    expect(after(state, { type: 'redo' })).toBe(state);
  });

  test('an edit after an undo drops what could be redone; an edit that changes nothing is no step', () => {
    const placed = after(openedOn(empty), { type: 'edit', groove: placeStroke(empty, at('0')) });
    const other = after(placed, { type: 'undo' }, { type: 'edit', groove: placeStroke(empty, at('1/4')) });
    expect(other.future).toEqual([]);
    expect(after(other, { type: 'edit', groove: other.groove }).past).toHaveLength(1);
  });

  test('a drag through three heights is one step', () => {
    const first = placeStroke(empty, at('0'), { height: 'ghost' });
    const state = after(
      openedOn(empty),
      { type: 'edit', groove: first },
      { type: 'edit', groove: placeStroke(first, at('0'), { height: 'tap' }), merge: true, height: 'tap' },
      { type: 'edit', groove: placeStroke(first, at('0'), { height: 'accent' }), merge: true, height: 'accent' },
    );
    expect(state).toMatchObject({ past: [empty], height: 'accent' });
    expect(strokeUnder(state)?.height).toBe('accent');
  });
});

describe('the cursor', () => {
  const two = { ...empty, bars: [empty.bars[0]!, empty.bars[0]!] };

  test('moves by slot, count, bar and limb, over the bar line and not past the ends', () => {
    const start = openedOn(two);
    expect(where(after(start, move('slot', 1)))).toBe('0 right hand 1/16');
    expect(where(after(start, move('slot', 1), move('count', 1)))).toBe('0 right hand 1/4');
    expect(where(after(start, move('slot', -1)))).toBe('0 right hand 0');
    expect(where(after(start, move('bar', 1), move('slot', -1)))).toBe('0 right hand 15/16');
    expect(where(after(start, move('bar', 1), move('count', -1)))).toBe('0 right hand 3/4');
    expect(where(after(start, move('bar', 1), move('bar', 1)))).toBe('1 right hand 0');
    expect(where(after(start, move('limb', 1), move('limb', 1), move('limb', 1), move('limb', 1)))).toBe(
      '0 left foot 0',
    );
  });

  test('stands on a slot after the grid has changed under it', () => {
    const state = after(openedOn(empty), { type: 'cursor', cursor: at('3/16') });
    const coarser = after(state, { type: 'edit', groove: setDivision(empty, 0, 1, 2).groove });
    expect(where(coarser)).toBe('0 right hand 1/8');
    const shorter = after(openedOn(two), move('bar', 1), { type: 'edit', groove: empty });
    expect(where(shorter)).toBe('0 right hand 0');
  });
});

describe('a selection', () => {
  const two = { ...empty, bars: [empty.bars[0]!, empty.bars[0]!] };
  const extend = (way: 'slot' | 'count' | 'bar' | 'limb', by: 1 | -1): BenchAction => ({
    type: 'move',
    way,
    by,
    extend: true,
  });
  const selected = (state: BenchState) => {
    const region = selectedIn(state);
    return region && `${format(region.from)}–${format(region.to)} ${region.limbs.length}`;
  };

  test('grows from where it began, in both ways, over limbs and the bar line', () => {
    const start = after(openedOn(two), move('count', 1));
    expect(selected(start)).toBeUndefined();
    expect(selected(after(start, extend('slot', 1)))).toBe('1/4–3/8 1');
    expect(selected(after(start, extend('slot', -1), extend('slot', -1), extend('limb', 1)))).toBe('1/8–5/16 2');
    expect(selected(after(start, extend('bar', 1)))).toBe('1/4–17/16 1');
    expect(selected(after(start, { type: 'selectAll' }))).toBe('0–2 4');
  });

  test('ends with a plain move, with a stroke placed by a pointer, and when its slots are gone', () => {
    const some = after(openedOn(two), move('slot', 1), extend('count', 1));
    expect(selected(some)).toBe('1/16–5/16 1');
    expect(selected(after(some, move('slot', 1)))).toBeUndefined();
    expect(selected(after(some, { type: 'selectNone' }))).toBeUndefined();
    expect(selected(after(some, { type: 'edit', groove: placeStroke(two, at('0')), cursor: at('0') }))).toBeUndefined();
    expect(selected(after(some, { type: 'edit', groove: setDivision(two, 0, 1, 1).groove }))).toBeUndefined();
    expect(selected(after(some, { type: 'edit', groove: placeStroke(two, at('0')) }))).toBe('1/16–5/16 1');
  });

  test('without one, an edit works on the slot of the cursor', () => {
    expect(format(regionIn(after(openedOn(two), move('count', 1))).to)).toBe('5/16');
  });
});
