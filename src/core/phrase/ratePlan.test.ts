import { expect, test } from 'vitest';
import { ratePlanInWords, readRatePlan } from './ratePlan';
import { endMoved } from '../counting/endMoved';
import { SCHOOLS } from '../counting/schools';
import { oneLine } from '../testing/arbitrary';

const read = (text: string, moments = 14) => {
  const plan = readRatePlan(text, moments);
  return plan.ok ? ratePlanInWords(plan.value) : plan.problems[0]!.code;
};

test.each([
  ['8th triplets', '14 8th triplets'],
  ['all in quarter triplets', '14 quarter triplets'],
  ['3 quarter triplets, 4 8ths, 3 8th triplets, 4 8ths', '3 quarter triplets, 4 8ths, 3 8th triplets, 4 8ths'],
  ['three quarter triplets then the rest in sixteenths', '3 quarter triplets, 11 16ths'],
  ['6 8th triplets and 2 8ths', '6 8th triplets, 2 8ths, 6 8th triplets'],
  ['1 half, 13 8ths', '1 half, 13 8ths'],
  ['15 8ths', 'notes-differ'],
  ['14 8ths, the rest in 16ths', 'notes-differ'],
  ['8ths, 16ths', 'not-understood'],
  ['3', 'not-understood'],
  ['3 4 8ths', 'not-understood'],
  ['3 oars', 'not-understood'],
  ['0 8ths, 14 16ths', 'none'],
  ['', 'no-value'],
])('%s', (text, said) => expect(read(text)).toBe(said));

test('where it ends, in counts, when that moved', () => {
  const ends = (before: string, after: string) => endMoved(oneLine(before), oneLine(after), SCHOOLS[0]);
  expect(ends('t..t....', 't....t..')).toBe('It now ends on the & of 3, 1 count later.');
  expect(ends('t..t....', 'tt......')).toBe('It now ends on the & of 1, 1 count earlier.');
  expect(ends('t..t....', '.t.t....')).toBe('');
  expect(ends('t..t....', '........')).toBe('');
  expect(endMoved(oneLine('t..t'), oneLine('t...t', 'right hand', 60, '5/4'), SCHOOLS[0])).toBe('');
});
