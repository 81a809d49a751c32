import { describe, expect, test } from 'vitest';
import { slotsOfBar } from '../grid/cells';
import { countsOf } from '../grid/meter';
import type { Groove } from '../groove/groove';
import { strokesOf } from '../groove/place';
import { meterOf, oneLine, together } from '../testing/arbitrary';
import { difficultyOf, distance } from './difficulty';
import type { Figure, DrillGrid } from './family';

/** A ground of 16ths in 4/4 under hat 8ths. */
const hats = oneLine('t.t.t.t.t.t.t.t.');
const { meter, cells } = hats.bars[0]!;
const ground: DrillGrid = {
  meter,
  reading: 'numbers',
  parts: 4,
  slots: slotsOfBar(meter, 'numbers', cells).map(({ at }) => at),
  counts: countsOf(meter),
  ostinato: strokesOf(hats),
};
const figure = (groove: Groove, more: Partial<Figure> = {}): Figure => ({
  say: '',
  bars: groove.bars.length,
  strokes: strokesOf(groove),
  ...more,
});
const kick = (text: string) => oneLine(text, 'right foot');
const reasons = (of: Figure) => difficultyOf(of, ground).reasons.map(({ say, points }) => `${points}: ${say}`);

describe('what makes an exercise harder', () => {
  test('strokes between those of the ostinato, and between the counts where it is whole by itself', () => {
    const one = kick('t.t..t..........');
    expect(reasons(figure(one))).toEqual(['1: 1 stroke between those of the ostinato']);
    expect(reasons(figure(one, { alone: true }))).toEqual(['2: 2 strokes between the counts']);
    // Struck together they are one moment.
    const both = together(kick('.....t..........'), oneLine('.....t..........', 'left hand'));
    expect(reasons(figure(both))).toEqual(['1: 1 stroke between those of the ostinato', '1: 2 limbs']);
  });

  test('accents off the counts, whatever the ostinato has there', () => {
    expect(reasons(figure(kick('A.A.A...........')))).toEqual(['1: 1 accent off the counts']);
    expect(reasons(figure(kick('..A...A.........')))).toEqual(['2: 2 accents off the counts']);
    expect(reasons(figure(kick('..t...t.........')))).toEqual([]);
  });

  test('strokes of one limb on neighbouring slots, two for each after the first; the longest run of all', () => {
    expect(reasons(figure(kick('ttt.tt..........')))).toEqual([
      '2: 2 strokes between those of the ostinato',
      '4: 3 in a row on the right foot',
    ]);
    const apart = together(kick('t.t.t.t.........'), oneLine('....tt..........', 'left hand'));
    expect(reasons(figure(apart))).toContain('2: 2 in a row on the left hand');
    // Whichever way its strokes are given.
    const given = figure(kick('ttt.............'));
    expect(reasons({ ...given, strokes: given.strokes.toReversed() })).toContain('4: 3 in a row on the right foot');
  });

  test('graces and doubles, limbs, bars', () => {
    const graced = (many: number): Figure => ({
      ...figure(kick('t...t...t.......')),
      strokes: figure(kick('t...t...t.......')).strokes.map((one, at) =>
        at < many ? { ...one, ornament: 'flam' } : one,
      ),
    });
    expect(reasons(graced(1))).toEqual(['1: 1 grace or double']);
    expect(reasons(graced(2))).toEqual(['2: 2 graces or doubles']);
    const three = together(
      kick('t...............'),
      oneLine('t...............'),
      oneLine('t...............', 'left hand'),
    );
    expect(reasons(figure(three))).toEqual(['2: 3 limbs']);
    expect(reasons(figure(kick('t...............'), { bars: 3 }))).toEqual(['2: 3 bars long']);
    expect(difficultyOf(figure(kick('t...............')), ground)).toEqual({ score: 0, reasons: [] });
  });

  test('all of it added up; strokes of later bars are looked for where they lie in theirs', () => {
    const { score } = difficultyOf(figure(kick('tttA............'), { bars: 2 }), ground);
    // Two between, one accent off the counts, four in a row, two bars.
    expect(score).toBe(2 + 1 + 6 + 1);
    const bar = kick('t..t............').bars[0]!;
    const later: Groove = { ...kick('t...'), bars: [{ ...bar, strokes: [] }, bar] };
    expect(reasons(figure(later))).toEqual(['1: 1 stroke between those of the ostinato', '1: 2 bars long']);
  });

  test('in a meter of its own it is held against the counts of that', () => {
    const seven = oneLine('ttttttt', 'right foot', 60, '7/8');
    expect(reasons(figure(seven, { meter: meterOf('7/8'), alone: true }))).toEqual([]);
    expect(reasons(figure(seven, { alone: true }))).toEqual(['3: 3 strokes between the counts']);
  });
});

test('how many strokes of two exercises are not the same, by everything that can be heard of them', () => {
  const [one, other] = [figure(kick('t...t...')), figure(kick('t.....t.'))];
  expect([distance(one, one), distance(one, other), distance(other, one)]).toEqual([0, 2, 2]);
  expect(distance(one, figure(kick('t...t.t.')))).toBe(1);
  expect(distance(one, figure(kick('A...t...')))).toBe(2);
  expect(distance(one, figure(oneLine('t...t...')))).toBe(4);
  const changed = (change: object) => ({ strokes: one.strokes.map((stroke) => ({ ...stroke, ...change })) });
  expect(distance(one, changed({ surface: 'snare' }))).toBe(4);
  expect(distance(one, changed({ ornament: 'double' }))).toBe(4);
});
