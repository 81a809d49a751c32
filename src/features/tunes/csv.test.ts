import { expect, test } from 'vitest';
import { tuneOfLine } from './csv';

const grooves = [
  { id: '00000000-0000-4000-8000-000000000001', title: 'Slow crossing' },
  { id: '00000000-0000-4000-8000-000000000002', title: 'Reed beds' },
];
const read = (cells: Record<string, string>) => tuneOfLine({ number: 2, cells }, grooves);

test('a line is a tune; what is left out is as usual', () => {
  expect(read({ title: 'Ferry', tempo: '72' })).toEqual({
    value: { title: 'Ferry', tempo: 72, meter: '4/4', feel: 'straight', part: '', grooves: [] },
  });
  expect(
    read({
      title: 'Seven',
      tempo: '152,5',
      meter: '7/8 (2+2+3)',
      feel: 'swing',
      grooves: 'reed beds; SLOW crossing;',
      part: 'Soft',
    }),
  ).toEqual({
    value: {
      title: 'Seven',
      tempo: 152.5,
      meter: '7/8 (2+2+3)',
      feel: 'swing',
      part: 'Soft',
      grooves: [grooves[1]!.id, grooves[0]!.id],
    },
  });
});

test.each([
  [{ title: '', tempo: '72' }, /^title: /],
  [{ title: 'x', tempo: '19' }, 'tempo: Write a tempo from 20 to 300, like 96.'],
  [{ title: 'x', tempo: 'quick' }, 'tempo: Write a tempo from 20 to 300, like 96.'],
  [{ title: 'x', tempo: '90', meter: '4/5' }, /^meter: 5: cannot stand below the line/],
  [{ title: 'x', tempo: '90', feel: 'funky' }, /^feel: Feels are straight, swing/],
  [{ title: 'x', tempo: '90', grooves: 'Nowhere' }, 'grooves: no groove here is called “Nowhere”.'],
])('%o says what is wrong', (cells, say) => {
  const result = read(cells);
  if (typeof say === 'string') expect(result).toEqual({ say });
  else expect('say' in result && result.say).toMatch(say);
});
