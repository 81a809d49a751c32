import { expect, test } from 'vitest';
import { barsBefore } from '@/core/form/exercises';
import { readChartText } from '@/core/chart/text/chartText';
import { writeOutChart } from '@/core/chart/play/writeOut';
import { sectionsMs } from './piece';

function chartOf(text: string) {
  const read = readChartText(text);
  const written = read.ok ? writeOutChart(read.value, 'Slow water') : read;
  if (!written.ok) throw new Error(text);
  return written.value;
}

test('sections begin where their first bar does, each time through, at any tempo', () => {
  // A bar of 4/4 at 120 lasts two seconds, one of 6/8 with its quarter kept a second and a half.
  const chart = chartOf(
    'quarter at 120\nA 2, sign, to coda\nB 2 6/8, quarter = quarter, D.S. al Coda\ncoda 1 4/4, coda',
  );
  expect(sectionsMs(chart, 120).map(({ ms, endMs }) => [Math.round(ms), Math.round(endMs)])).toEqual([
    [0, 4000],
    [4000, 7000],
    [7000, 11000],
    [11000, 13000],
  ]);
  expect(sectionsMs(chart, 60).map(({ ms }) => Math.round(ms))).toEqual([0, 8000, 14000, 22000]);
  expect([0, 1, 2, 3].map((section) => barsBefore(chart, section))).toEqual([0, 2, 4, 6]);
});

test('what is held counts where it is held', () => {
  const [first, second] = sectionsMs(chartOf('quarter at 60\nA 1, hold 4 by 1/2\nB 1'), 60);
  expect([first!.endMs, second!.endMs]).toEqual([6000, 10000]);
});
