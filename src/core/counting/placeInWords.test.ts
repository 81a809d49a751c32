import { expect, test } from 'vitest';
import type { Bar } from '../groove/groove';
import { meterOf, oneLine } from '../testing/arbitrary';
import { exact } from '../time/fraction';
import { countedInWords, countedPlace, isOnCount, placeInWords } from './placeInWords';
import { SCHOOLS } from './schools';

const said = (bar: Bar, at: string) => countedInWords(countedPlace(bar, 'numbers', exact(at)), SCHOOLS[0]);
const barOf = (text: string, meter = '4/4'): Bar => oneLine(text, 'right hand', 60, meter).bars[0]!;

test('a place as it is counted; a slot without a syllable by its number; with several bars which', () => {
  expect(said(barOf('tttt tttt tttt tttt'), '9/16')).toBe('the e of 3');
  expect(said(barOf('tttt'), '1/4')).toBe('count 2');
  expect(said(barOf('ttttt ..... ..... .....'), '1/10')).toBe('slot 3 of 1');
  const groove = oneLine('t.t.t.t.');
  expect(placeInWords(groove, 0, exact('1/8'), SCHOOLS[0])).toBe('the & of 1');
  const two = { ...groove, bars: [groove.bars[0]!, groove.bars[0]!] };
  expect(placeInWords(two, 1, exact('1/8'), SCHOOLS[0])).toBe('the & of 1 in bar 2');
  expect([isOnCount(groove, 0, exact('1/4')), isOnCount(groove, 0, exact('1/8'))]).toEqual([true, false]);
  expect(() => countedPlace(groove.bars[0]!, 'numbers', exact('1/7'))).toThrow('No slot');
});

test('a place of a pick-up as in the bar it ends, also where it begins between two counts', () => {
  const four = meterOf('4/4');
  const quarter: Bar = { ...barOf('tt', '1/4'), endOf: four };
  expect([said(quarter, '0'), said(quarter, '1/8')]).toEqual(['count 4', 'the & of 4']);
  const two: Bar = { ...barOf('tttttttt', '2/4'), endOf: four };
  expect([said(two, '0'), said(two, '1/4'), said(two, '7/16')]).toEqual(['count 3', 'count 4', 'the a of 4']);
  const eighth: Bar = { ...barOf('t', '1/8'), endOf: four };
  expect(said(eighth, '0')).toBe('the & of 4');
  const fine: Bar = { ...barOf('tttttt', '3/8'), endOf: four };
  expect(['1/16', '3/16', '5/16'].map((at) => said(fine, at))).toEqual(['the a of 3', 'the e of 4', 'the a of 4']);
  const three: Bar = { ...barOf('ttt', '3/8'), endOf: four };
  expect(['0', '1/8', '1/4'].map((at) => said(three, at))).toEqual(['the & of 3', 'count 4', 'the & of 4']);
});
