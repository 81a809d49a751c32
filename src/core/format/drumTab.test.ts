import fc from 'fast-check';
import { expect, test } from 'vitest';
import { SCHOOLS } from '../count/schools';
import { anyGroove, oneLine, together } from '../testing/arbitrary';
import { setOrnament } from '../groove/edit';
import { drumTabOf } from './drumTab';

const SCHOOL = SCHOOLS[0];

test('a backbeat as plain text, counts above, what is loud in large letters', () => {
  const groove = together(
    oneLine('ttttAttt', 'right hand', 80),
    oneLine('..A...A.', 'left hand'),
    oneLine('A...t...', 'right foot'),
  );
  expect(
    drumTabOf({ ...groove, title: 'Pier' }, SCHOOL)
      .split('\n')
      .slice(0, 7),
  ).toEqual(['Pier', '80 a minute', '', '   1&2&3&4&', 'HH|xxxxXxxx|', 'SN|--O---O-|', 'BD|O---o---|']);
});

test('every stroke has its letter, and every line of a bar as many columns', () => {
  fc.assert(
    fc.property(anyGroove(), (groove) => {
      const tab = drumTabOf(groove, SCHOOL);
      const lines = tab.split('\n').filter((line) => /^..\|/.test(line));
      const letters = lines.map((line) => line.slice(3, -1).replaceAll('-', '')).join('').length;
      // Two limbs on one surface at once are one letter.
      expect(letters).toBeLessThanOrEqual(groove.bars.reduce((sum, { strokes }) => sum + strokes.length, 0));
      const bars = tab.split('\n\n').filter((block) => /^..\|/m.test(block));
      for (const block of bars)
        expect(
          new Set(
            block
              .split('\n')
              .filter((line) => line.includes('|'))
              .map(({ length }) => length),
          ).size,
        ).toBe(1);
      expect(lines.every((line) => /^[A-Z][A-Z0-9]\|[-xXoOgfdDb]+\|$/.test(line))).toBe(true);
    }),
  );
});

test('ornaments are letters of their own', () => {
  const groove = oneLine('t.......', 'left hand', 80);
  const flam = setOrnament(groove, { bar: 0, limb: 'left hand', at: groove.bars[0]!.strokes[0]!.at }, 'flam');
  expect(drumTabOf(flam, SCHOOL)).toContain('SN|f-------|');
});
