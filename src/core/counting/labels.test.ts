import { expect, test } from 'vitest';
import { meterOf, oneLine } from '../testing/arbitrary';
import { labels, labelsOf } from './labels';
import { SCHOOL_NAMES, SCHOOLS, schoolNamed, syllable } from './schools';

const said = (all: readonly { say: string }[]) => all.map(({ say }) => say || '_').join(' ');

test('what is said on every slot: one division for all counts, or one for each', () => {
  expect(said(labels(meterOf('3/4'), 'numbers', 2, SCHOOLS[0]))).toBe('1 & 2 & 3 &');
  expect(said(labels(meterOf('3/4'), 'numbers', [1, 3, 4], SCHOOLS[0]))).toBe('1 2 trip let 3 e & a');
  expect(said(labels(meterOf('6/8'), 'pulse', 3, SCHOOLS[2]))).toBe('1 la li 2 la li');
  expect(said(labels(meterOf('2/4'), 'numbers', 5, SCHOOLS[0]))).toBe('1 _ _ _ _ 2 _ _ _ _');
  const [one, e] = labels(meterOf('1/4'), 'numbers', 4, SCHOOLS[3]);
  expect([one, e]).toEqual([
    { at: { n: 0, d: 1 }, say: '1', count: 1 },
    { at: { n: 1, d: 16 }, say: 'ka' },
  ]);
});

test('a pick-up is counted as the end of its bar, also from between two counts', () => {
  const pickup = (text: string, meter: string, endOf = '4/4') =>
    said(
      labelsOf({ ...oneLine(text, 'right hand', 60, meter).bars[0]!, endOf: meterOf(endOf) }, 'numbers', SCHOOLS[0]),
    );
  expect(pickup('t', '1/4')).toBe('4');
  expect(pickup('tttt', '2/4')).toBe('3 & 4 &');
  expect(pickup('t', '1/8')).toBe('&');
  expect(pickup('ttt', '3/8')).toBe('& 4 &');
  expect(pickup('tttttt', '3/8')).toBe('& a 4 e & a');
  expect(said(labelsOf(oneLine('tttt').bars[0]!, 'numbers', SCHOOLS[0]))).toBe('1 2 3 4');
});

test('schools are known by their names, the first for one that is not; part 0 is never said by a syllable', () => {
  for (const name of SCHOOL_NAMES) expect(schoolNamed(name).name).toBe(name);
  expect(schoolNamed('none')).toBe(SCHOOLS[0]);
  expect([syllable(SCHOOLS[0], 4, 3), syllable(SCHOOLS[0], 8, 1), syllable(SCHOOLS[0], 5, 1)]).toEqual(['a', '', '']);
});
