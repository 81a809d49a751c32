import { describe, expect, test } from 'vitest';
import { writeGroove } from '../documents/groove';
import { barsFrom, spanOnsets as laidOut, strokesOf, type RateSpan } from '../groove/place';
import { STARTERS } from '../testing/starters';
import { meterOf, oneLine } from '../testing/arbitrary';
import { exact, format, less, toNumber } from '../time/fraction';
import { cases } from '../testing/vectors';
import { makeDrill } from './drill';
import { familyNamed } from './registry';
import { readyRule, usualRule } from './rule';
import { made, rule, says, struck } from '../testing/drills';

describe('counted on paper', () => {
  test('placement: 16 places in 4/4 16ths, each said', () => {
    const drill = made('placement');
    expect(drill.total).toBe(16);
    expect(drill.exercises.map(({ say }) => say).slice(0, 5)).toEqual([
      'count 1',
      'the e of 1',
      'the & of 1',
      'the a of 1',
      'count 2',
    ]);
    for (const { groove } of drill.exercises)
      expect([struck(groove, 'right foot').length, struck(groove, 'right hand').length]).toEqual([1, 8]);
  });

  test('between: 8 places free under hat 8ths: 1, 4, 4, 8, 28, 255; the backbeat is kept', () => {
    const of = (where: string, ostinato = 'hat 8ths') => made('between', { where }, { ostinato }).total;
    expect(['all of them', 'single places', 'pairs of places', 'every combination'].map((where) => of(where))).toEqual([
      1, 8, 28, 255,
    ]);
    const odd = made('between', { where: 'only in odd counts' }).exercises[0]!;
    expect(struck(odd.groove, 'right foot').map(({ at }) => format(at))).toEqual(['1/16', '3/16', '9/16', '11/16']);
    expect(struck(odd.groove, 'left hand')).toMatchObject([
      { height: 'accent', at: { n: 1, d: 4 } },
      { height: 'accent', at: { n: 3, d: 4 } },
    ]);
  });

  test('pairs: one for each slot; accents on the backbeat, ghosts elsewhere', () => {
    const drill = made('pairs');
    expect(drill.total).toBe(16);
    const heights = (index: number, all = drill) =>
      struck(all.exercises[index]!.groove, 'left hand').map(({ at, height }) => `${format(at)} ${height}`);
    const kept = ['1/4 accent', '3/4 accent'];
    expect(heights(3)).toEqual(['3/16 ghost', ...kept]);
    expect(heights(0)).toEqual(['0 ghost', '1/16 ghost', ...kept]);
    expect(heights(15)).toEqual(['0 ghost', ...kept, '15/16 ghost']);
    expect(heights(3, made('pairs', { backbeat: false }))).toEqual(['3/16 ghost', '1/4 ghost']);
    const both = made('pairs', { halves: 'both halves' });
    expect([both.total, heights(3, both)]).toEqual([8, ['3/16 ghost', '1/4 accent', '11/16 ghost', '3/4 accent']]);
    expect(makeDrill(rule('pairs', { halves: 'both halves' }, { meter: '3/4' }))).toMatchObject({
      ok: false,
      problems: [{ path: ['params', 'halves'] }],
    });
  });

  test('accents: k in n are n over k; walking as many as strokes; the line never breaks', () => {
    expect(made('accents', { accents: 2, among: 4 }).total).toBe(6);
    expect(made('accents', { accents: 3, among: 8 }).total).toBe(56);
    expect(made('accents', { among: 5, walking: true }).total).toBe(5);
    const [first] = made('accents', { accents: 1, among: 3 }).exercises;
    expect(first!.groove.bars).toHaveLength(3);
    expect(strokesOf(first!.groove)).toHaveLength(48);
    expect(says('accents', { accents: 2, among: 4 })).toEqual(
      ['1 2', '1 3', '1 4', '2 3', '2 4', '3 4'].map((places) => `2 in 4: ${places}`),
    );
  });

  test('rates: up, down, up and down, to and fro; only what fills the bars', () => {
    expect(says('rates', { from: 'quarter', to: '8th triplet', way: 'up' })).toEqual([
      'quarters',
      'quarter triplets',
      '8ths',
      '8th triplets',
    ]);
    expect(made('rates', { from: 'quarter', to: '16th', way: 'up and down' }).total).toBe(9);
    expect(says('rates', { from: '8th', to: '8th triplet', way: 'to and fro' })).toEqual(['8ths', '8th triplets']);
    expect(
      makeDrill(rule('rates', { from: 'half', to: 'quarter', way: 'up', bars: 1 }, { meter: '3/4' })),
    ).toMatchObject({ ok: false });
  });

  test('rolls: twice the strokes in the same time', () => {
    for (const { groove, say } of made('rolls', {}, { parts: 4 }).exercises) {
      const beats = Number(say[0]);
      const all = strokesOf(groove);
      const before = (n: number) => all.filter(({ at }) => less(at, { n, d: 4 })).length;
      expect([before(beats), before(2 * beats) - before(beats)]).toEqual([4 * beats, 8 * beats]);
      // And again, until they end with a bar.
      expect(all).toHaveLength(24 * groove.bars.length);
    }
  });

  test('the others keep where a limb is free, and only there', () => {
    const limbs = (family: string, ostinato: string, params = {}) =>
      new Set(
        strokesOf(made(family, params, { ostinato }).exercises[0]!.groove).map(
          ({ limb, surface }) => `${limb} ${surface}`,
        ),
      );
    const feet = 'kick on 1 and 3, hat foot on 2 and 4';
    for (const family of ['rates', 'sticking', 'rolls', 'accents', 'flams and drags']) {
      expect(limbs(family, feet)).toEqual(
        new Set(['right hand snare', 'left hand snare', 'right foot kick', 'left foot hat pedal']),
      );
      expect(limbs(family, 'hat 8ths')).toEqual(new Set(['right hand snare', 'left hand snare']));
    }
    // The graces of a drag are the right hand's.
    expect(limbs('flams and drags', 'hat 8ths', { what: ['a drag for each ghost'] })).toEqual(
      new Set(['left hand snare']),
    );
  });

  test('overlay: 3, 5 and 7 over 16 slots meet again after 3, 5 and 7 bars', () => {
    expect(made('overlay').exercises.map(({ groove }) => groove.bars.length)).toEqual([3, 5, 7]);
    expect(made('overlay', { lengths: [3] }, { meter: '3/4' }).exercises[0]!.groove.bars).toHaveLength(1);
  });

  test('walks come as the rule goes, combinations from easy to hard', () => {
    const order = (family: string, params = {}) => usualRule(familyNamed(family)!, { params }).order;
    expect([order('between'), order('between', { where: 'every combination' })]).toEqual([
      'as generated',
      'easy to hard',
    ]);
    expect(order('compound', { what: 'every kick on the hats' })).toBe('easy to hard');
    expect([order('rates'), order('displacement'), order('accents'), order('sticking')]).toEqual([
      'as generated',
      'as generated',
      'easy to hard',
      'easy to hard',
    ]);
  });

  test('displacement: home after as many moves as slots', () => {
    expect(made('displacement').total).toBe(16);
    expect(made('displacement', { by: 'half a beat' }).total).toBe(8);
    expect(made('displacement', { by: 'half a beat' }).exercises.map(({ say }) => say)).toEqual([
      'home',
      'half a count later',
      '1 count later',
      '1 1/2 counts later',
      '2 counts later',
      '2 1/2 counts later',
      '3 counts later',
      '3 1/2 counts later',
    ]);
  });

  test.each(cases<{ meter: string; bars: number; onsets: string[]; shift: string; moved: string[] }>('displacements'))(
    'displacement: the exact places of the vectors, by $shift',
    ({ meter, bars, onsets, shift, moved }) => {
      // The grid that the shift is a number of slots of.
      const parts = exact(shift).d % 3 === 0 ? 3 : 4;
      const strokes = onsets.map((at) => ({
        limb: 'left hand' as const,
        surface: 'snare' as const,
        at: exact(at),
        height: 'tap' as const,
      }));
      const laid = barsFrom(
        strokes,
        Array.from({ length: bars }, () => ({ meter: meterOf(meter) })),
        'numbers',
      )!;
      const drill = made(
        'displacement',
        { figure: writeGroove({ ...oneLine('tttt'), bars: laid }) },
        { ostinato: '', meter, parts },
      );
      const moves = toNumber(exact(shift)) * 4 * parts;
      expect(strokesOf(drill.exercises[moves]!.groove).map(({ at }) => format(at))).toEqual(moved);
    },
  );

  test('re-rate: the order of strokes stays, the phrase says where it ends', () => {
    const figure = writeGroove(oneLine('t.t.ttt.'));
    const drill = made('re-rate', { figure, values: ['quarter', '16th'], mixed: false });
    expect(drill.exercises.map(({ say }) => say)).toEqual([
      '5 quarters, ends 3 counts before the bar line',
      '5 16ths, ends 2 3/4 counts before the bar line',
    ]);
    expect(drill.exercises.map(({ groove }) => groove.bars.length)).toEqual([2, 1]);
    // Of the six halves only those whose switch leaves every note on a grid.
    expect(made('re-rate', { figure }).total).toBe(3 + 4);
  });

  test.each(cases<{ plan: RateSpan[]; onsets: string[]; endsAt: string; barsOf44ToFill: number }>('rerates'))(
    're-rate: the exact places of the vectors, %#',
    ({ plan, onsets, barsOf44ToFill }) => {
      const { value } = plan[0]!;
      const notes = plan.length === 1 ? plan[0]!.notes : 0;
      // Only plans of one value are what this family writes; the others are held by the transform it uses.
      if (!notes) return expect(laidOut(plan).onsets.map(format)).toEqual(onsets);
      const bars = Math.ceil(notes / 8);
      const figure = writeGroove({
        ...oneLine('t'.repeat(8)),
        bars: Array.from(
          { length: bars },
          (_, bar) => oneLine('tttttttt'.slice(0, Math.min(8, notes - 8 * bar)).padEnd(8, '.')).bars[0]!,
        ),
      });
      const [only] = made('re-rate', { figure, values: [value], mixed: false }).exercises;
      expect(strokesOf(only!.groove).map(({ at }) => format(at))).toEqual(onsets);
      expect(only!.groove.bars).toHaveLength(barsOf44ToFill);
    },
  );

  test('the others: triplets against straight, flams from both hands, stickings home on 1, 12/8, odd meters', () => {
    expect(says('straight to triplet')).toEqual([
      'shuffle, first two beats',
      'full triplets, first two beats',
      'shuffle, all',
      'full triplets, all',
    ]);
    const full = made('straight to triplet').exercises[3]!.groove;
    expect([full.bars[0]!.strokes.length, full.bars[1]!.strokes.length]).toEqual([8, 12]);
    const flams = made('flams and drags');
    expect(flams.total).toBe(2 + 1 + 14);
    expect(strokesOf(flams.exercises[1]!.groove).map(({ limb }) => limb[0])).toEqual(['r', 'l', 'r', 'l', 'r', 'l']);
    expect(made('sticking').exercises.map(({ groove }) => groove.bars.length)).toEqual([1, 1, 1, 3, 1, 3, 1, 1, 1, 3]);
    // Counted, not made.
    expect(readyRule(rule('compound', { what: 'every kick on the hats' }))).toMatchObject({
      ok: true,
      value: { total: 4095 },
    });
    expect(made('odd meters').exercises.map(({ say }) => say)).toContain('15/16 as 4+4+4+3');
    expect(says('build-up', { figure: writeGroove(STARTERS[0]!) })).toEqual([
      'right foot',
      'right foot, left hand',
      'right foot, left hand, right hand',
    ]);
    expect(made('build-up', { figure: writeGroove(STARTERS[0]!), way: 'pairs, then all' }).total).toBe(4);
  });
});
