import { after, type Piece } from './chartPieces';

/** Numbers as they are read aloud. */
const NUMBER_WORDS: Record<string, number> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  sixteen: 16,
  twenty: 20,
  'twenty-four': 24,
  'thirty-two': 32,
};
const WORDS = Object.keys(NUMBER_WORDS)
  .toSorted((a, b) => b.length - a.length)
  .join('|');
/** A number in digits or as a word, as a pattern. */
export const NUMBER = `(?:\\d{1,4}|${WORDS})`;
export const numberNamed = (text: string): number => NUMBER_WORDS[text.toLowerCase()] ?? Number(text);

/** Syllables that are written otherwise in a chart. */
const OTHERWISE: Record<string, string> = { and: '&', '+': '&', ah: 'a' };
const ONE_COUNT = new RegExp(
  `^(?:(short|long) )?(?:the )?(?:(\\S+) of )?(?:the )?(?:beat |count )?(\\d{1,2}|${WORDS})(?:([&+ea])| ([&+])(?=$| and | then ))?(?![\\w/.&+])`,
  'i',
);
const BETWEEN = /^(?: (?:and|then|&|\+))? /i;

/**
 * The counts that are named at the beginning of a text, each in the words it is kept by ("& of 2", "short 4"), and how
 * many characters they take: "1 and the & of 2", "4&", "short 3 then 4".
 */
export function countsNamed(text: string): { names: string[]; length: number } {
  const names: string[] = [];
  let length = 0;
  for (let at = 0; ;) {
    const found = ONE_COUNT.exec(text.slice(at));
    if (!found) break;
    const [whole, reach, before, number, beside, apart] = found;
    const syllable = before ?? beside ?? apart;
    const said = syllable && (OTHERWISE[syllable.toLowerCase()] ?? syllable);
    names.push([reach?.toLowerCase(), said && `${said} of`, numberNamed(number!)].filter(Boolean).join(' '));
    length = at + whole.length;
    const between = BETWEEN.exec(text.slice(length));
    if (!between) break;
    at = length + between[0].length;
  }
  return { names, length };
}

/** Whether a text names counts and nothing else. */
export const isOfCounts = (text: string): boolean => text !== '' && countsNamed(text).length === text.length;

const LIST = '\\d{1,4}(?:(?:\\s*(?:-|–|to|through|,|and|&)\\s*|\\s+)\\d{1,4})*';
const BARS = new RegExp(
  `(?:^|\\s)(?:(?:in|at|from|on|over|of|for) )?(?:the )?(?:bars?|measures?|mm?\\.) ?(${LIST})$`,
  'i',
);
const LISTED = new RegExp(`(?:bars|measures|mm\\.) ?${LIST}$`, 'i');
const MORE_LISTED = new RegExp(`^(?:and )?${LIST}$`, 'i');
const END = new RegExp(
  `(?:^|\\s)(?:(?:in|at|on|over|for) )?(?:the )?(first|last|final)(?: (${NUMBER}))? (?:bars?|measures?)$`,
  'i',
);
const AT_END = /(?:^|\s)at the end$/i;
const ORDINALS: Record<string, number> = { other: 2, second: 2, '2nd': 2, third: 3, '3rd': 3, fourth: 4, '4th': 4 };
const EVERY = new RegExp(
  `(?:^|\\s)(?:(?:in|on) )?every(?: (${Object.keys(ORDINALS).join('|')}|8th|eighth|${NUMBER}))? (?:bars?|measures?)$`,
  'i',
);

/** What is said of bars, and of which: all of a range stand beside one another. */
export interface OfBars {
  piece: Piece;
  bars?: number[];
  isRange?: boolean;
}

const fromTo = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, to - from) + 1 }, (_, index) => from + index);

/** "1, 3 and 5", "5 to 8". */
function listed(text: string): { bars: number[]; isRange: boolean } {
  const parts = text.replace(/\s*(-|–|to|through)\s*/gi, '-').split(/\s*(?:,|and|&)\s*|\s+/i);
  const ranges = parts.map((part) => part.split('-').map(Number) as [number, number?]);
  return {
    bars: ranges.flatMap(([from, to = from]) => fromTo(from, to)),
    isRange: parts.length === 1 && ranges[0]!.length > 1,
  };
}

/**
 * A piece with the bars it names taken off, of so many: "in bar 8", "bars 5 to 8", "in the last bar", "every 4 bars".
 */
export function barsSaid(piece: Piece, many: number): OfBars {
  const { text, from } = piece;
  const without = (at: number): Piece => ({ text: text.slice(0, at).trimEnd(), from });
  const bars = BARS.exec(text);
  if (bars) return { piece: without(bars.index), ...listed(bars[1]!) };
  const end = END.exec(text);
  if (end && many > 0) {
    const some = Math.min(many, end[2] ? numberNamed(end[2]) : 1);
    const isFirst = end[1]!.toLowerCase() === 'first';
    return {
      piece: without(end.index),
      bars: isFirst ? fromTo(1, some) : fromTo(many - some + 1, many),
      isRange: end[2] !== undefined,
    };
  }
  const atEnd = AT_END.exec(text);
  if (atEnd && many > 0) return { piece: without(atEnd.index), bars: [many] };
  const every = EVERY.exec(text);
  if (every && many > 0) {
    const named = every[1]?.toLowerCase();
    const step = named === undefined ? 1 : (ORDINALS[named] ?? (/^8th|eighth$/.test(named) ? 8 : numberNamed(named)));
    return { piece: without(every.index), bars: fromTo(1, many).filter((bar) => bar % Math.max(1, step) === 0) };
  }
  return { piece };
}

/** Pieces of a statement between its commas; bars that are listed with commas stay together. */
export function joinedLists(statement: Piece, split: readonly Piece[]): Piece[] {
  const joined: Piece[] = [];
  for (const piece of split) {
    const last = joined.at(-1);
    if (last && LISTED.test(last.text) && MORE_LISTED.test(piece.text)) {
      const end = piece.from + piece.text.length;
      joined[joined.length - 1] = {
        text: statement.text.slice(last.from - statement.from, end - statement.from),
        from: last.from,
      };
    } else joined.push(piece);
  }
  return joined;
}

const TIMES = new RegExp(
  `(?:^|\\s)(?:and )?(?:(?:played?|repeat(?:ed)?) )?(?:[x×] ?(\\d{1,2})|(\\d{1,2}) ?[x×]|(-?\\d+(?:\\.\\d+)?|${WORDS}) times|(twice)|:\\|)$`,
  'i',
);
const AGAIN = /(?:^|\s)(?:and )?repeat(?:ed)?(?: once)?$/i;

/** How often a section is played, as it is said at the end of a piece: "x2", "twice", "played 3 times", "repeat". */
export function timesSaid(piece: Piece): { piece: Piece; times?: number } {
  if (/^(?:say|words?|text|")/i.test(piece.text)) return { piece };
  const found = TIMES.exec(piece.text) ?? AGAIN.exec(piece.text);
  if (!found) return { piece };
  const number = found[1] ?? found[2] ?? found[3];
  return {
    piece: { text: piece.text.slice(0, found.index).trimEnd(), from: piece.from },
    times: number === undefined ? 2 : numberNamed(number),
  };
}

/** A piece without the sign that a repeat begins. */
export const withoutOpening = (piece: Piece): Piece => (piece.text.startsWith('|:') ? after(piece, 2) : piece);
