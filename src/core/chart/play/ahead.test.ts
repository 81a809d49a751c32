import { describe, expect, test } from 'vitest';
import { ahead, barsPlayed } from './ahead';
import { readChartText } from '../text/chartText';
import { unroll } from './unroll';
import { writeOutChart } from './writeOut';

const formOf = (text: string) => {
  const read = readChartText(text);
  if (!read.ok) throw new Error(read.problems[0].say);
  return read.value;
};
const aheadIn = (text: string) => {
  const bars = unroll(formOf(text));
  if (!bars.ok) throw new Error(bars.problems[0]!.say);
  return bars.value.map((_, at) => ahead(bars.value, at).map(({ inBars, say }) => `${inBars}: ${say}`));
};

describe('what comes next', () => {
  test('is said two bars before and once more, and nothing where all goes on', () => {
    expect(aheadIn('A 4; B 2, half-time shuffle, hits: let of 4')).toEqual([
      [],
      [],
      ['2: B, half-time shuffle, hit on the let of 4'],
      ['1: B, half-time shuffle, hit on the let of 4'],
      ['2: end'],
      ['1: end'],
    ]);
  });
  test('what comes after the next bar is not kept back by what comes in it', () => {
    expect(aheadIn('A 3, f in bar 2; B 1')[0]).toEqual(['1: f']);
    expect(aheadIn('A 3, f in bar 3; B 1')[1]).toEqual(['1: f', '2: B']);
  });
  test('names tempo, meter, rests, loudness, what is held and said', () => {
    const [first] = aheadIn(
      'quarter at 100; A 1; B 2, 6/8, quarter = dotted quarter, rest, p, hits: 1, short 3, long & of 4, hold 6 by 1/2, say look up',
    );
    expect(first![0]).toBe(
      '1: B, 6/8, dotted quarter at 100, rest, p, hits on 1, 3 (short) and the & of 4 (long), hold 6, look up',
    );
  });
  test('of a repeat the time is said', () => {
    expect(aheadIn('A 2, 2 times')).toEqual([['2: A, time 2 of 2'], ['1: A, time 2 of 2'], ['2: end'], ['1: end']]);
  });
});

test('some sections alone are the bars of those', () => {
  const form = formOf('A 2, 2 times; B 3; C 1');
  const chart = writeOutChart(form, 'Song');
  if (!chart.ok) throw new Error('It can be played.');
  expect(barsPlayed(chart.value, [1, 2]).map(({ number, from }) => `${number} ${from}`)).toEqual([
    '3 A.1',
    '4 A.2',
    '5 B.1',
    '6 B.2',
    '7 B.3',
  ]);
});
