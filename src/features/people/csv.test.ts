import { expect, test } from 'vitest';
import { studentOfLine } from './csv';

const read = (cells: Record<string, string>) => studentOfLine({ number: 2, cells }, 'takadimi');

test('a line is a student; what is left out is as usual', () => {
  expect(read({ name: 'Lasse' })).toEqual({
    value: {
      name: 'Lasse',
      level: 'first year',
      setup: 'crossed',
      school: 'takadimi',
      age: null,
      report: 'figures',
      goals: '',
    },
  });
  expect(
    read({
      name: 'Ada',
      level: 'Concert',
      kit: 'left-handed',
      age: '12 to 17',
      'reports in': 'plain words',
      goals: 'Swing',
    }),
  ).toMatchObject({
    value: { level: 'concert', setup: 'left-handed', age: '12 to 17', report: 'plain words', goals: 'Swing' },
  });
});

test.each([
  [{ name: '' }, /^name: /],
  [{ name: 'x', kit: 'upside down' }, /^kit: It is one of crossed/],
  [{ name: 'x', level: 'master' }, /^level: It is one of first year/],
  [{ name: 'x', 'reports in': 'song' }, /^reports in: It is one of/],
])('%o says what is wrong', (cells, say) => {
  const result = read(cells);
  expect('say' in result && result.say).toMatch(say);
});
