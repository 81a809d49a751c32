import {
  DYNAMICS,
  JUMPS,
  type ChartFeel,
  type Dynamic,
  type FreeKind,
  type Jump,
  type Marks,
  type Sign,
} from '../../documents/chart';
import { format } from '../../time/fraction';
import { NOTE_VALUES, type NoteValue } from '../../time/noteValue';
import { countsNamed, isOfCounts, NUMBER, numberNamed } from './chartBars';
import { after, NotUnderstood, type Piece } from './chartPieces';

const NAMES = (Object.keys(NOTE_VALUES) as NoteValue[]).toSorted((a, b) => b.length - a.length);
const VALUE = `(?:(?:${NAMES.join('|')}|(?:dotted )?eighth|♩\\.?|q)(?: notes?)?)`;
const FEELS: [RegExp, ChartFeel][] = [
  [/^(?:straight)(?: (?:8ths?|eighths?|16ths?|feel))?$/i, 'straight'],
  [/^(?:half[- ]time|halftime) shuffle(?: feel)?$/i, 'half-time shuffle'],
  [/^shuffle(?: feel)?$/i, 'shuffle'],
  [/^(?:swing|swung|swinging)(?: (?:8ths?|eighths?|feel|8th notes))?$/i, 'swing 8ths'],
  [/^(?:swing|swung) (?:16ths?|sixteenths?)$/i, 'swing 16ths'],
];
const METER = /^\d{1,2}\/\d{1,2}(?: ?\(\d+(?:\+\d+)*\))?$/;
const BPM = '\\d{1,3}(?:\\.\\d{1,3})?|\\d{1,6}/\\d{1,6}';
const TEMPO = new RegExp(`^(?:tempo:? |bpm:? )?(?:(${VALUE}) ?)?(?:at |= ?)(${BPM})(?: bpm)?$`, 'i');
const PLAIN_TEMPO = new RegExp(`^(?:(?:tempo|bpm):? (${BPM})(?: bpm)?|(${BPM}) bpm)$`, 'i');
const CHANGE = new RegExp(`^(${VALUE}) ?= ?(${VALUE})$`, 'i');

const valueNamed = (text: string): NoteValue =>
  text
    .toLowerCase()
    .replace(/ notes?$/, '')
    .replace('eighth', '8th')
    .replace('♩.', 'dotted quarter')
    .replace(/^(?:♩|q)$/, 'quarter') as NoteValue;

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
  [/^(?:the )?coda(?: sign)?$/i, 'coda'],
  [/^(?:(?:jump |go )?to (?:the )?coda)$/i, 'to coda', true],
  [/^fine$/i, 'fine', true],
];

const JUMP = new RegExp(
  `^(${JUMPS.toSorted((a, b) => b.length - a.length)
    .map((one) => one.replaceAll('.', '\\.?'))
    .join('|')})( every time)?$`,
  'i',
);
/** A jump in the letters it is written by. */
const inLetters = (text: string): string =>
  text
    .replace(/^(?:da capo|d\. ?c\.)/i, 'D.C.')
    .replace(/^(?:dal segno|d\. ?s\.)/i, 'D.S.')
    .replace(/ to (?:the )?(coda|fine)\b/i, ' al $1')
    .replace(/ al the /i, ' al ');

const DYNAMIC_WORDS: Record<string, Dynamic> = {
  pianissimo: 'pp',
  piano: 'p',
  'mezzo piano': 'mp',
  'mezzo forte': 'mf',
  forte: 'f',
  fortissimo: 'ff',
};
const LOUDNESS = `(${[...DYNAMICS].toSorted((a, b) => b.length - a.length).join('|')}|${Object.keys(DYNAMIC_WORDS)
  .toSorted((a, b) => b.length - a.length)
  .join('|')})`;
const dynamicNamed = (text: string): Dynamic => DYNAMIC_WORDS[text.toLowerCase()] ?? (text as Dynamic);
/** Words are read in any case; the letters only as they are written, since "F" and "P" name sections. */
const isDynamic = (text: string): boolean =>
  (DYNAMICS as readonly string[]).includes(text) || text.toLowerCase() in DYNAMIC_WORDS;

const SWELL = new RegExp(
  `^(?:swell|cresc(?:endo|\\.)?|dim(?:inuendo|\\.)?|decresc(?:endo|\\.)?)(?: to ${LOUDNESS})?(?: over (${NUMBER})(?: bars?)?)?$`,
  'i',
);
const REST = new RegExp(
  `^(?:(?:rests?|tacet)(?:(?: for)? (${NUMBER})(?: bars?)?)?|(${NUMBER})(?: bars?)?(?: of)? rest)$`,
  'i',
);
const SAME = new RegExp(
  `^(?:same(?: as (?:the bar )?before)?|simile|repeat (?:the )?(?:previous|last) (?:(${NUMBER}) )?bars?|repeat (?:the )?bar before)(?: (${NUMBER}))?$`,
  'i',
);
const FREE = new RegExp(`^(?:drum )?(solo|fill|free)(?:(?: for)? (${NUMBER}))?(?: bars?)?$`, 'i');
const HOLD = new RegExp(
  `^(?:hold|fermata)(?: on)? (.+?)(?: by (?:(\\d{1,3}(?:/\\d{1,3})?)|(?:an? )?(${VALUE})))?$`,
  'i',
);
/** How much longer a count is held where it is not said: a half. */
const USUAL_HOLD = '1/2';
/** Words over a bar that are read as they are: what they ask for is the player's to do. */
const AS_WRITTEN =
  /^(?:rit(?:\.|ard(?:ando|\.)?)?|accel(?:\.|erando)?|a tempo|slower|faster|(?:half|double)[- ]time(?: feel)?)$/i;

/** What is said of a bar in a piece from which its bar was taken off; undefined where nothing is. */
function marksSaid(text: string, bars: number): Said | undefined {
  for (const [words, sign, isLast = false] of SIGN_WORDS)
    if (words.test(text)) return { marks: { signs: [sign] }, isLast };
  const jump = JUMP.exec(inLetters(text));
  if (jump) {
    const plain = jump[1]!.replaceAll('.', '').toLowerCase();
    const named = JUMPS.find((one) => one.replaceAll('.', '').toLowerCase() === plain) as Jump;
    return { marks: { jump: named, ...(jump[2] && { every: true }) }, isLast: true };
  }
  if (METER.test(text)) return { marks: { meter: text } };
  const feel = FEELS.find(([words]) => words.test(text));
  if (feel) return { marks: { feel: feel[1] } };
  const time = timeSaid(text);
  if (time) return { marks: time };
  const marks = loudnessSaid(text) ?? runSaid(text, bars) ?? wordsSaid(text);
  return marks && { marks };
}

function timeSaid(text: string): Marks | undefined {
  const change = CHANGE.exec(text);
  if (change) return { change: { old: valueNamed(change[1]!), new: valueNamed(change[2]!) } };
  const tempo = TEMPO.exec(text);
  if (tempo) return { tempo: { beat: tempo[1] ? valueNamed(tempo[1]) : 'quarter', bpm: exactBpm(tempo[2]!) } };
  const plain = PLAIN_TEMPO.exec(text);
  return plain ? { tempo: { beat: 'quarter', bpm: exactBpm(plain[1] ?? plain[2]!) } } : undefined;
}

function loudnessSaid(text: string): Marks | undefined {
  if (isDynamic(text)) return { dynamic: dynamicNamed(text) };
  const swell = SWELL.exec(text);
  if (!swell || (!swell[1] && /^swell/i.test(text))) return undefined;
  // Where it is not said how far it goes: to loud, or to soft.
  const usual = /^cresc/i.test(text) ? 'f' : 'p';
  return {
    swell: { to: swell[1] ? dynamicNamed(swell[1]) : usual, bars: swell[2] ? numberNamed(swell[2]) : 1 },
  };
}

/** What holds for so many bars from one on. */
function runSaid(text: string, bars: number): Marks | undefined {
  const rest = REST.exec(text);
  if (rest) {
    const many = rest[1] ?? rest[2];
    return { rest: many ? numberNamed(many) : bars };
  }
  const same = SAME.exec(text);
  if (same) return { same: numberNamed(same[1] ?? same[2] ?? '1') };
  const free = FREE.exec(text);
  if (!free) return undefined;
  return { free: { as: free[1]!.toLowerCase() as FreeKind, bars: numberNamed(free[2] ?? '1') } };
}

function wordsSaid(text: string): Marks | undefined {
  if (/^heads?[- ]up$/i.test(text)) return { say: 'heads up' };
  const hold = HOLD.exec(text);
  if (hold && isOfCounts(hold[1]!)) {
    const { names } = countsNamed(hold[1]!);
    const more = hold[3] ? format(NOTE_VALUES[valueNamed(hold[3])]) : (hold[2] ?? USUAL_HOLD);
    if (names.length === 1) return { fermata: { on: names[0]!, more } };
  }
  if (AS_WRITTEN.test(text)) return { say: text.toLowerCase() };
  const say = /^(?:say|words?:|text:) ?(.+)$/i.exec(text) ?? /^("[^"]+")$/.exec(text);
  return say ? { say: say[1]!.replace(/^"(.*)"$/, '$1') } : undefined;
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
