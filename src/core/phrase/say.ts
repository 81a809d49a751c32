import type { Bar, Groove, Stroke } from '../groove/groove';
import { LIMBS, type Height, type Limb } from '../groove/limbs';
import { compare } from '../time/fraction';
import { NotUnderstood } from './phrase';
import { strokeAt } from './sayBack';
import { Sayer } from './sayer';
import type { School } from '../counting/schools';
import type { Remedy, SpokenProblem } from '../counting/spoken';
import { tokensOf } from './tokens';
import type { TokenKind } from './words';

/** What holds where a phrase does not say it. */
export interface SayOptions {
  school: School;
  /** The limb of the last stroke. */
  limb: Limb;
  /** How loud a new stroke is; a tap when left out. */
  height?: Height;
  /** The bar that is spoken of, from 0. */
  bar?: number;
}

/** Another thing the same words may mean, and the words that mean only that. */
export interface OtherReading {
  words: string;
  text: string;
}

export type SayAnswer =
  | {
      ok: true;
      groove: Groove;
      /** The same in plain words, which are read to the same groove again. */
      said: string;
      /** How many strokes are placed, taken out or other than before. */
      changed: number;
      otherwise: OtherReading[];
    }
  | { ok: false; problems: SpokenProblem[] };

/**
 * What stands on the strip after a phrase: "kick on 1 and 3", "no hat on 4&", "move the snare from 4 to the a of 3".
 * Anything in it that is not understood refuses the whole phrase, and the groove stays as it was.
 */
export function sayOn(groove: Groove, text: string, options: SayOptions): SayAnswer {
  const read = readOnce(groove, text, options);
  if (read.ok || !text.trim()) return read;
  return { ok: false, problems: read.problems.map((one) => withRest(one, groove, text, options)) };
}

function readOnce(groove: Groove, text: string, options: SayOptions): SayAnswer {
  try {
    const sayer = new Sayer(groove, text, options);
    const { said, otherwise } = sayer.run();
    const after = inOrder(sayer.groove);
    return { ok: true, groove: after, said, changed: differences(groove, after), otherwise };
  } catch (error) {
    if (!(error instanceof NotUnderstood)) throw error;
    const { code, token, say, remedy, remedies } = error;
    const { from, to } = token;
    return {
      ok: false,
      problems: [{ code, path: [from], where: `“${text.slice(from, to)}”`, say, remedy, from, to, remedies }],
    };
  }
}

/** Words without which the rest says something else: "no kick on 4" without its no puts one there. */
const TURNING: readonly TokenKind[] = ['remove', 'move', 'copy', 'replace', 'instead', 'shift', 'value', 'except'];

/** Offers to place what is left without the word that is not understood, where that is something. */
function withRest(problem: SpokenProblem, groove: Groove, text: string, options: SayOptions): SpokenProblem {
  const { from, to } = problem;
  if (tokensOf(text).some((token) => token.from === from && TURNING.includes(token.kind))) return problem;
  const behind = text.slice(to);
  // The word alone, or with its count and what joins it to the rest: "and the wobble of 3".
  const rests = [
    text.slice(0, from) + behind,
    text.slice(0, from).replace(/(?:[,;]|\band\b)?\s*(?:\bon\b|\bthe\b|\s)*$/i, '') +
      behind.replace(/^\s*of\s+\S+/i, ''),
  ].map((one) => one.trim());
  const rest = rests.find((one) => {
    const answer = readOnce(groove, one, options);
    return answer.ok && answer.changed > 0;
  });
  if (!rest) return problem;
  const without: Remedy = { words: 'place the rest without it', text: rest };
  return { ...problem, remedies: [...problem.remedies, without] };
}

/** Strokes of a moment stand in the order of the limbs, however they came there. */
const inOrder = (groove: Groove): Groove => ({
  ...groove,
  bars: groove.bars.map((bar) => ({
    ...bar,
    strokes: bar.strokes.toSorted((a, b) => compare(a.at, b.at) || LIMBS.indexOf(a.limb) - LIMBS.indexOf(b.limb)),
  })),
});

/** The strokes of a groove that were not so before, each with its bar; and those that stand there no more. */
export function strokesChanged(
  before: Groove,
  after: Groove,
): Record<'placed' | 'gone', { bar: number; stroke: Stroke }[]> {
  const strokesIn = (all: readonly Bar[], isOther: (stroke: Stroke, bar: number) => boolean) =>
    all.flatMap(({ strokes }, bar) => strokes.filter((one) => isOther(one, bar)).map((stroke) => ({ bar, stroke })));
  const at = (groove: Groove, bar: number, { limb, at: place }: Stroke) => strokeAt(groove, { bar, limb, at: place });
  return {
    placed: strokesIn(after.bars, (one, bar) => !isSame(one, at(before, bar, one))),
    gone: strokesIn(before.bars, (one, bar) => !at(after, bar, one)),
  };
}

const isSame = (one: Stroke, other: Stroke | undefined): boolean =>
  other !== undefined &&
  other.surface === one.surface &&
  other.height === one.height &&
  other.ornament === one.ornament;

function differences(before: Groove, after: Groove): number {
  const { placed, gone } = strokesChanged(before, after);
  const divided = after.bars.filter(({ cells }, bar) => gridIn(cells) !== gridIn(before.bars[bar]!.cells));
  return placed.length + gone.length + divided.length;
}

const gridIn = (cells: Bar['cells']) => cells.map(({ counts, parts }) => `${counts}:${parts}`).join(' ');
