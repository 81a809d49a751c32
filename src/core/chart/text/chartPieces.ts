/** A piece of the text without the blanks around it. */
export interface Piece {
  text: string;
  from: number;
}

export class NotUnderstood extends Error {
  constructor(
    readonly piece: Piece,
    readonly code: string,
    message: string,
    readonly remedy: string,
  ) {
    super(message);
  }
}

/** The pieces between separators, outside of brackets. */
export function pieces({ text, from }: Piece, separators: string): Piece[] {
  const found: Piece[] = [];
  let depth = 0;
  let start = 0;
  const add = (end: number) => {
    const raw = text.slice(start, end);
    const blank = raw.length - raw.trimStart().length;
    if (raw.trim()) found.push({ text: raw.trim(), from: from + start + blank });
    start = end + 1;
  };
  let isQuoted = false;
  for (let at = 0; at < text.length; at++) {
    if (text[at] === '"') isQuoted = !isQuoted;
    else if (isQuoted) continue;
    else if (text[at] === '(') depth++;
    else if (text[at] === ')') depth--;
    else if (depth <= 0 && separators.includes(text[at]!)) add(at);
  }
  add(text.length);
  return found;
}

/** A piece with so many of its first characters taken off. */
export const after = ({ text, from }: Piece, many: number): Piece => {
  const rest = text.slice(many);
  const blank = rest.length - rest.trimStart().length;
  return { text: rest.trim(), from: from + many + blank };
};
