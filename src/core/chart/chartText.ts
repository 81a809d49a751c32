import {
  CHART_FEELS,
  chartFormShape,
  DYNAMICS,
  JUMPS,
  type ChartFeel,
  type ChartForm,
  type ChartSection,
  type Dynamic,
  type Jump,
  type Marks,
  type Sign,
} from '../documents/chart';
import { parseMeter } from '../grid/meter';
import { problemsOf, sentence, type Problem } from '../result';
import { NOTE_VALUES, type NoteValue } from '../time/noteValue';

/**
 * A chart typed as one reads it aloud: what holds from the start, then section after section, with semicolons or lines between
 * them and commas between what is said of each. "Swing 8ths at 140; intro 4, rest; A 6, 2 times, hits: let of 4 in bar 6, ending 1:
 * 2, ending 2: 2, hits: 1, let of 2 in bar 2; D.S. al Coda".
 *
 * What is said without its bar belongs to the first bar of its section, or of the ending said last; a jump, Fine and the way to the
 * coda to its last.
 */

/** What is not understood, at its place in the text. */
export type ChartTextProblem = Problem & { from: number; to: number };

/** A piece of the text without the blanks around it. */
interface Piece {
  text: string;
  from: number;
}

class NotUnderstood extends Error {
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
function pieces({ text, from }: Piece, separators: string): Piece[] {
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
const after = ({ text, from }: Piece, many: number): Piece => {
  const rest = text.slice(many);
  const blank = rest.length - rest.trimStart().length;
  return { text: rest.trim(), from: from + many + blank };
};

const VALUE = `(?:${(Object.keys(NOTE_VALUES) as NoteValue[]).toSorted((a, b) => b.length - a.length).join('|')})`;
const FEEL = `(?:${CHART_FEELS.toSorted((a, b) => b.length - a.length).join('|')}|swing)`;
const METER = /^\d{1,2}\/\d{1,2}(?: ?\(\d+(?:\+\d+)*\))?$/;
const TEMPO = new RegExp(`^(?:(${VALUE}) )?(?:at |= ?)(\\d{1,3}(?:\\.\\d{1,3})?|\\d{1,6}/\\d{1,6})$`, 'i');
const CHANGE = new RegExp(`^(${VALUE}) ?= ?(${VALUE})$`, 'i');
const COUNT = /^(?:\S+ of )?\d{1,2}$/;

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
  const swell = /^swell to (p{1,3}|mp|mf|f{1,3})(?: over (\d{1,3}))?$/.exec(text);
  if (swell) return { marks: { swell: { to: swell[1] as Dynamic, bars: Number(swell[2] ?? 1) } } };
  const hold = /^hold (.+?) by (\d{1,3}(?:\/\d{1,3})?)$/i.exec(text);
  if (hold && COUNT.test(hold[1]!)) return { marks: { fermata: { on: hold[1]!, more: hold[2]! } } };
  const say = /^say (.+)$/i.exec(text);
  return say ? { marks: { say: say[1]!.replace(/^"(.*)"$/, '$1') } } : undefined;
}

const IN_BAR = /(?:^|\s)(?:in|at|from) bar (\d{1,4})$/i;

/** A piece with the bar it names taken off. */
function barSaid(piece: Piece): { piece: Piece; bar?: number } {
  const found = IN_BAR.exec(piece.text);
  return found
    ? { piece: { text: piece.text.slice(0, found.index), from: piece.from }, bar: Number(found[1]) }
    : { piece };
}

const notKnown = (piece: Piece) =>
  new NotUnderstood(
    piece,
    'not-understood',
    `“${piece.text.slice(0, 60)}” is not understood.`,
    'Say a section with its bars, like A 16, or what holds in it, like shuffle or hits: let of 4 in bar 8.',
  );

/** Pieces said one after another without a comma: "shuffle 3/4". Each is as long as it can be. */
function runOf(piece: Piece, bars: number): { said: Said; piece: Piece }[] {
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
  const [head, ...rest] = pieces(statement, ',');
  const found = HEAD.exec(head!.text);
  if (!found) throw notKnown(head!);
  const name = (found[1] ?? found[2]!).trim();
  if (found[3] !== undefined) {
    const bars = Number(found[3]);
    const reader = new SectionReader({ bars, at: {} });
    const more = after(head!, found[0].length);
    if (more.text) reader.read(more);
    for (const piece of rest) reader.read(piece);
    return { section: { name, bars }, reader };
  }
  const open = found[0].length - 1;
  const close = head!.text.lastIndexOf(')');
  if (close < open)
    throw new NotUnderstood(
      head!,
      'not-closed',
      'A bracket is opened and not closed.',
      'Close it after the sections within.',
    );
  const inner = { text: head!.text.slice(open + 1, close), from: head!.from + open + 1 };
  const reader = new SectionReader({ bars: 0, at: {} });
  const more = after(head!, close + 1);
  if (more.text) reader.read(more);
  for (const piece of rest) reader.read(piece);
  return { section: { name, parts: sectionsOf(pieces(inner, ';\n')) }, reader };
}

/** Whether a statement only says what holds, and begins no section. */
function isOfMarks(statement: Piece, bars: number): boolean {
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
