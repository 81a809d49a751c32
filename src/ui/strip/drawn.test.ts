import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '@/core/counting/schools';
import { placeStroke } from '@/core/groove/edit';
import type { Groove } from '@/core/groove/groove';
import { oneLine, together } from '@/core/testing/arbitrary';
import { exact } from '@/core/time/fraction';
import { barsInWords, barsDrawn } from './drawn';

const bar = together(oneLine('t.t.t.t.'), oneLine('..A.....', 'left hand')).bars[0]!;
const groove: Groove = { ...oneLine('tttt'), bars: [bar, { ...bar }, { ...bar }] };
const edited = placeStroke(groove, { bar: 1, limb: 'right foot', at: exact('1/8') });

describe('what did not change is not drawn anew', () => {
  test('bars beside the edited one are the same objects', () => {
    const before = barsDrawn(groove, SCHOOLS[0], undefined, undefined);
    const after = barsDrawn(edited, SCHOOLS[0], undefined, undefined);
    expect([0, 1, 2].map((index) => before[index] === after[index])).toEqual([true, false, true]);
    expect(barsDrawn(edited, SCHOOLS[0], undefined, undefined)[1]).toBe(after[1]);
  });

  test('another school, tempo, swing or lean draws all of them anew', () => {
    const swung: Groove = { ...groove, swing: { value: '8th', ratio: '2' } };
    const leaning: Groove = { ...groove, lean: { 'right hand': 20 } };
    expect(barsDrawn(groove, SCHOOLS[1], undefined, undefined)[0]!.slots[1]!.say).toBe('&');
    expect(barsDrawn(groove, SCHOOLS[2], undefined, undefined)[0]!.slots[1]!.say).toBe('te');
    expect(barsDrawn(swung, SCHOOLS[0], undefined, undefined)[0]!.slots[1]!.percent).toBeCloseTo(100 / 6);
    expect(barsDrawn(swung, SCHOOLS[0], undefined, 'straight')[0]!.slots[1]!.percent).toBe(12.5);
    // 20 of the 4000 milliseconds of a bar at 60.
    expect(barsDrawn(leaning, SCHOOLS[0], undefined, undefined)[0]!.lean).toEqual({ 'right hand': 0.5 });
    expect(barsDrawn(leaning, SCHOOLS[0], 120, undefined)[0]!.lean).toEqual({ 'right hand': 1 });
  });
});

test('what a screen reader hears names the place, the height and the surface, and the bar where there are several', () => {
  const words = barsInWords(edited, SCHOOLS[0]);
  expect(words[1]!.get('right foot')).toBe('the & of 1 in bar 2 tap on kick');
  expect(words[0]!.get('left hand')).toBe('count 2 in bar 1 accent on snare');
  const [alone] = barsInWords({ ...groove, bars: [groove.bars[2]!] }, SCHOOLS[0]);
  expect(alone!.get('left hand')).toBe('count 2 accent on snare');
});
