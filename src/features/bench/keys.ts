import type { Ornament } from '@/core/groove/limbs';
import type { CursorStep } from './history';

/** What a key on the strip asks for. */
export type Command =
  | { do: 'move'; way: CursorStep; by: 1 | -1; extend: boolean }
  | { do: 'raise'; by: 1 | -1 }
  | { do: 'ornament'; ornament: Ornament }
  /** This count, or every count of what is selected; `all` counts of the bar. */
  | { do: 'divide'; parts: number; all?: boolean }
  | {
      do:
        | 'place'
        | 'remove'
        | 'tuplet'
        | 'cut'
        | 'copy'
        | 'paste'
        | 'undo'
        | 'redo'
        | 'selectAll'
        | 'selectNone'
        | 'transform'
        | 'record'
        | 'help';
    }
  | { do: 'hear'; how: 'all' | 'here' | 'selection' };

/** Every key of the bench, as the list behind "?" shows it. */
export const KEYS: [keys: string, what: string][] = [
  ['← →', 'slot by slot'],
  ['Ctrl ← →', 'count by count'],
  ['Page Up, Page Down', 'bar by bar'],
  ['↑ ↓', 'limb by limb'],
  ['Shift with any of these', 'select up to there'],
  ['Ctrl A, Esc', 'select all, nothing'],
  ['Enter', 'place a stroke of the height used last'],
  ['Delete', 'take it out, or all that is selected'],
  ['+ −', 'raise, lower'],
  ['F D W Z', 'flam, drag, double (twice), buzz; once more takes it off'],
  ['Ctrl X, Ctrl C, Ctrl V', 'cut, copy, paste at the slot'],
  ['1 to 8', 'divide this count, or all that is selected'],
  ['Shift 1 to 8', 'divide every count of the bar'],
  ['T', 'a triplet over this count and the next'],
  ['Space', 'hear it, stop'],
  ['Shift Space', 'hear it from here'],
  ['L', 'loop what is selected, or this bar'],
  ['M', 'make another of it: transform'],
  ['R', 'play it in: record'],
  ['Ctrl Z, Ctrl Y', 'undo, redo'],
  ['?', 'this list'],
];

const ORNAMENTS: Record<string, Ornament> = { f: 'flam', d: 'drag', w: 'double', z: 'buzz' };
const WITH_CONTROL: Record<string, Command> = {
  y: { do: 'redo' },
  x: { do: 'cut' },
  c: { do: 'copy' },
  v: { do: 'paste' },
  a: { do: 'selectAll' },
};
const ALONE: Record<string, Command> = {
  '+': { do: 'raise', by: 1 },
  '=': { do: 'raise', by: 1 },
  '-': { do: 'raise', by: -1 },
  '−': { do: 'raise', by: -1 },
  Enter: { do: 'place' },
  Delete: { do: 'remove' },
  Backspace: { do: 'remove' },
  Escape: { do: 'selectNone' },
  '?': { do: 'help' },
  t: { do: 'tuplet' },
  l: { do: 'hear', how: 'selection' },
  m: { do: 'transform' },
  r: { do: 'record' },
};

const MOVES: Record<string, [CursorStep, 1 | -1]> = {
  ArrowLeft: ['slot', -1],
  ArrowRight: ['slot', 1],
  ArrowUp: ['limb', -1],
  ArrowDown: ['limb', 1],
  PageUp: ['bar', -1],
  PageDown: ['bar', 1],
};

/** The command of a key press, or undefined for a key that is the browser's. */
export function commandOf({
  key: pressed,
  ctrlKey,
  metaKey,
  shiftKey,
  altKey,
  code = '',
}: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'> & { code?: string }) {
  const key = pressed.length === 1 ? pressed.toLowerCase() : pressed;
  const control = ctrlKey || metaKey;
  if (altKey) return undefined;
  const move = MOVES[key];
  if (move) {
    const [way, by] = move;
    if (control && way !== 'slot') return undefined;
    return { do: 'move', way: control ? 'count' : way, by, extend: shiftKey } satisfies Command;
  }
  if (control) return key === 'z' ? ({ do: shiftKey ? 'redo' : 'undo' } satisfies Command) : WITH_CONTROL[key];
  if (key === ' ') return { do: 'hear', how: shiftKey ? 'here' : 'all' } satisfies Command;
  if (ORNAMENTS[key]) return { do: 'ornament', ornament: ORNAMENTS[key] } satisfies Command;
  // The key of a digit, whatever Shift makes of it on this keyboard.
  const [, digit] = /^Digit([1-8])$/.exec(code) ?? [];
  if (shiftKey && digit && !/^[+=?]$/.test(key))
    return { do: 'divide', parts: Number(digit), all: true } satisfies Command;
  if (/^[1-8]$/.test(key)) return { do: 'divide', parts: Number(key) } satisfies Command;
  return ALONE[key];
}
