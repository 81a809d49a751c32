import { describe, expect, test } from 'vitest';
import type { ChartForm } from '../../documents/chart';
import { cases } from '../../testing/vectors';
import { readChartText } from '../text/chartText';
import { engraved, type EngravedBar } from './engraved';
import { unroll } from './unroll';
import { writtenOf } from './written';

const engravedOf = (text: string): EngravedBar[] => {
  const read = readChartText(text);
  if (!read.ok) throw new Error(read.problems[0].say);
  const bars = engraved(read.value);
  if (!bars.ok) throw new Error(bars.problems[0]!.say);
  return bars.value;
};

describe('a chart as it is engraved', () => {
  test('rests stand together as one bar, hits and other marks part them', () => {
    const bars = engravedOf('intro 8 rest; A 4; B 4, rest, hits: 4 in bar 2');
    expect(bars.map(({ section, number, bars: many, isRest }) => [section, number, many, isRest])).toEqual([
      ['intro', 1, 8, true],
      ['A', 1, 1, false],
      ['A', 2, 1, false],
      ['A', 3, 1, false],
      ['A', 4, 1, false],
      ['B', 1, 1, true],
      ['B', 2, 1, true],
      ['B', 3, 2, true],
    ]);
    expect(bars.map(({ heading }) => heading).filter(Boolean)).toEqual(['intro', 'A', 'B']);
    expect(bars.at(-1)!.isLast).toBe(true);
  });

  test('a repeat has its beginning, its end and how often; endings have their brackets', () => {
    const bars = engravedOf('A 2, 3 times, ending 1-2: 2, ending 3: 1; B 2, 4 times');
    expect(
      bars.map(({ isRepeatBegun, times, ending }) => [isRepeatBegun, times, ending?.label, ending?.isLast]),
    ).toEqual([
      [true, 1, undefined, undefined],
      [false, 1, undefined, undefined],
      [false, 1, '1–2.', false],
      [false, 3, '1–2.', true],
      [false, 1, '3.', true],
      [true, 1, undefined, undefined],
      [false, 4, undefined, undefined],
    ]);
  });

  test('sections within one another are headed together and end together', () => {
    const bars = engravedOf('verse (A 1, 2 times; B 1), 2 times');
    expect(bars.map(({ heading, isRepeatBegun, times }) => [heading, isRepeatBegun, times])).toEqual([
      ['verse · A', true, 2],
      ['B', false, 2],
    ]);
  });

  test('a swell goes the way from what is played to what is said', () => {
    const bars = engravedOf('A 4, p, swell to f over 2 in bar 2, swell to mp in bar 4');
    expect(bars.map(({ swell }) => swell?.isLouder)).toEqual([undefined, true, undefined, false]);
  });

  test('what is repeated and what is free is said once', () => {
    const bars = engravedOf('A 6, hits: 2, same 2 in bar 3, solo 2 in bar 5, hits: 4 in bar 2');
    expect(bars.map(({ same, free, isFreeSaid }) => [same?.isFirst, free, isFreeSaid])).toEqual([
      [undefined, undefined, false],
      [undefined, undefined, false],
      [true, undefined, false],
      [false, undefined, false],
      [undefined, 'solo', true],
      [undefined, 'solo', false],
    ]);
  });

  test('the meter is shown where it changes, tempo and feel at the beginning', () => {
    const bars = engravedOf('shuffle at 90; A 2; B 2 3/4; C 1 4/4');
    expect(bars.map(({ isMeterShown }) => isMeterShown)).toEqual([true, false, true, false, true]);
    expect(bars[0]).toMatchObject({ feel: 'shuffle', tempo: { beat: 'quarter', bpm: '90' } });
    expect(bars[1]!.feel).toBeUndefined();
  });

  test.each(cases<{ id: string; form: ChartForm; problem?: string }>('charts'))(
    '$id: every bar that is written is engraved once, or is told what is wrong',
    ({ form, problem }) => {
      const bars = engraved(form);
      expect(bars.ok).toBe(!problem);
      const written = writtenOf(form);
      const played = unroll(form);
      if (!bars.ok || 'problem' in written || !played.ok) return;
      expect(bars.value.reduce((all, one) => all + one.bars, 0)).toBe(written.bars.length);
      for (const one of played.value) expect(written.bars[one.written]!.name).toBe(one.from);
    },
  );
});
