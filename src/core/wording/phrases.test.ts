import { expect, test } from 'vitest';
import { SCHOOLS } from '../counting/schools';
import type { Practice } from '../documents/verdict';
import { lowerBound } from '../stats/lowerBound';
import { groupBy } from '../stats/groupBy';
import { countsInWords, judgedPlaceInWords, opening, stepInWords } from './phrases';

test('counts, in halves and tenths', () => {
  expect([0.5, -0.45, 0.57, 0.59, 1, 1.04, 2, 0.31, 0].map(countsInWords)).toEqual([
    'half a count',
    'half a count',
    'half a count',
    '0.6 counts',
    '1 count',
    '1 count',
    '2 counts',
    '0.3 counts',
    '0 counts',
  ]);
});

test('a place, in its section, its exercise, its bar, or alone', () => {
  const place = { limb: 'left hand' as const, count: 3, part: 1, parts: 4, counts: 1, bar: 1, bars: 2 };
  const words = (more: object) => judgedPlaceInWords({ ...place, ...more }, SCHOOLS[0]);
  expect(words({})).toBe('the e of 3 in bar 2');
  expect(words({ bars: 1 })).toBe('the e of 3');
  expect(words({ exercise: 0 })).toBe('the e of 3 in exercise 1');
  expect(words({ exercise: 4, section: 'B' })).toBe('the e of 3 in B');
});

test('what comes next, and how a sentence begins', () => {
  const step = (of: object) => stepInWords(of as Practice);
  expect([step({ step: 'all limbs' }), step({ step: 'thinner click' }), step({ step: 'faster', bpm: 84 })]).toEqual([
    'bring the other limbs back',
    'let the click thin out',
    'go up to 84',
  ]);
  expect([opening('the hat'), opening('')]).toEqual(['The hat', '']);
});

test('the first of sorted times that is not before a moment', () => {
  const times = [1, 3, 3, 8];
  expect([0, 1, 2, 3, 4, 8, 9].map((ms) => lowerBound(times, ms))).toEqual([0, 0, 1, 1, 3, 3, 4]);
  expect(lowerBound([], 5)).toBe(0);
});

test('what belongs together, in the order in which it came', () => {
  expect([...groupBy(['b1', 'a1', 'b2'], (one) => one[0])]).toEqual([
    ['b', ['b1', 'b2']],
    ['a', ['a1']],
  ]);
});
