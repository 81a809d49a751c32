import { describe, expect, test } from 'vitest';
import { tagsShape } from '@/ui/fields';
import { changeShape, studentShape } from './shapes';

const ID = '6d90c925-50c3-4e6e-8a80-44195a7fa942';
const said = (read: { success: boolean; error?: { issues: { path: PropertyKey[]; message: string }[] } }) =>
  read.success ? [] : read.error!.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);

describe('a student who is added', () => {
  const given = {
    name: ' Ada Pell ',
    age: '12 to 17',
    level: 'first year',
    setup: 'crossed',
    school: 'takadimi',
    signInName: ' Ada ',
    password: 'drum and bass',
  };

  test('is taken as typed, without blanks round it and without capitals in the sign-in name; the age may be left out', () => {
    expect(studentShape.parse(given)).toMatchObject({ name: 'Ada Pell', age: '12 to 17', signInName: 'ada' });
    expect(studentShape.parse({ ...given, age: '' }).age).toBeNull();
  });

  test('with neither sign-in name nor password they are invited by a link', () => {
    const read = studentShape.parse({ ...given, signInName: '', password: '' });
    expect([read.signInName, read.password]).toEqual([undefined, undefined]);
  });

  test.each([
    [{ age: '2014' }, 'age: Choose from the list.'],
    [{ password: '' }, 'password: Give a password too, or leave both empty and invite by a link.'],
    [{ signInName: ' ' }, 'signInName: Give a sign-in name too, or leave both empty and invite by a link.'],
    [{ level: 'master' }, 'level: Choose a level from the list.'],
    [{ setup: 'upside down' }, 'setup: Choose a set-up from the list.'],
    [{ signInName: 'a b' }, 'signInName: Letters, digits, dots and dashes only, no blanks.'],
    [{ password: 'short' }, 'password: At least 8 characters.'],
    [{ name: '  ' }, 'name: Give a name.'],
  ])('%o is said at its field', (change, expected) => {
    expect(said(studentShape.safeParse({ ...given, ...change }))).toContain(expected);
  });
});

test('strokes a second are three rising numbers for hand and foot, or the workshop’s', () => {
  const given = { person: ID, hands: '4, 6, 8', feet: '2,5 4 6' };
  expect(changeShape.parse(given)).toEqual({ person: ID, limits: { hand: [4, 6, 8], foot: [2.5, 4, 6] } });
  expect(changeShape.parse({ person: ID, hands: ' ', feet: '' })).toEqual({ person: ID, limits: null });
  const words = 'Three rising numbers, like 4 6 8; or leave both empty.';
  expect(said(changeShape.safeParse({ ...given, hands: '8 6 4' }))).toEqual([`hands: ${words}`]);
  expect(said(changeShape.safeParse({ ...given, feet: '' }))).toEqual([`feet: ${words}`]);
  expect(said(changeShape.safeParse({ ...given, feet: 'x y z' }))).toEqual([`feet: ${words}`]);
});

test('of a person only what is given is changed', () => {
  expect(changeShape.parse({ person: ID })).toEqual({ person: ID });
  expect(changeShape.parse({ person: ID, setup: 'left-handed' })).toEqual({ person: ID, setup: 'left-handed' });
  expect(said(changeShape.safeParse({ person: ID, level: 'x' }))).toEqual(['level: Choose a level from the list.']);
});

test('tags are parted by commas, small, each once, not too many and not too long', () => {
  expect(tagsShape.parse(' 16ths,Backbeat ,, 16THS, first  day')).toEqual(['16ths', 'backbeat', 'first day']);
  expect(tagsShape.parse('')).toEqual([]);
  expect(said(tagsShape.safeParse(Array.from({ length: 13 }, (_, index) => `t${index}`).join()))).toEqual([
    ': At most 12 tags.',
  ]);
  expect(said(tagsShape.safeParse('x'.repeat(41)))).toEqual(['0: At most 40 characters.']);
});
