import {
  CHART_FEELS,
  DYNAMICS,
  JUMPS,
  type ChartFeel,
  type Dynamic,
  type FreeKind,
  type Jump,
  type Marks,
  type Sign,
} from '../documents/chart';
import { NOTE_VALUES, type NoteValue } from '../time/noteValue';
import { after, NotUnderstood, type Piece } from './chartPieces';

const VALUE = `(?:${(Object.keys(NOTE_VALUES) as NoteValue[]).toSorted((a, b) => b.length - a.length).join('|')})`;
const FEEL = `(?:${CHART_FEELS.toSorted((a, b) => b.length - a.length).join('|')}|swing)`;
const METER = /^\d{1,2}\/\d{1,2}(?: ?\(\d+(?:\+\d+)*\))?$/;
const TEMPO = new RegExp(`^(?:(${VALUE}) )?(?:at |= ?)(\\d{1,3}(?:\\.\\d{1,3})?|\\d{1,6}/\\d{1,6})$`, 'i');
const CHANGE = new RegExp(`^(${VALUE}) ?= ?(${VALUE})$`, 'i');
/** A named count: "4", "let of 4", "short & of 2". */
export const COUNT = /^(?:(?:short|long) )?(?:\S+ of )?\d{1,2}$/i;

const feelNamed = (text: string): ChartFeel =>
  text.toLowerCase() === 'swing' ? 'swing 8ths' : (text.toLowerCase() as ChartFeel);

/** A tempo as it is kept: a whole number or a fraction. */
function exactBpm(typed: string): string {
  const [whole, decimals] = typed.split('.');
  if (!decimals) return typed;
  const parts = 10 ** decimals.length;
  return `${Number(whole) * parts + Number(decimals)}/${parts}`;
}

/** What a piece says of a bar; `isLast` where it belongs to the last bar when no bar is said. */
interface Said {
  marks: Marks;
  isLast?: boolean;
}

const SIGN_WORDS: [RegExp, Sign, boolean?][] = [
  [/^(?:the )?(?:segno|sign)$/i, 'segno'],
  [/^(?:the )?coda$/i, 'coda'],
  [/^(?:to (?:the )?coda)$/i, 'to coda', true],
  [/^fine$/i, 'fine', true],
];

const JUMP = new RegExp(
  `^(${JUMPS.toSorted((a, b) => b.length - a.length)
    .map((one) => one.replaceAll('.', '\\.?'))
    .join('|')})( every time)?$`,
  'i',
);

/** What is said of a bar in a piece from which its bar was taken off; undefined where nothing is. */
function marksSaid(text: string, bars: number): Said | undefined {
  for (const [words, sign, isLast = false] of SIGN_WORDS)
    if (words.test(text)) return { marks: { signs: [sign] }, isLast };
  const jump = JUMP.exec(text);
  if (jump) {
    const plain = jump[1]!.replaceAll('.', '').toLowerCase();
    const named = JUMPS.find((one) => one.replaceAll('.', '').toLowerCase() === plain) as Jump;
    return { marks: { jump: named, ...(jump[2] && { every: true }) }, isLast: true };
  }
  if (METER.test(text)) return { marks: { meter: text } };
  if (new RegExp(`^${FEEL}$`, 'i').test(text)) return { marks: { feel: feelNamed(text) } };
  const change = CHANGE.exec(text);
  if (change)
    return {
      marks: { change: { old: change[1]!.toLowerCase() as NoteValue, new: change[2]!.toLowerCase() as NoteValue } },
    };
  const tempo = TEMPO.exec(text);
  if (tempo)
    return {
      marks: { tempo: { beat: (tempo[1]?.toLowerCase() ?? 'quarter') as NoteValue, bpm: exactBpm(tempo[2]!) } },
    };
  if ((DYNAMICS as readonly string[]).includes(text)) return { marks: { dynamic: text as Dynamic } };
  const run = /^(rest|same)(?: (\d{1,3}))?$/i.exec(text);
  if (run)
    return run[1]!.toLowerCase() === 'rest'
      ? { marks: { rest: run[2] ? Number(run[2]) : bars } }
      : { marks: { same: Number(run[2] ?? 1) } };
  const free = /^(solo|fill|free)(?: (\d{1,3}))?(?: bars?)?$/i.exec(text);
  if (free) return { marks: { free: { as: free[1]!.toLowerCase() as FreeKind, bars: Number(free[2] ?? 1) } } };
  if (/^heads? up$/i.test(text)) return { marks: { say: 'heads up' } };
  const swell = /^swell to (p{1,3}|mp|mf|f{1,3})(?: over (\d{1,3}))?$/.exec(text);
  if (swell) return { marks: { swell: { to: swell[1] as Dynamic, bars: Number(swell[2] ?? 1) } } };
  const hold = /^hold (.+?) by (\d{1,3}(?:\/\d{1,3})?)$/i.exec(text);
  if (hold && COUNT.test(hold[1]!)) return { marks: { fermata: { on: hold[1]!, more: hold[2]! } } };
  const say = /^say (.+)$/i.exec(text);
  return say ? { marks: { say: say[1]!.replace(/^"(.*)"$/, '$1') } } : undefined;
}

const IN_BAR = /(?:^|\s)(?:in|at|from) bar (\d{1,4})$/i;

/** A piece with the bar it names taken off. */
export function barSaid(piece: Piece): { piece: Piece; bar?: number } {
  const found = IN_BAR.exec(piece.text);
  return found
    ? { piece: { text: piece.text.slice(0, found.index), from: piece.from }, bar: Number(found[1]) }
    : { piece };
}

export const notKnown = (piece: Piece) =>
  new NotUnderstood(
    piece,
    'not-understood',
    `“${piece.text.slice(0, 60)}” is not understood.`,
    'Say a section with its bars, like A 16, or what holds in it, like shuffle or hits: let of 4 in bar 8.',
  );

/** Pieces said one after another without a comma: "shuffle 3/4". Each is as long as it can be. */
export function runOf(piece: Piece, bars: number): { said: Said; piece: Piece }[] {
  if (!piece.text) return [];
  const words = [...piece.text.matchAll(/\S+/g)];
  for (let many = words.length; many > 0; many--) {
    const last = words[many - 1]!;
    const head = { text: piece.text.slice(0, last.index + last[0].length), from: piece.from };
    const said = marksSaid(head.text, bars);
    if (said) return [{ said, piece: head }, ...runOf(after(piece, head.text.length), bars)];
  }
  throw notKnown(piece);
}
