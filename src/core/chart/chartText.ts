import { chartFormShape, type ChartForm, type ChartSection, type Marks } from '../documents/chart';
import { parseMeter } from '../grid/meter';
import { problemsOf, sentence, type Problem } from '../result';
import { barSaid, COUNT, notKnown, runOf } from './chartMarks';
import { after, NotUnderstood, pieces, type Piece } from './chartPieces';

/**
 * A chart typed as one reads it aloud: what holds from the start, then section after section, with semicolons or
 * lines between them and commas between what is said of each. "Swing 8ths at 140; intro 4, rest; A 6, 2 times, hits:
 * let of 4 in bar 6, ending 1: 2, ending 2: 2, hits: 1, let of 2 in bar 2; D.S. al Coda".
 *
 * What is said without its bar belongs to the first bar of its section, or of the ending said last; a jump, Fine and
 * the way to the coda to its last.
 */

/** What is not understood, at its place in the text. */
export type ChartTextProblem = Problem & { from: number; to: number };

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
const ENDING = new RegExp(
  `^(?:(${ORDINALS.join('|')}) ending|endings? (\\d{1,2}(?:(?:-| and )\\d{1,2})*)):? ?(\\d{1,4})(?: bars?)?(?=$| )`,
  'i',
);

/** "1-3", "1 and 3". */
const timesNamed = (text: string): number[] =>
  text.split(' and ').flatMap((one) => {
    const [from, to = from] = one.split('-').map(Number) as [number, number?];
    return Array.from({ length: Math.max(0, to - from) + 1 }, (_, index) => from + index);
  });

/** Reads what is said of a section, piece after piece, into its marks and endings. */
class SectionReader {
  #target: Target;
  #hits: { names: string[]; piece: Piece } | undefined;
  readonly #endings: { for: number[]; target: Target }[] = [];
  times: number | undefined;

  constructor(private readonly own: Target) {
    this.#target = own;
  }

  read(given: Piece): void {
    const { piece, bar } = barSaid(given);
    if (this.#hits && COUNT.test(piece.text)) {
      this.#hits.names.push(piece.text);
      if (bar !== undefined) this.#caught(bar);
      return;
    }
    this.#caught();
    const times = /^(?:played )?(-?\d+(?:\.\d+)?) times$/i.exec(piece.text);
    if (times && bar === undefined) {
      this.times = Number(times[1]);
      return;
    }
    const ending = ENDING.exec(piece.text);
    if (ending) {
      const target: Target = { bars: Number(ending[3]), at: {} };
      this.#endings.push({
        for: ending[1] ? [ORDINALS.indexOf(ending[1].toLowerCase()) + 1] : timesNamed(ending[2]!),
        target,
      });
      this.#target = target;
      this.#marks(after(piece, ending[0].length), bar);
      return;
    }
    const hits = /^hits?:? /i.exec(piece.text);
    if (hits) {
      const first = after(piece, hits[0].length);
      if (!COUNT.test(first.text)) throw notKnown(first);
      this.#hits = { names: [first.text], piece: given };
      if (bar !== undefined) this.#caught(bar);
      return;
    }
    this.#marks(piece, bar);
  }

  /** What was said of a statement of its own, after the section: of its last bar where it can be. */
  finish(): void {
    this.#caught();
  }

  #caught(bar = 1): void {
    if (this.#hits) mark(this.#target, bar, { hits: this.#hits.names }, this.#hits.piece);
    this.#hits = undefined;
  }

  #marks(piece: Piece, bar: number | undefined): void {
    for (const one of runOf(piece, this.#target.bars))
      mark(this.#target, bar ?? (one.said.isLast ? this.#target.bars : 1), one.said.marks, one.piece);
  }

  get section(): Pick<ChartSection, 'times' | 'endings' | 'at'> {
    const marksOf = ({ at }: Target) => (Object.keys(at).length ? { at } : {});
    return {
      ...(this.times !== undefined && { times: this.times }),
      ...(this.#endings.length && {
        endings: this.#endings.map(({ for: times, target }) => ({ for: times, bars: target.bars, ...marksOf(target) })),
      }),
      ...marksOf(this.own),
    };
  }
}

const HEAD = /^(?:"([^"]+)"|([^\s"()][^"()]*?)) +(?:(\d{1,4})(?: bars?)?(?=$|[ ,])|\()/;

/** Where a statement begins a section: its name, and its bars or the sections within it. */
function sectionOf(statement: Piece): { section: ChartSection; reader: SectionReader } {
  const [head = statement, ...rest] = pieces(statement, ',');
  const found = HEAD.exec(head.text);
  if (!found) throw notKnown(head);
  const name = (found[1] ?? found[2]!).trim();
  if (found[3] !== undefined) {
    const bars = Number(found[3]);
    const reader = new SectionReader({ bars, at: {} });
    const more = after(head, found[0].length);
    if (more.text) reader.read(more);
    for (const piece of rest) reader.read(piece);
    return { section: { name, bars }, reader };
  }
  const open = found[0].length - 1;
  const close = head.text.lastIndexOf(')');
  if (close < open)
    throw new NotUnderstood(
      head,
      'not-closed',
      'A bracket is opened and not closed.',
      'Close it after the sections within.',
    );
  const inner = { text: head.text.slice(open + 1, close), from: head.from + open + 1 };
  const reader = new SectionReader({ bars: 0, at: {} });
  const more = after(head, close + 1);
  if (more.text) reader.read(more);
  for (const piece of rest) reader.read(piece);
  return { section: { name, parts: sectionsOf(pieces(inner, ';\n')) }, reader };
}

/** Whether a statement only says what holds, and begins no section. */
function isOfMarks(statement: Piece, bars: number): boolean {
  // "solo 16" by itself is a section that is called so.
  if (/^(?:solo|fill|free) \d/i.test(statement.text)) return false;
  return pieces(statement, ',').every((given) => {
    const { piece } = barSaid(given);
    if (/^hits?:? /i.test(piece.text) || COUNT.test(piece.text)) return true;
    try {
      return runOf(piece, bars).length > 0;
    } catch {
      return false;
    }
  });
}

function sectionsOf(statements: readonly Piece[]): ChartSection[] {
  const read: { section: ChartSection; reader: SectionReader }[] = [];
  for (const statement of statements) {
    const last = read.at(-1);
    if (last && isOfMarks(statement, last.section.bars ?? 0))
      for (const piece of pieces(statement, ',')) last.reader.read(piece);
    else read.push(sectionOf(statement));
    read.at(-1)!.reader.finish();
  }
  return read.map(({ section, reader }) => ({ ...section, ...reader.section }));
}

/** What holds from the start where nothing else is said. */
const USUAL: Omit<ChartForm, 'sections'> = { tempo: { beat: 'quarter', bpm: '100' }, meter: '4/4', feel: 'straight' };

/** What is said before the first section. */
function headOf(statements: readonly Piece[]): Omit<ChartForm, 'sections'> {
  const head = { ...USUAL };
  for (const piece of statements.flatMap((one) => pieces(one, ','))) {
    if (/^pick-?up$/i.test(piece.text)) head.pickup = true;
    else if (/^repeats again$/i.test(piece.text)) head.repeatsAfterJump = true;
    else
      for (const { said, piece: of } of runOf(piece, 0)) {
        const { meter, feel, tempo, ...other } = said.marks;
        if (Object.keys(other).length)
          throw new NotUnderstood(
            of,
            'before-sections',
            `“${of.text}” is said before there is a bar.`,
            'Say a section first, like A 16.',
          );
        if (meter !== undefined) {
          const read = parseMeter(meter);
          if (!read.ok) throw new NotUnderstood(of, 'no-meter', `${meter} is no meter.`, read.problems[0]!.remedy);
          head.meter = meter;
        }
        if (feel) head.feel = feel;
        if (tempo) head.tempo = tempo;
      }
  }
  return head;
}

const isOfHead = (statement: Piece): boolean =>
  pieces(statement, ',').every((piece) => /^(?:pick-?up|repeats again)$/i.test(piece.text) || isOfMarks(piece, 0));

/** Characters of a chart as it is typed. */
const MOST_CHART_TEXT = 20_000;

type ChartTextAnswer = { ok: true; value: ChartForm } | { ok: false; problems: [ChartTextProblem] };

/** Reads a chart as it is typed. What is not understood is told at its place, and nothing is guessed in its stead. */
export function readChartText(text: string): ChartTextAnswer {
  const refuse = (at: Piece, code: string, say: string, remedy: string): ChartTextAnswer => ({
    ok: false,
    problems: [{ code, path: [], where: '', say, remedy, from: at.from, to: at.from + at.text.length }],
  });
  if (text.length > MOST_CHART_TEXT)
    return refuse(
      { text, from: 0 },
      'too-long',
      'This is longer than any chart.',
      `At most ${MOST_CHART_TEXT.toLocaleString('en')} characters.`,
    );
  const statements = pieces({ text, from: 0 }, ';\n');
  const first = statements.findIndex((one) => !isOfHead(one));
  try {
    const head = headOf(first < 0 ? statements : statements.slice(0, first));
    if (first < 0)
      return refuse({ text, from: 0 }, 'no-section', 'There is no section yet.', 'Say one with its bars, like A 16.');
    const shaped = chartFormShape.safeParse({ ...head, sections: sectionsOf(statements.slice(first)) });
    if (shaped.success) return { ok: true, value: shaped.data };
    return refuse(
      { text, from: 0 },
      'out-of-bounds',
      sentence(problemsOf(shaped.error)[0]!),
      'Say fewer, or at least one.',
    );
  } catch (error) {
    if (!(error instanceof NotUnderstood)) throw error;
    return refuse(error.piece, error.code, error.message, error.remedy);
  }
}
