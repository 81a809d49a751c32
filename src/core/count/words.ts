import type { Height, Limb, Ornament, Surface } from '../groove/limbs';
import type { NoteValue } from '../time/noteValue';

/** A word of a spoken phrase, with where it stands. A `word` may be a syllable. */
export type Token = { text: string; from: number; to: number } & (
  | { kind: 'number'; value: number }
  | { kind: 'ordinal'; value: number }
  | { kind: 'word' | 'and' | 'of' | 'every' | 'slot' | 'bar' | 'comma' | 'semicolon' | 'filler' | 'remove' }
  | { kind: 'limb'; limb: Limb }
  | { kind: 'surface'; surface: Surface }
  | { kind: 'height'; height: Height }
  | { kind: 'ornament'; ornament: Ornament }
  | { kind: 'value'; value: NoteValue }
);

type Meaning = Token extends infer T ? (T extends Token ? Omit<T, 'text' | 'from' | 'to'> : never) : never;

/** Phrases of one to three words and what they mean, as teachers say them. */
const MEANINGS: Record<string, Meaning> = Object.fromEntries(
  (
    [
      ['right hand|rh|r hand', { kind: 'limb', limb: 'right hand' }],
      ['left hand|lh|l hand', { kind: 'limb', limb: 'left hand' }],
      ['right foot|rf|r foot', { kind: 'limb', limb: 'right foot' }],
      ['left foot|lf|l foot', { kind: 'limb', limb: 'left foot' }],
      ['snare|snare drum', { kind: 'surface', surface: 'snare' }],
      ['closed hat|hat|hats|hi-hat|hihat|closed', { kind: 'surface', surface: 'closed hat' }],
      ['open hat|open', { kind: 'surface', surface: 'open hat' }],
      ['hat pedal|pedal|pedal hat', { kind: 'surface', surface: 'hat pedal' }],
      ['ride', { kind: 'surface', surface: 'ride' }],
      ['ride bell|bell', { kind: 'surface', surface: 'ride bell' }],
      ['crash', { kind: 'surface', surface: 'crash' }],
      ['high tom', { kind: 'surface', surface: 'high tom' }],
      ['mid tom|middle tom', { kind: 'surface', surface: 'mid tom' }],
      ['floor tom|low tom', { kind: 'surface', surface: 'floor tom' }],
      ['kick|bass drum|bass', { kind: 'surface', surface: 'kick' }],
      ['cross-stick|cross stick', { kind: 'surface', surface: 'cross-stick' }],
      ['rim', { kind: 'surface', surface: 'rim' }],
      ['pad', { kind: 'surface', surface: 'pad' }],
      ['clap', { kind: 'surface', surface: 'clap' }],
      ['ghost|ghosts|ghosted|soft|softly|quiet|low', { kind: 'height', height: 'ghost' }],
      ['tap|taps|normal|middle', { kind: 'height', height: 'tap' }],
      ['accent|accents|accented|loud|hard|high', { kind: 'height', height: 'accent' }],
      ['flam|flams|flammed', { kind: 'ornament', ornament: 'flam' }],
      ['drag|drags', { kind: 'ornament', ornament: 'drag' }],
      ['double|doubles|doubled', { kind: 'ornament', ornament: 'double' }],
      ['buzz|buzzed|press', { kind: 'ornament', ornament: 'buzz' }],
      ['no|not|remove|without|clear|take out', { kind: 'remove' }],
      ['every|each|all', { kind: 'every' }],
      ['slot|slots', { kind: 'slot' }],
      ['bar', { kind: 'bar' }],
      ['of', { kind: 'of' }],
      ['and|&|+', { kind: 'and' }],
      ['on|the|at|in|play|plays|with|then|beat|beats|count|counts|number|numbers', { kind: 'filler' }],
      ['first|1st', { kind: 'ordinal', value: 1 }],
      ['second|2nd', { kind: 'ordinal', value: 2 }],
      ['third|3rd', { kind: 'ordinal', value: 3 }],
      ['fourth|4th', { kind: 'ordinal', value: 4 }],
      ['halves|half notes', { kind: 'value', value: 'half' }],
      ['quarters|quarter notes', { kind: 'value', value: 'quarter' }],
      ['8ths|eighths|8th notes', { kind: 'value', value: '8th' }],
      ['16ths|sixteenths|16th notes', { kind: 'value', value: '16th' }],
      ['triplets|8th triplets', { kind: 'value', value: '8th triplet' }],
    ] as [string, Meaning][]
  ).flatMap(([phrases, meaning]) => phrases.split('|').map((phrase) => [phrase, meaning])),
);

/** Cuts a phrase into words; "2e" is a number and a syllable, "16ths" one word. */
export function tokensOf(text: string): Token[] {
  const pieces = [...text.matchAll(/\d+(?:ths?|nd|st|rd)\b|\d+|&|\+|[,;:]|[\p{L}](?:[\p{L}'-]*\p{L})?|\S/gu)].map(
    (match) => ({
      text: match[0],
      from: match.index,
      to: match.index + match[0].length,
    }),
  );
  const tokens: Token[] = [];
  for (let index = 0; index < pieces.length;) {
    const found = [3, 2, 1].map((words) => phraseAt(pieces, index, words)).find((phrase) => phrase !== undefined);
    const piece = pieces[index]!;
    if (found) {
      const last = pieces[index + found.words - 1]!;
      tokens.push({ ...found.meaning, text: text.slice(piece.from, last.to), from: piece.from, to: last.to });
      index += found.words;
    } else {
      tokens.push(plainToken(piece));
      index++;
    }
  }
  return tokens;
}

function phraseAt(
  pieces: readonly { text: string }[],
  index: number,
  words: number,
): { meaning: Meaning; words: number } | undefined {
  if (index + words > pieces.length) return undefined;
  const phrase = pieces
    .slice(index, index + words)
    .map(({ text }) => text.toLowerCase())
    .join(' ');
  const meaning = Object.hasOwn(MEANINGS, phrase) ? MEANINGS[phrase] : undefined;
  return meaning && { meaning, words };
}

function plainToken(piece: { text: string; from: number; to: number }): Token {
  if (/^\d+$/.test(piece.text)) return { ...piece, kind: 'number', value: Number(piece.text) };
  // A colon after a limb parts as a comma does.
  if (piece.text === ',' || piece.text === ':') return { ...piece, kind: 'comma' };
  if (piece.text === ';') return { ...piece, kind: 'semicolon' };
  return { ...piece, kind: 'word' };
}
