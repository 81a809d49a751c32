import { describe, expect, test } from 'vitest';
import { tagsShape } from '@/ui/fields';
import { assignmentShape, changeShape, DRILL, studentShape } from './shapes';

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

describe('what is set', () => {
  const given = { student: ID, groove: ID, tempo: '72,5', click: '2 and 4', minutes: '15', reason: ' Hear the foot. ' };

  test('is a groove or a drill, at a tempo with a point or a comma', () => {
    expect(assignmentShape.parse(given)).toMatchObject({
      groove: { drill: false, id: ID },
      tempo: 72.5,
      minutes: 15,
      reason: 'Hear the foot.',
    });
    expect(assignmentShape.parse({ ...given, reason: ' ' }).reason).toBe('');
    expect(assignmentShape.parse({ ...given, groove: `${DRILL}${ID}` }).groove).toEqual({ drill: true, id: ID });
  });

  test.each([
    [{ groove: 'drill:none' }, 'groove: Choose a groove or a drill.'],
    [{ groove: '' }, 'groove: Choose a groove or a drill.'],
    [{ tempo: '' }, 'tempo: Write a tempo in beats a minute, like 72.'],
    [{ tempo: '1000' }, 'tempo: The fastest tempo is 300.'],
    [{ click: 'loud' }, 'click: Choose a click plan from the list.'],
    [{ minutes: '7.5' }, 'minutes: Whole minutes, please.'],
    [{ minutes: '600' }, 'minutes: At most 120 minutes a day.'],
    [{ reason: 'x'.repeat(401) }, 'reason: At most 400 characters.'],
    [{ student: 'x' }, 'student: This student is not there any more.'],
  ])('%o is said at its field', (change, expected) => {
    expect(said(assignmentShape.safeParse({ ...given, ...change }))).toContain(expected);
  });
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
