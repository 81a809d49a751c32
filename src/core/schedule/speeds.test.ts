import { describe, expect, test } from 'vitest';
import { setOrnament } from '../groove/edit';
import { oneLine, together } from '../testing/arbitrary';
import type { Limb } from '../groove/limbs';
import { exact } from '../time/fraction';
import { check, speeds } from './speeds';

const at = (place: string) => ({ bar: 0, limb: 'right hand' as const, at: exact(place) });
/** Quarters, so that a tempo is 60 times the strokes a second. */
const feet = oneLine('t.t.t.t.', 'right foot');

describe('strokes a second', () => {
  test('by limb, over the bar line too', () => {
    const hat = oneLine('tttttttt');
    expect(speeds(hat, 60)).toEqual([{ limb: 'right hand', perSecond: 2, feel: 'comfortable' }]);
    expect(speeds(oneLine('t......t', 'right foot'), 60)[0]).toMatchObject({ perSecond: 2 });
  });

  test('from the shortest gap there is, of each limb by itself', () => {
    const both = together(oneLine('t.tttt..'), oneLine('t...t...', 'right foot'));
    expect(speeds(both, 60)).toEqual([
      { limb: 'right hand', perSecond: 2, feel: 'comfortable' },
      { limb: 'right foot', perSecond: 0.5, feel: 'comfortable' },
    ]);
    // A single stroke comes once a bar: four seconds at 60.
    expect(speeds(oneLine('..t.....'), 60)).toEqual([{ limb: 'right hand', perSecond: 0.25, feel: 'comfortable' }]);
  });

  test('a double of a hand is one motion, as an ornament and written out; three in a row are three, and feet have none', () => {
    const most = (line: string, limb: Limb = 'right hand') => speeds(oneLine(line, limb), 60)[0]!.perSecond;
    expect(speeds(setOrnament(oneLine('tttttttt'), at('1/8'), 'double'), 60)[0]).toMatchObject({ perSecond: 2 });
    expect(most('tt..tt..')).toBeCloseTo(0.5);
    expect(most('t.tt.t..')).toBeCloseTo(1);
    expect(most('ttt.....')).toBe(2);
    expect(most('tt.tt.tt')).toBeCloseTo(2);
    expect(most('tt..tt..', 'right foot')).toBe(2);
  });

  test('a grace is no stroke of its hand', () => {
    const flam = setOrnament(oneLine('t...t...'), at('0'), 'flam');
    expect(speeds(flam, 60)).toEqual([{ limb: 'right hand', perSecond: 0.5, feel: 'comfortable' }]);
  });

  test('how it feels, each bound still on the easier side', () => {
    const limits = { hand: [1, 2, 3], foot: [1, 2, 4] } as const;
    const feels = [60, 60.6, 120, 120.6, 240, 240.6].map((bpm) => speeds(feet, bpm, limits)[0]!.feel);
    expect(feels).toEqual(['comfortable', 'fast', 'fast', 'at the limit', 'at the limit', 'beyond']);
  });
});

describe('the check', () => {
  test('names the limb that is beyond, where it begins, and the tempo at which it can be played', () => {
    const groove = together(oneLine('t...t...'), oneLine('.ttttttt', 'right foot'));
    const later = { ...groove, bars: [oneLine('t...').bars[0]!, ...groove.bars] };
    expect(check(later, 300)).toEqual([
      {
        kind: 'speed',
        severity: 'warning',
        place: { bar: 1, limb: 'right foot', at: exact('1/8') },
        say: 'The right foot plays 10.0 strokes a second at 300: beyond nearly everybody.',
        remedy: 'At 240 or below it can be played; or share the line with another limb.',
        fix: { words: 'Set the tempo to 240', take: 'tempo', bpm: 240 },
      },
    ]);
    expect(check(later, 240)).toEqual([]);
  });

  test('offers no tempo below the slowest', () => {
    const slow = (most: number) => check(feet, 60, { hand: [1, 2, 3], foot: [most / 4, most / 2, most] })[0];
    // A stroke a second at 60; 20 beats a minute are a third of one.
    expect(slow(1 / 3)).toMatchObject({ fix: { bpm: 20 } });
    expect(slow(0.33)).toBeDefined();
    expect(slow(0.33)).not.toHaveProperty('fix');
  });
});
