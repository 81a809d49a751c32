import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { MOST_LINES_IN } from '@/core/limits';
import { readCsv, writeCsv } from './table';

const lines = (text: string, wanted: string[] = []) => {
  const read = readCsv(text, wanted);
  return 'lines' in read ? read.lines : read.say;
};

describe('a file of lines', () => {
  test('is read by commas or semicolons, with or without a mark, quoted or not; empty lines keep their numbers', () => {
    expect(lines('Title, Tempo\nFerry,72\n\n"Storm, big",140\n')).toEqual([
      { number: 2, cells: { title: 'Ferry', tempo: '72' } },
      { number: 4, cells: { title: 'Storm, big', tempo: '140' } },
    ]);
    expect(lines('\uFEFFtitle;tempo\r\nFerry;72,5\r\n')).toEqual([
      { number: 2, cells: { title: 'Ferry', tempo: '72,5' } },
    ]);
  });

  test('a line that is short has empty cells; one that is long loses what has no heading', () => {
    expect(lines('a,b\n1\n1,2,3')).toEqual([
      { number: 2, cells: { a: '1', b: '' } },
      { number: 3, cells: { a: '1', b: '2' } },
    ]);
  });

  test('what is none says why', () => {
    expect(lines('')).toBe('This file is empty.');
    expect(lines('name,tempo\nFerry,72', ['title', 'tempo'])).toBe(
      'The first line names the columns. “title” is not among them: “name, tempo”.',
    );
    expect(lines('a,b\n"open,1\n')).toMatch(/quotation mark is opened/);
    expect(lines(`a\n${'1\n'.repeat(MOST_LINES_IN + 1)}`)).toMatch(/More than 10,000 lines/);
    expect(lines(`a\n${'1\n'.repeat(MOST_LINES_IN)}`)).toHaveLength(MOST_LINES_IN);
  });
});

test('what is written is read back as it was, also what a spreadsheet would run', () => {
  const cell = fc.stringMatching(/^[a-z ,;"\n=+@-]{0,20}$/).map((text) => text.trim());
  fc.assert(
    fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 20 }), (rows) => {
      const read = lines(writeCsv(['first', 'second'], rows));
      expect((read as { cells: object }[]).map(({ cells }) => Object.values(cells))).toEqual(
        rows.filter((row) => row.some((one) => one)),
      );
    }),
  );
  expect(writeCsv(['a'], [['=1+1'], ['@x'], ['-5'], ['-x'], [null]])).toBe(
    "\uFEFFa\r\n'=1+1\r\n'@x\r\n-5\r\n'-x\r\n\r\n",
  );
});
