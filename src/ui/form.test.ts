import { expect, test } from 'vitest';
import { z } from 'zod';
import { nameShape, passwordShape, signInNameShape } from './fields';
import { fieldProblem, readForm } from './form';

const shape = z.object({ name: nameShape, signInName: signInNameShape, password: passwordShape });
function form(values: Record<string, string>): FormData {
  const made = new FormData();
  for (const [name, value] of Object.entries(values)) made.set(name, value);
  return made;
}

test('a good form is read, names trimmed and sign-in names in small letters', () => {
  expect(readForm(shape, form({ name: '  A\0da ', signInName: 'ADA', password: 'long enough' }))).toEqual({
    ok: true,
    value: { name: 'Ada', signInName: 'ada', password: 'long enough' },
  });
});

test('each wrong field is named once, what was typed is given back, a password never', () => {
  const read = readForm(shape, form({ name: '', signInName: 'a b', password: 'short', $ACTION_ID: 'x' }));
  expect(read).toEqual({
    ok: false,
    state: {
      problems: {
        name: 'Give a name.',
        signInName: 'Letters, digits, dots and dashes only, no blanks.',
        password: 'At least 8 characters.',
      },
      typed: { name: '', signInName: 'a b' },
    },
  });
});

test('10,000 characters are told and not lost; what only the database can find points at its field', () => {
  const long = 'x'.repeat(10_000);
  const read = readForm(shape, form({ name: long, signInName: 'ada', password: 'long enough' }));
  expect(!read.ok && read.state).toEqual({
    problems: { name: 'At most 120 characters.' },
    typed: { name: long, signInName: 'ada' },
  });
  expect(fieldProblem(form({ name: 'Ada', password: 'secret' }), 'name', 'Taken.')).toEqual({
    problems: { name: 'Taken.' },
    typed: { name: 'Ada' },
  });
});
