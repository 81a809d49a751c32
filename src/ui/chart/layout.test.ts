import { expect, test } from 'vitest';
import { readChartText } from '@/core/chart/text/chartText';
import { engraved } from '@/core/chart/play/engraved';
import { barsToALine, chartLines } from './layout';

function barsOf(text: string) {
  const read = readChartText(text);
  const bars = read.ok ? engraved(read.value) : undefined;
  if (!bars?.ok) throw new Error('It can be engraved.');
  return bars.value;
}

test('a line holds so many bars, and a section begins one', () => {
  const lines = chartLines(barsOf('intro 4, rest; A 6; B 4'), 4);
  expect(lines.map(({ bars }) => bars.map(({ section, number }) => `${section}.${number}`))).toEqual([
    ['intro.1'],
    ['A.1', 'A.2', 'A.3', 'A.4'],
    ['A.5', 'A.6'],
    ['B.1', 'B.2', 'B.3', 'B.4'],
  ]);
});

test('a line is as high as what stands in it needs', () => {
  const [words, hits, plain, under] = chartLines(barsOf('A 4, hits: 1 in bar 2, p in bar 4'), 1);
  expect(words!.staveAt).toBeGreaterThan(plain!.staveAt);
  expect(hits!.staveAt).toBeGreaterThan(plain!.staveAt);
  expect(under!.height).toBeGreaterThan(plain!.height);
  const [rest] = chartLines(barsOf('A 4, rest'), 4);
  expect(rest!.staveAt).toBeGreaterThan(words!.staveAt);
});

test('on a narrow screen fewer bars stand in a line', () => {
  expect(barsToALine(8, 1100)).toBe(8);
  expect(barsToALine(4, 350)).toBe(3);
  expect(barsToALine(4, 0)).toBe(1);
});
