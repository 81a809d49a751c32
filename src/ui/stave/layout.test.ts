import { describe, expect, test } from 'vitest';
import { SURFACES } from '@/core/groove/limbs';
import { writeSwingOut } from '@/core/groove/feel';
import { oneLine, together } from '@/core/testing/arbitrary';
import { exact } from '@/core/time/fraction';
import type { Groove } from '@/core/groove/groove';
import { showsMeter, staveRows, stickingOf, strokeInLine, strokeOfLine } from './layout';
import { STAVE_PLACE } from './surfaces';

const groove = together(oneLine('tttttttt'), oneLine('..A...A.', 'left hand'));
const bars = (count: number, one: Groove = groove): Groove => ({
  ...one,
  bars: Array.from({ length: count }, () => one.bars[0]!),
});

describe('lines of the stave', () => {
  test('at most four bars to a line, fewer where they are full or the window is narrow', () => {
    expect(staveRows(bars(9), 1200).map((row) => row.length)).toEqual([4, 4, 1]);
    expect(staveRows(bars(2), 1200)).toEqual([[0, 1]]);
    expect(staveRows(bars(4), 400).map((row) => row.length)).toEqual([1, 1, 1, 1]);
    expect(staveRows(bars(4, oneLine('tttttttt tttttttt tttttttt tttttttt')), 1200)).toHaveLength(4);
  });

  test('the meter stands at the first bar and where it changes', () => {
    const other = { ...groove.bars[0]!, meter: { beats: 3, unit: 4 as const } };
    const mixed = { ...groove, bars: [groove.bars[0]!, groove.bars[0]!, other] };
    expect([0, 1, 2].map((bar) => showsMeter(mixed, bar))).toEqual([true, false, true]);
  });
});

test('a stroke is the same one by its order, written or played', () => {
  const swung: Groove = { ...groove, swing: { value: '8th', ratio: '2' } };
  const out = writeSwingOut(swung);
  if (!out.ok) throw new Error('cannot be written out');
  const fourth = strokeInLine(swung, { bar: 0, limb: 'right hand', at: exact('3/8') })!;
  expect(fourth).toEqual({ bar: 0, limb: 'right hand', index: 3 });
  expect(strokeOfLine(out.value.groove, fourth)?.at).toEqual(exact('5/12'));
  expect(strokeInLine(swung, { bar: 0, limb: 'left hand', at: exact('0') })).toBeUndefined();
});

test('R and L under the hands, nothing under the feet', () => {
  const strokes = together(groove, oneLine('A...A...', 'right foot')).bars[0]!.strokes;
  expect(stickingOf(strokes)).toBe('RL');
  expect(stickingOf(strokes.filter(({ limb }) => limb === 'right foot'))).toBe('');
});

test('every surface has a place of its own on the stave, but for the pad, which is the snare’s', () => {
  const places = SURFACES.filter((surface) => surface !== 'pad' && surface !== 'open hat').map(
    (surface) => STAVE_PLACE[surface],
  );
  expect(new Set(places).size).toBe(places.length);
});
