import { expect, test } from 'vitest';
import { clockInWords, strokesInWords, troublesOf } from './recordings';

test('a place in a recording', () => {
  expect(clockInWords(0)).toBe('0:00.0');
  expect(clockInWords(65_349)).toBe('1:05.3');
  expect(clockInWords(59_960)).toBe('1:00.0');
});

const fine = { isSilent: false, clipped: 0, hums: false, talk: 0 };
test('what is wrong with a recording, with what would help', () => {
  expect(troublesOf(fine, 12)).toEqual([]);
  expect(troublesOf({ ...fine, isSilent: true, hums: true }, 0)).toEqual([expect.stringMatching(/silent/)]);
  expect(troublesOf({ ...fine, clipped: 0.01, hums: true }, 12)).toHaveLength(2);
  expect(troublesOf({ ...fine, talk: 1 }, 0)).toEqual([expect.stringMatching(/talks/)]);
  expect(troublesOf(fine, 1)).toEqual([expect.stringMatching(/one stroke/)]);
  expect(troublesOf(fine, 0)).toEqual([expect.stringMatching(/nearer/)]);
});

test('how many strokes', () => {
  expect([0, 1, 2, 1200].map(strokesInWords)).toEqual(['No stroke', 'One stroke', '2 strokes', '1,200 strokes']);
});
