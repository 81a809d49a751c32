import { expect, test } from 'vitest';
import { barTyped, withBarTyped } from './atBar';
import { chartInWords } from './chartInWords';
import { readChartText } from './chartText';

const form = (() => {
  const read = readChartText(
    'A 4, 2 times, p, hits: 1 in bar 3, first ending 1, second ending 2; verse (B 2; C 2, f in bar 2)',
  );
  if (!read.ok) throw new Error(read.problems[0].say);
  return read.value;
})();

test('what stands over a bar is said as it is typed, in endings and inner sections too', () => {
  expect(Array.from({ length: 12 }, (_, bar) => barTyped(form, bar))).toEqual([
    'p',
    '',
    'hits: 1',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    'f',
    '',
  ]);
});

test('a bar is set anew by what is typed, and cleared by nothing', () => {
  const set = withBarTyped(form, 6, 'hits: short 1, & of 2, mf, D.S. al Coda, rest');
  expect(set.ok && barTyped(set.value, 6)).toBe('rest 1, hits: short 1, & of 2, mf, D.S. al Coda');
  expect(barTyped(form, 6)).toBe('');
  const cleared = withBarTyped(form, 2, '  ');
  expect(cleared.ok && chartInWords(cleared.value)).toBe(chartInWords(form).replace(', hits: 1 in bar 3', ''));
});

test('what is no matter of one bar is told, and so is what is not understood', () => {
  for (const typed of ['3 times', 'B 8', 'ending 1: 2', 'blue', '; B 4']) {
    const answer = withBarTyped(form, 0, typed);
    expect(answer.ok, typed).toBe(false);
  }
  expect(withBarTyped(form, 99, 'p').ok).toBe(false);
});
