import { expect, test } from 'vitest';
import { holidayShape, moveShape, studentField, studentsOf, timeShape, wrongWithStudents } from './shapes';

const ID = '6d90c925-50c3-4e6e-8a80-44195a7fa942';
const said = (read: { success: boolean; error?: { issues: { path: PropertyKey[]; message: string }[] } }) =>
  read.success ? [] : read.error!.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
const given = { day: '2026-11-24', at: '16:00', minutes: '45', every: '2', until: '' };

test('a time is a day, an hour, minutes, and how often', () => {
  expect(timeShape.parse(given)).toEqual({ ...given, minutes: 45 });
});

test.each([
  [{ day: '2026-02-30' }, 'day: Write the first day, like 2026-11-24.'],
  [{ day: '1999-01-01' }, 'day: Write the first day, like 2026-11-24.'],
  [{ at: '24:00' }, 'at: Write the time like 16:00.'],
  [{ minutes: '5' }, 'minutes: At least 10 minutes.'],
  [{ minutes: '' }, 'minutes: Write the minutes, like 45.'],
  [{ minutes: '241' }, 'minutes: At most 240 minutes.'],
  [{ every: '3' }, 'every: Choose from the list.'],
  [{ until: '2026-11-23' }, 'until: The last day comes before the first.'],
])('%o is said at its field', (change, words) =>
  expect(said(timeShape.safeParse({ ...given, ...change }))).toContain(words),
);

test('who comes is read from the boxes of the form, once each', () => {
  const form = new FormData();
  for (const id of [ID, ID, 'x', "'--"]) form.append(studentField(id), 'yes');
  form.append('other', ID);
  expect(studentsOf(form)).toEqual([ID]);
  expect(studentsOf('no form')).toEqual([]);
  expect(wrongWithStudents([])).toBe('Choose who comes.');
  expect(wrongWithStudents([ID])).toBeUndefined();
  expect(wrongWithStudents(Array<string>(7).fill(ID))).toBe('At most 6 together.');
});

test('a holiday has its days in order and is not half a year', () => {
  expect(said(holidayShape.safeParse({ name: 'Regatta', from: '2026-11-09', to: '2026-11-09' }))).toEqual([]);
  expect(said(holidayShape.safeParse({ name: '', from: '2026-11-09', to: '2026-11-08' }))).toEqual([
    'name: Give a name.',
    'to: The last day comes before the first.',
  ]);
  expect(said(holidayShape.safeParse({ name: 'Long', from: '2026-01-01', to: '2026-12-31' }))).toEqual([
    'to: At most 200 days.',
  ]);
});

test('a lesson that is moved has to be one', () => {
  expect(said(moveShape.safeParse({ ...given, lesson: 'x' }))).toContain('lesson: This lesson is not there any more.');
});
