import { expect, test } from 'vitest';
import { logLineOf, type LogOwner } from './logLines';

const owner: LogOwner = {
  name: 'Pim',
  timeZone: 'Europe/Zurich',
  grooves: [{ id: '00000000-0000-4000-8000-000000000001', title: 'Slow crossing' }],
  now: new Date('2026-11-26T12:00:00Z'),
};
const good = { 'played at': '2026-11-20 17:30', what: 'slow Crossing', tempo: '72', minutes: '12,5' };
const read = (cells: Record<string, string>) => logLineOf({ number: 2, cells }, owner);

test('a line is practice of one’s own, by the clock of the workshop', () => {
  const value = {
    groove: owner.grooves[0]!.id,
    playedAt: '2026-11-20T16:30:00.000Z',
    tempo: 72,
    playedMs: 750_000,
    words: '',
  };
  expect(read(good)).toEqual({ value });
  expect(read({ ...good, who: 'Pim', words: 'Loose.' })).toEqual({ value: { ...value, words: 'Loose.' } });
  // Only the day; and the log as it is written out.
  expect(read({ ...good, 'played at': '2026-07-20' })).toEqual({
    value: { ...value, playedAt: '2026-07-20T10:00:00.000Z' },
  });
  expect(read({ ...good, 'played at': '2026-11-20T16:30:07.123Z', minutes: '', 'sounding (s)': '44' })).toEqual({
    value: { ...value, playedAt: '2026-11-20T16:30:07.123Z', playedMs: 44_000 },
  });
});

test.each<[Record<string, string>, string | RegExp]>([
  [{ who: 'Noor' }, 'who: this is of Noor. Only one’s own practice is read in.'],
  [{ 'played at': '20.11.2026' }, /^played at: write a day/],
  [{ 'played at': '2026-02-30 17:00' }, /^played at: write a day/],
  [{ 'played at': '2026-11-26 13:01' }, 'played at: this is still to come.'],
  [{ what: 'Nothing' }, 'what: no groove here is called “Nothing”.'],
  [{ tempo: 'quick' }, /^tempo: Write a tempo/],
  [{ tempo: '301' }, /^tempo: Write a tempo/],
  [{ minutes: '' }, 'minutes: Write how many minutes, like 12.'],
  [{ minutes: '0' }, 'minutes: Write how many minutes, like 12.'],
  [{ minutes: '31' }, /^minutes: At most 30 minutes a line/],
  [{ words: 'x'.repeat(501) }, /^words: /],
])('%j is said', (change, say) => {
  const answer = read({ ...good, ...change });
  expect(answer).toHaveProperty('say', typeof say === 'string' ? say : (expect.stringMatching(say) as string));
});
