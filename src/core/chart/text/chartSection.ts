import type { ChartSection, Marks } from '../../documents/chart';
import { barsSaid, countsNamed, isOfCounts, NUMBER, numberNamed, timesSaid, type OfBars } from './chartBars';
import { notKnown, runOf } from './chartMarks';
import { after, NotUnderstood, type Piece } from './chartPieces';

/** Bars that marks are said of: of a section, or of one of its endings. */
interface Target {
  bars: number;
  at: Record<string, Marks>;
}

/** Writes marks over a bar; what is there already is not said a second time. */
function mark({ at }: Target, bar: number, marks: Marks, piece: Piece): void {
  const there = at[bar] ?? {};
  const { signs, hits, ...single } = marks;
  const twice = (Object.keys(single) as (keyof typeof single)[]).find((key) => there[key] !== undefined);
  if (twice)
    throw new NotUnderstood(
      piece,
      'said-twice',
      `“${piece.text}” is the second of its kind in bar ${bar}.`,
      'Say one of them, or of which bar it is.',
    );
  at[bar] = {
    ...there,
    ...single,
    ...(signs && { signs: [...(there.signs ?? []), ...signs] }),
    ...(hits && { hits: [...(there.hits ?? []), ...hits] }),
  };
}

const ORDINALS = ['first', 'second', 'third', 'fourth'];
const NTHS = ['1st', '2nd', '3rd', '4th'];
export const ENDING = new RegExp(
  `^(?:(${[...ORDINALS, ...NTHS].join('|')}) (?:ending|time bars?)|endings? (\\d{1,2}(?:(?:-| and )\\d{1,2})*)):? ?` +
    `(?:bars (\\d{1,4}) ?(?:-|to) ?(\\d{1,4})|(?:for )?(${NUMBER}))(?: bars?)?(?=$| )`,
  'i',
);

/** "1-3", "1 and 3". */
const timesNamed = (text: string): number[] =>
  text.split(' and ').flatMap((one) => {
    const [from, to = from] = one.split('-').map(Number) as [number, number?];
    return Array.from({ length: Math.max(0, to - from) + 1 }, (_, index) => from + index);
  });

export const HITS = /^(short )?(?:hits?|stabs?|kicks?|shots?|accents?|crash(?:es)?|catch)(?: on)?:? (?:on )?/i;

/** Reads what is said of a section, piece after piece, into its marks and endings. */
export class SectionReader {
  #target: Target;
  #hits: { names: string[]; piece: Piece } | undefined;
  readonly #endings: { for: number[]; target: Target }[] = [];
  times: number | undefined;

  constructor(private readonly own: Target) {
    this.#target = own;
  }

  read(said: Piece): void {
    const ending = ENDING.exec(said.text);
    if (ending) {
      this.#caught();
      this.#begin(ending);
      said = after(said, ending[0].length);
      if (!said.text) return;
    }
    const { piece: given, times } = timesSaid(said);
    if (times !== undefined) {
      this.#caught();
      this.times = times;
      if (!given.text) return;
    }
    const ofBars = barsSaid(given, this.#target.bars);
    const { piece, bars } = ofBars;
    if (!piece.text) throw notKnown(given);
    if (this.#hits && isOfCounts(piece.text)) {
      this.#hits.names.push(...countsNamed(piece.text).names);
      if (bars) this.#caught(bars);
      return;
    }
    this.#caught();
    const hits = HITS.exec(piece.text);
    if (!hits) return this.#marks(ofBars);
    const first = after(piece, hits[0].length);
    const { names, length } = countsNamed(first.text);
    if (!names.length) throw notKnown(first);
    this.#hits = { names: names.map((one) => (hits[1] ? `short ${one}` : one)), piece: given };
    if (bars) this.#caught(bars);
    const more = after(first, length);
    if (more.text) this.#marks({ ...ofBars, piece: more });
  }

  /** What is said from here on is said of an ending. */
  #begin([, ordinal, numbers, from, to, many]: RegExpExecArray): void {
    // "1st ending bars 7-8" of eight: six are played each time.
    const bars = from && to ? Number(to) - Number(from) + 1 : numberNamed(many!);
    if (from && this.#endings.length === 0) this.own.bars = Math.min(this.own.bars, Number(from) - 1);
    const nth = ordinal?.toLowerCase() ?? '';
    const target: Target = { bars, at: {} };
    this.#endings.push({
      for: ordinal ? [Math.max(ORDINALS.indexOf(nth), NTHS.indexOf(nth)) + 1] : timesNamed(numbers!),
      target,
    });
    this.#target = target;
  }

  /** What was said of a statement of its own, after the section: of its last bar where it can be. */
  finish(): void {
    this.#caught();
  }

  #caught(bars: readonly number[] = [1]): void {
    const { names, piece } = this.#hits ?? {};
    if (names && piece) for (const bar of bars) mark(this.#target, bar, { hits: names }, piece);
    this.#hits = undefined;
  }

  #marks({ piece, bars, isRange = false }: OfBars): void {
    for (const { said, piece: of } of runOf(piece, this.#target.bars)) {
      const { marks, isLast } = said;
      const [first = isLast ? this.#target.bars : 1, ...others] = bars ?? [];
      const long = isRange ? 1 + others.length : undefined;
      const holds = long === undefined ? undefined : heldFor(marks, long);
      mark(this.#target, first, holds ?? marks, of);
      // What holds for so many bars is said once; what stands over one, over each that is named.
      if (!holds && (!isRange || marks.same)) for (const bar of others) mark(this.#target, bar, marks, of);
    }
  }

  /** So many bars are played each time, where its endings are said by their bars. */
  get bars(): number {
    return this.own.bars;
  }

  get section(): Pick<ChartSection, 'times' | 'endings' | 'at'> {
    // Whoever says a second ending says how often it is played.
    const last = Math.max(0, ...this.#endings.flatMap((one) => one.for));
    const times = this.times ?? (last > 1 ? last : undefined);
    const marksOf = ({ at }: Target) => (Object.keys(at).length ? { at } : {});
    return {
      ...(times !== undefined && { times }),
      ...(this.#endings.length && {
        endings: this.#endings.map(({ for: times, target }) => ({ for: times, bars: target.bars, ...marksOf(target) })),
      }),
      ...marksOf(this.own),
    };
  }
}

/** What holds for so many bars, said of a range of them. */
function heldFor(marks: Marks, bars: number): Marks | undefined {
  if (marks.rest !== undefined) return { rest: bars };
  if (marks.free) return { free: { ...marks.free, bars } };
  return marks.swell && { swell: { ...marks.swell, bars } };
}
