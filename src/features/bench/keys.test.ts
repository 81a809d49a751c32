import { expect, test } from 'vitest';
import { commandOf } from './keys';

const press = (key: string, held: { ctrl?: boolean; shift?: boolean; alt?: boolean; code?: string } = {}) =>
  commandOf({
    key,
    ctrlKey: Boolean(held.ctrl),
    metaKey: false,
    shiftKey: Boolean(held.shift),
    altKey: Boolean(held.alt),
    code: held.code,
  });

test('arrows move, with Ctrl by counts, with Shift they select', () => {
  expect(press('ArrowRight')).toEqual({ do: 'move', way: 'slot', by: 1, extend: false });
  expect(press('ArrowLeft', { ctrl: true, shift: true })).toEqual({ do: 'move', way: 'count', by: -1, extend: true });
  expect(press('PageDown', { shift: true })).toEqual({ do: 'move', way: 'bar', by: 1, extend: true });
  expect(press('ArrowUp', { ctrl: true })).toBeUndefined();
});

test('letters are the same with and without capitals; what the browser owns is left to it', () => {
  expect(press('F')).toEqual({ do: 'ornament', ornament: 'flam' });
  expect(press('z')).toEqual({ do: 'ornament', ornament: 'buzz' });
  expect(press('Z', { ctrl: true, shift: true })).toEqual({ do: 'redo' });
  expect(press('c', { ctrl: true })).toEqual({ do: 'copy' });
  for (const [key, held] of [
    ['r', { ctrl: true }],
    ['9', {}],
    ['Tab', {}],
    ['ArrowLeft', { alt: true }],
  ] as const)
    expect(press(key, held)).toBeUndefined();
  expect(press(' ', { shift: true })).toEqual({ do: 'hear', how: 'here' });
  expect(press('7')).toEqual({ do: 'divide', parts: 7 });
  // Whatever Shift makes of the digit; + stays what it is where it stands on one.
  expect(press('/', { shift: true, code: 'Digit7' })).toEqual({ do: 'divide', parts: 7, all: true });
  expect(press('+', { shift: true, code: 'Digit1' })).toEqual({ do: 'raise', by: 1 });
});
