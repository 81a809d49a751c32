import { expect, test } from 'vitest';
import { oneLine, together } from '../testing/arbitrary';
import { beatOf, feelOf } from './beat';
import { conflictsIn } from './conflicts';
import type { Groove } from './groove';
import { limbsBySurface, limbsIn, turnFor, usualSurface } from './kit';
import { moveLine } from './lines';
import { done } from '../testing/transforms';
import { readAs } from './recount';
import type { Stroke } from './groove';

const groove = together(oneLine('tttt'), oneLine('A...', 'right foot'));

test('turned round for who sits at it: hands alone, or hands and feet; the crossed kit is as it is', () => {
  const limbs = (of: Groove) => [...new Set(of.bars[0]!.strokes.map(({ limb }) => limb))];
  expect(turnFor(groove, 'crossed')).toBe(groove);
  expect(limbs(turnFor(groove, 'open-handed'))).toEqual(['left hand', 'right foot']);
  expect(limbs(turnFor(groove, 'left-handed'))).toEqual(['left hand', 'left foot']);
  expect(turnFor(groove, 'left-handed')).not.toHaveProperty('technique');
  const pinned: Groove = { ...groove, technique: { 'right foot': { word: 'heel up' } } };
  expect(turnFor(pinned, 'left-handed').technique).toEqual({ 'left foot': { word: 'heel up' } });
  expect(turnFor(pinned, 'open-handed').technique).toEqual(pinned.technique);
});

test('the limbs that play, in the order of the lanes', () => {
  expect(limbsIn(together(oneLine('A...', 'left foot'), oneLine('t...', 'right hand')))).toEqual([
    'right hand',
    'left foot',
  ]);
});

test('who struck a surface: its player, nobody where two play it, the usual one where none does', () => {
  const shared = moveLine(together(groove, oneLine('.t..', 'left hand')), 'left hand', 'closed hat').groove;
  const playerIn = limbsBySurface({ ...shared, bars: [groove.bars[0]!, shared.bars[0]!] });
  expect(playerIn('kick')).toBe('right foot');
  expect(playerIn('closed hat')).toBeUndefined();
  expect(playerIn('snare')).toBe('left hand');
  expect(limbsBySurface(moveLine(groove, 'right hand', 'snare').groove)('snare')).toBe('right hand');
});

test('what a limb plays most, the first of two alike, or its own place where it plays nothing', () => {
  const on = (...surfaces: Stroke['surface'][]): Groove => ({
    ...groove,
    bars: [
      {
        ...groove.bars[0]!,
        strokes: oneLine('tttt').bars[0]!.strokes.map((one, at) => ({ ...one, surface: surfaces[at]! })),
      },
    ],
  });
  expect(usualSurface(on('ride', 'snare', 'snare', 'crash'), 'right hand')).toBe('snare');
  expect(usualSurface(on('ride', 'snare', 'ride', 'snare'), 'right hand')).toBe('ride');
  expect(usualSurface(groove, 'left foot')).toBe('hat pedal');
});

test('the beat is the first count, dotted in pulses; a groove is felt by its swing or its meter', () => {
  const six = oneLine('tttttt', 'right hand', 90, '6/8');
  const pulses = done(readAs(six, 'pulse'));
  expect([groove, six, pulses].map(beatOf)).toEqual([
    { n: 1, d: 4 },
    { n: 1, d: 8 },
    { n: 3, d: 8 },
  ]);
  expect([groove, six, { ...six, bars: [...six.bars, ...groove.bars] }].map(feelOf)).toEqual([
    'straight',
    'compound',
    'straight',
  ]);
  expect(feelOf({ ...six, swing: { value: '16th', ratio: '2' } })).toBe('swung');
});

test('a flam or drag whose grace has no hand, and a pedal that closes a ringing hat, each with its way out', () => {
  const graced = (ornament: Stroke['ornament'], limb: Stroke['limb'] = 'left hand'): Groove => {
    const one = together(oneLine('t...'), oneLine('A.A.', limb));
    const strokes = one.bars[0]!.strokes.map((each) => (each.limb === limb ? { ...each, ornament } : each));
    return { ...one, bars: [groove.bars[0]!, { ...one.bars[0]!, strokes }] };
  };
  for (const ornament of ['flam', 'drag'] as const) {
    const place = { bar: 1, limb: 'left hand', at: { n: 0, d: 1 } };
    expect(conflictsIn(graced(ornament))).toEqual([
      {
        kind: 'conflict',
        severity: 'error',
        place,
        say: `The grace of this ${ornament} is the right hand’s, which strikes the closed hat at the same time.`,
        remedy: `Take the ${ornament} off, or the right hand out.`,
        fix: { words: `Take the ${ornament} off`, take: 'ornament', place },
      },
    ]);
  }
  expect(conflictsIn(graced('double'))).toEqual([]);
  expect(conflictsIn(graced('buzz'))).toEqual([]);
  expect(conflictsIn(graced('flam', 'right foot'))).toEqual([]);

  const hat = together(oneLine('A.t.'), oneLine('..A.', 'left foot'));
  expect(conflictsIn(hat)).toEqual([]);
  expect(conflictsIn(moveLine(hat, 'right hand', 'open hat').groove)).toMatchObject([
    { place: { bar: 0, limb: 'left foot', at: { n: 1, d: 2 } }, fix: { words: 'Take the pedal out', take: 'stroke' } },
  ]);
  const apart = together(oneLine('A...'), oneLine('..A.', 'left foot'));
  expect(conflictsIn(moveLine(apart, 'right hand', 'open hat').groove)).toEqual([]);
});
