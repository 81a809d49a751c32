import { describe, expect, test } from 'vitest';
import { mirrorHands } from '@/core/groove/lines';
import { oneLine, together } from '@/core/testing/arbitrary';
import { exact } from '@/core/time/fraction';
import type { Groove } from '@/core/groove/groove';
import {
  barRegion,
  compared,
  fromPlace,
  limbByLimb,
  segmentAt,
  selectionLoop,
  straightThenSwung,
  type Loop,
} from './loop';

const bar = together(
  oneLine('tttttttt', 'right hand', 120),
  oneLine('..A...A.', 'left hand'),
  oneLine('A...A...', 'right foot'),
);
const groove: Groove = { ...bar, bars: [bar.bars[0]!, bar.bars[0]!], swing: { value: '8th', ratio: '2' } };
const straight: Groove = { ...groove, swing: undefined };
/** When a limb strikes within the first so many milliseconds, rounded. */
const struck = ({ sounds }: Loop, limb: string, within = 4000) =>
  sounds
    .filter(({ ms, sound }) => sound.kind === 'stroke' && sound.limb === limb && ms < within)
    .map(({ ms }) => Math.round(ms));

describe('hearing', () => {
  test('from the start goes round for about two minutes', () => {
    const all = fromPlace(straight);
    expect(all.endMs).toBe(120_000);
    expect(struck(all, 'right foot')).toEqual([0, 1000, 2000, 3000]);
    expect(struck(all, 'right foot', 6000)).toHaveLength(6);
  });

  test('from a place begins there, and the playhead with it', () => {
    const here = fromPlace(straight, { bar: 1, limb: 'left hand', at: exact('1/4') });
    expect(struck(here, 'left hand', 3000)).toEqual([0, 1000, 2000]);
    expect(segmentAt(here, 0)).toMatchObject({ fraction: 0.25, segment: { bar: 1 } });
    expect(segmentAt(here, 1500)).toMatchObject({ fraction: 0, segment: { bar: 0 } });
  });

  test('a selection loops alone: its limbs, its stretch', () => {
    const loop = selectionLoop(straight, { from: exact('1/4'), to: exact('1/2'), limbs: ['right hand', 'left hand'] });
    expect(struck(loop, 'right hand', 1500)).toEqual([0, 250, 500, 750, 1000, 1250]);
    expect(struck(loop, 'right foot', 1500)).toEqual([]);
    expect(segmentAt(loop, 750)).toMatchObject({ fraction: 0.375, segment: { bar: 0 } });
    const end = selectionLoop(straight, { from: exact('7/4'), to: exact('2'), limbs: ['left hand'] });
    expect(struck(end, 'left hand', 1000)).toEqual([0, 500]);
  });

  test('a bar loops with all its limbs', () => {
    const loop = selectionLoop(straight, barRegion(straight, 1));
    expect(struck(loop, 'right foot', 4000)).toHaveLength(2 * struck(fromPlace(straight), 'right foot', 2000).length);
    expect(segmentAt(loop, 500)).toMatchObject({ segment: { bar: 1 } });
  });

  test('straight, then swung; one limb after another; one groove, then the other', () => {
    const both = straightThenSwung(groove);
    expect(struck(both, 'right hand', 8000).slice(0, 2)).toEqual([0, 250]);
    expect(
      struck(both, 'right hand', 16_000)
        .filter((ms) => ms >= 8000)
        .slice(0, 2),
    ).toEqual([8000, 8333]);
    const limbs = limbByLimb(straight);
    expect(limbs.sides.map((side) => side.limbs?.length)).toEqual([1, 2, 3]);
    expect(struck(limbs, 'right foot', 12_000)[0]).toBe(8000);
    const other = compared(straight, mirrorHands(straight).groove);
    expect(struck(other, 'left hand', 16_000).filter((ms) => ms >= 8000 && ms < 9000)).toHaveLength(4);
    expect(segmentAt(other, 8500)?.segment.side).toBe(1);
  });

  test('the playhead is found from where it was, and is nowhere after the end', () => {
    const all = fromPlace(straight);
    const first = segmentAt(all, 2100)!;
    expect(segmentAt(all, 6500, first.index)).toMatchObject({ index: 3, fraction: 0.25 });
    expect(segmentAt(all, all.endMs)).toBeUndefined();
  });
});
