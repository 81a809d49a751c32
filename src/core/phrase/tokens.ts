import type { Limb } from '../groove/limbs';
import { MEANINGS, type Meaning, type Token } from './words';

/** How many words the longest phrase of the table has. */
const LONGEST_PHRASE = 5;

const PIECES =
  /\bt[123]\b|\d+(?:ths?|nds?|st|rd)\b|\d+|[&+](?:['’]?s\b)?|[,;:.\n]|\p{L}\.\p{L}\.|\p{L}(?:[\p{L}'’-]*\p{L})?|\S/giu;
/** Marks round a word say nothing of it. */
const QUOTES = /^["“”‘’'()!?]$/;
const DASH = /^[-–—]$/;
/** Sticking is written in letters that stand for hands, two or more of them. */
const STICKING = /^[rl]{2,}$/i;

interface Piece {
  text: string;
  from: number;
  to: number;
}

/** Cuts a phrase into words; "2e" is a number and a syllable, "16ths" and "t1" one word, "RLRR" a sticking. */
export function tokensOf(text: string): Token[] {
  const pieces = [...text.matchAll(PIECES)]
    .map((match) => ({ text: match[0], from: match.index, to: match.index + match[0].length }))
    .filter((piece, index, all) => !QUOTES.test(piece.text) && !joins(all, index))
    .flatMap(parted);
  const tokens: Token[] = [];
  for (let index = 0; index < pieces.length;) {
    const piece = pieces[index]!;
    const glued = index > 0 && pieces[index - 1]!.to === piece.from;
    const hands = handsFrom(pieces, index);
    const found = hands ?? phraseFrom(pieces, index);
    const last = pieces[index + (found?.words ?? 1) - 1]!;
    const place = { text: text.slice(piece.from, last.to), from: piece.from, to: last.to, glued };
    tokens.push({ ...(found?.meaning ?? plainMeaning(piece.text)), ...place });
    index += found?.words ?? 1;
  }
  return tokens;
}

/** A dash only joins, as in "1-e-and-a"; between two numbers it would mean a stretch, which is not read. */
const joins = (pieces: readonly Piece[], index: number): boolean =>
  DASH.test(pieces[index]!.text) &&
  ![pieces[index - 1], pieces[index + 1]].every((beside) => beside && /^\d/.test(beside.text));

/** Hands in single letters, "R L R R": three or more of them. */
function handsFrom(
  pieces: readonly { text: string }[],
  index: number,
): { meaning: Meaning; words: number } | undefined {
  let words = 0;
  while (/^[rl]$/i.test(pieces[index + words]?.text ?? '')) words++;
  if (words < 3) return undefined;
  const letters = pieces.slice(index, index + words).map(({ text }) => text);
  return { meaning: plainMeaning(letters.join('')), words };
}

/** "two-and", "eighth-note": a word that is not in the table as it stands, parted at its dashes. */
function parted(piece: Piece): Piece[] {
  if (!piece.text.includes('-') || piece.text === '-' || MEANINGS.has(piece.text.toLowerCase())) return [piece];
  return [...piece.text.matchAll(/[^-]+/g)].map((match) => ({
    text: match[0],
    from: piece.from + match.index,
    to: piece.from + match.index + match[0].length,
  }));
}

/** The longest phrase of the table that begins here. */
function phraseFrom(
  pieces: readonly { text: string }[],
  index: number,
): { meaning: Meaning; words: number } | undefined {
  for (let words = Math.min(LONGEST_PHRASE, pieces.length - index); words > 0; words--) {
    const phrase = pieces
      .slice(index, index + words)
      .map((piece) => piece.text.toLowerCase().replaceAll('’', "'"))
      .join(' ');
    const meaning = MEANINGS.get(phrase);
    if (meaning) return { meaning, words };
  }
  return undefined;
}

function plainMeaning(text: string): Meaning {
  if (/^\d+$/.test(text)) return { kind: 'number', value: Number(text) };
  if (STICKING.test(text) && text.length >= 2)
    return {
      kind: 'sticking',
      hands: [...text].map((letter): Limb => (letter.toLowerCase() === 'r' ? 'right hand' : 'left hand')),
    };
  // A colon after a limb parts as a comma does.
  if (text === ',' || text === ':') return { kind: 'comma' };
  if (text === ';' || text === '.' || text === '\n') return { kind: 'semicolon' };
  return { kind: 'word' };
}

/**
 * Whether a school may have a word as a syllable: one that means nothing by itself, or is no more than an
 * abbreviation.
 */
export const mayBeSyllable = ({ kind, text }: Token): boolean =>
  kind === 'word' ||
  kind === 'and' ||
  kind === 'filler' ||
  kind === 'article' ||
  (text.length <= 2 && (kind === 'surface' || kind === 'limb'));
