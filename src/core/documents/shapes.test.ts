import { describe, expect, test } from 'vitest';
import { asTypedName } from '../format/signInName';
import { searchedIn, textShape } from './shapes';

const read = (text: unknown, most = 20) => {
  const found = textShape(most).min(1, 'Say something.').safeParse(text);
  return found.success ? found.data : found.error.issues[0]!.message;
};

describe('a text', () => {
  test.each([
    ['  Pim  ', 'Pim'],
    ['Zoe\u0308', 'Zo\u00eb'],
    ['two\nlines', 'two\nlines'],
    ['\u05d0\u05d1', '\u05d0\u05d1'],
    ['🥁', '🥁'],
    ['x'.repeat(20), 'x'.repeat(20)],
  ])('%j is kept as %j', (typed, kept) => expect(read(typed)).toBe(kept));

  test.each([
    ['', 'Say something.'],
    [' \t\u00a0', 'Say something.'],
    ['\u200b\u2060\ufeff\u00ad', 'Say something.'],
    ['\u3164', 'Say something.'],
    ['a\0', 'It holds characters that cannot be written. Type it again.'],
    ['\u0007', 'It holds characters that cannot be written. Type it again.'],
    ['a\ud800', 'It holds characters that cannot be written. Type it again.'],
    ['\udc00a', 'It holds characters that cannot be written. Type it again.'],
    ['x'.repeat(21), 'At most 20 characters.'],
  ])('%j is none: %s', (typed, say) => expect(read(typed)).toBe(say));

  test('marks that would turn round what stands beside it are taken out', () => {
    expect(read('Pim\u202egnuhc\u202c\u2066\u200f')).toBe('Pimgnuhc');
    expect(read('\u202e\u202c')).toBe('Say something.');
  });
});

test('what is looked for is cut, and what nothing can bear is left out', () => {
  expect(searchedIn('Pim\0 \ud800O', 120)).toBe('Pim O');
  expect(searchedIn('x'.repeat(300), 120)).toHaveLength(120);
  expect(searchedIn('ab🥁', 3)).toBe('ab');
  for (const none of [undefined, ['a'], 7, null]) expect(searchedIn(none, 120)).toBe('');
});

test('sign-in names are compared in one form', () => {
  expect(new Set(['Pim', ' PIM ', 'ｐｉｍ', 'p\u0131\u0307m'].map(asTypedName)).size).toBe(2);
  expect(asTypedName('Ｐim')).toBe('pim');
  // Not the same letter: a name of its own, counted as its own and looked for as its own.
  expect(asTypedName('İ')).not.toBe('i');
  expect(asTypedName(asTypedName('İ'))).toBe(asTypedName('İ'));
});
