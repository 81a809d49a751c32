import { expect, test } from 'vitest';
import type { ChartForm } from '../documents/chart';
import { barsInWords } from './barsInWords';
import { readChartText } from '../chart/text/chartText';
import { unroll, type PlayedBar } from '../chart/play/unroll';

const played = (text: string): PlayedBar[] => {
  const read = readChartText(text);
  if (!read.ok) throw new Error(read.problems[0].say);
  const bars = unroll(read.value);
  if (!bars.ok) throw new Error(bars.problems[0]!.say);
  return bars.value;
};

test('stretches of bars, where they come from, what changes and what is caught', () => {
  const text = `swing at 140
intro 4, rest, p
A 6, 2 times, sign, to coda, hits: let of 4 in bar 6, first ending 2, second ending 2, hits: 1, let of 2 in bar 2
B 4 6/8, quarter = dotted 8th, straight, D.S. al Coda
coda 2, coda, 4/4, swell to ff over 2, say hold on, hold 4 by 1/2 in bar 2`;
  expect(barsInWords(played(text)).split('\n')).toEqual([
    '1–4      intro; 4/4; swing 8ths; p; quarter 140 a minute; rest',
    '5–9      A, time 1 of 2',
    '10       A, time 1 of 2; hits: let of 4',
    '11–12    A, time 1 of 2',
    '13–17    A, time 2 of 2',
    '18       A, time 2 of 2; hits: let of 4',
    '19       A, time 2 of 2',
    '20       A, time 2 of 2; hits: 1, let of 2',
    '21–24    B; 6/8; straight; dotted quarter 70 a minute',
    '25–29    A, time 2 of 2; 4/4; swing 8ths; quarter 140 a minute',
    '30       A, time 2 of 2; hits: let of 4',
    '31       coda; louder to ff over 2 bars; “hold on”',
    '32       coda; held 2 counts longer',
    '32 bars, 0:56',
  ]);
});

test('a swell is louder or softer by what was loud before it, also on the way through it again', () => {
  const text = `A 2, 2 times, swell to f over 1, swell to mp in bar 2; 6/8, B 1, pp, swell to p, hold 6 by 1/8`;
  expect(barsInWords(played(`quarter at 90, ${text}`)).split('\n')).toEqual([
    '1        A, time 1 of 2; 4/4; straight; louder to f over 1 bar; quarter 90 a minute',
    '2        A, time 1 of 2; softer to mp over 1 bar',
    '3        A, time 2 of 2; louder to f over 1 bar',
    '4        A, time 2 of 2; softer to mp over 1 bar',
    '5        B; 6/8; pp; louder to p over 1 bar; held 1 count longer; dotted quarter 60 a minute',
    '5 bars, 0:13',
  ]);
});

test('hits of a pick-up go by its own counts, or by those of the bar it ends', () => {
  const at = (hits: string, meter = '1/4') =>
    played(`pick-up; up 1 ${meter}, hits: ${hits}; A 2 4/4`)[0]!.hits.map(({ written: { n, d } }) => `${n}/${d}`);
  expect([at('1'), at('4'), at('& of 4')]).toEqual([['0/1'], ['0/1'], ['1/8']]);
  expect([at('1, 2', '2/4'), at('3, & of 4', '2/4')]).toEqual([
    ['0/1', '1/4'],
    ['0/1', '3/8'],
  ]);
  const wrong = (text: string) => unroll((readChartText(text) as { value: ChartForm }).value).ok;
  // Only in the pick-up, and only counts that lie in it.
  expect(wrong('pick-up; up 1 1/4, hits: 3; A 2 4/4')).toBe(false);
  expect(wrong('up 1 1/4, hits: 4; A 2 4/4')).toBe(false);
  expect(wrong('pick-up; up 1 1/4; A 2 4/4; B 1 3/4, hits: 4; C 1 4/4')).toBe(false);
});
