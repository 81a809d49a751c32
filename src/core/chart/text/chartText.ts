import { chartFormShape, type ChartForm, type ChartSection } from '../../documents/chart';
import { parseMeter } from '../../grid/meter';
import { problemsOf, sentence, type Problem } from '../../result';
import { barsSaid, isOfCounts, joinedLists, NUMBER, numberNamed, timesSaid, withoutOpening } from './chartBars';
import { notKnown, runOf } from './chartMarks';
import { ENDING, HITS, SectionReader } from './chartSection';
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

const BARS = `(?:for )?(\\d{1,4}(?:[- ]?(?:bars?|measures?))?|${NUMBER} (?:bars?|measures?))(?=$|[ ,])`;
/** "verse 16": and "verse 1 16", where the first number is of its name. */
const HEAD = new RegExp(
  `^(?:"([^"]+)"|([^\\s"()=][^"()=]*?))(?:\\s*[:–—]\\s*| +[-–—] +| +)(?:${BARS}(?! *[:–—-]? +\\d{1,4}(?:[- ]?bars?)?(?: +(?!times\\b|bpm\\b|[x×](?! ?\\d))[^\\s/]| *$))|\\()`,
  'i',
);
/** "8 bars of intro", "8-bar intro". */
const BARS_FIRST = new RegExp(`^(?:an? )?(${NUMBER})[- ](?:bars?|measures?)(?: of)? (?:an? |the )?([^"()]+)$`, 'i');
const BARS_ALONE = new RegExp(`^(?:for )?(${NUMBER}) (?:bars?|measures?)$`, 'i');
const WITHIN = new RegExp(`^\\s*(${NUMBER})(?: (?:bars?|measures?))?\\s*$`, 'i');

const manyNamed = (text: string): number => numberNamed(text.replace(/[- ]?(?:bars?|measures?)$/i, ''));

/** A section of so many bars, with what is said of it after them. */
function sectionWith(name: string, bars: number, said: readonly Piece[]): ReadSection {
  const reader = new SectionReader({ bars, at: {} });
  for (const piece of said) if (piece.text) reader.read(piece);
  return { section: { name: name.trim(), bars }, reader };
}

interface ReadSection {
  section: ChartSection;
  reader: SectionReader;
}

/** A section with what is said of it, or what holds by itself. */
interface Statement {
  piece: Piece;
  /** What holds from it on and was said before it: "6/8, B 16". */
  lead?: Piece;
}

/** Where a statement begins a section: its name, and its bars or the sections within it. */
function sectionOf({ piece, lead }: Statement): ReadSection {
  const statement = withoutOpening(piece);
  const [head = statement, ...own] = said(statement);
  const rest = [...(lead ? said(lead) : []), ...own];
  const alone = own[0] && BARS_ALONE.exec(own[0].text);
  if (alone)
    return sectionWith(
      head.text.replaceAll('"', ''),
      numberNamed(alone[1]!),
      rest.filter((one) => one !== own[0]),
    );
  const found = HEAD.exec(head.text);
  const first = BARS_FIRST.exec(head.text);
  if (first) {
    const of = after(head, head.text.length - first[2]!.length);
    return sectionWith(of.text, numberNamed(first[1]!), [...(isOfMarks(of, 1) ? [of] : []), ...rest]);
  }
  if (!found) throw notKnown(head);
  const name = (found[1] ?? found[2]!).trim();
  if (found[3] !== undefined) return sectionWith(name, manyNamed(found[3]), [after(head, found[0].length), ...rest]);
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
  const more = [after(head, close + 1), ...rest];
  const many = WITHIN.exec(inner.text);
  if (many) return sectionWith(name, numberNamed(many[1]!), more);
  const { reader } = sectionWith(name, 0, more);
  return { section: { name, parts: sectionsOf(statementsOf(pieces(inner, ';\n'))) }, reader };
}

/** What is said in a statement, piece after piece. */
const said = (statement: Piece): Piece[] => joinedLists(statement, pieces(statement, ','));

const SOLO = /^(?:drum )?(?:solo|fill|free) \d/i;

/** Whether a statement only says what holds, and begins no section. */
function isOfMarks(statement: Piece, bars: number): boolean {
  // "solo 16" by itself is a section that is called so, and so is "8 bars rest".
  if (SOLO.test(statement.text) || BARS_FIRST.test(statement.text)) return false;
  let isCaught = false;
  return said(statement).every((given) => {
    if (ENDING.test(given.text)) return true;
    const timed = timesSaid(given);
    if (timed.times !== undefined && !timed.piece.text) return true;
    const { piece } = barsSaid(timed.piece, bars);
    isCaught ||= HITS.test(piece.text);
    return HITS.test(piece.text) || (isCaught && isOfCounts(piece.text)) || isRun(piece, bars);
  });
}

/** Whether all of a piece is said of a bar. */
function isRun(piece: Piece, bars: number): boolean {
  try {
    return runOf(piece, bars).length > 0;
  } catch {
    return false;
  }
}

/** What sections are called, by which one is known after a comma. */
const USUAL_NAME =
  /^(?:[A-Z]\d?|intro(?:duction)?|verse|(?:pre-?)?chorus|refrain|bridge|interlude|head|solos?|vamp|tag|outro|coda|middle (?:8|eight))(?: \d{1,2})?$/i;

/**
 * Whether a section begins after a comma: it is called as sections are, says its bars, or nothing but marks came
 * before.
 */
function isSection(piece: Piece, isAfterMarks: boolean): boolean {
  if (SOLO.test(piece.text) || isOfMarks(piece, 1) || isOfCounts(barsSaid(piece, 1).piece.text)) return false;
  // "A 16, 4 bars rest" is said of A; "intro 4, 8 bars of verse" begins the verse.
  if (BARS_FIRST.test(piece.text)) return !isRun(barsSaid(piece, 1).piece, 1);
  const [whole, quoted, name, bars] = HEAD.exec(piece.text) ?? [];
  if (!whole || bars === undefined) return false;
  const isPlain = isAfterMarks || Boolean(quoted) || USUAL_NAME.test(name!);
  return isPlain || /bars?|measures?/i.test(bars) || whole.includes(':');
}

/** Whether all of a piece says what holds from a bar on: its meter, its tempo, its feel. */
function holdsOn(piece: Piece): boolean {
  try {
    const marks = said(piece).flatMap((one) => runOf(one, 1).flatMap((of) => Object.keys(of.said.marks)));
    return marks.every((key) => ['meter', 'tempo', 'change', 'feel'].includes(key));
  } catch {
    return false;
  }
}

/** Statements as they are said: one that goes on with another section after a comma is two. */
function statementsOf(all: readonly Piece[]): Statement[] {
  return all.flatMap((statement) => {
    const parts: Statement[] = [];
    let isOfMarksYet = true;
    for (const one of said(statement)) {
      const then = /^(?:and )?then /i.exec(one.text);
      const piece = then ? after(one, then[0].length) : one;
      const last = parts.at(-1);
      if (last && isSection(piece, isOfMarksYet)) {
        if (isOfMarksYet && holdsOn(last.piece)) parts[0] = { piece, lead: last.piece };
        else parts.push({ piece });
        isOfMarksYet = false;
      } else if (!last) {
        parts.push({ piece });
        isOfMarksYet = isOfHead(piece);
      } else {
        isOfMarksYet &&= isOfHead(piece);
        const end = one.from + one.text.length - statement.from;
        last.piece = { text: statement.text.slice(last.piece.from - statement.from, end), from: last.piece.from };
      }
    }
    return parts;
  });
}

const IS_END = /^(?:the )?end\.?$/i;

function sectionsOf(statements: readonly Statement[]): ChartSection[] {
  const read: ReadSection[] = [];
  for (const one of statements) {
    const { piece: statement } = one;
    if (read.length && IS_END.test(statement.text)) continue;
    const last = read.at(-1);
    if (last && isOfMarks(statement, last.section.bars ?? 0))
      for (const piece of said(statement)) last.reader.read(piece);
    else read.push(sectionOf(one));
    read.at(-1)!.reader.finish();
  }
  return read.map(({ section, reader }) => ({
    ...section,
    ...(section.bars !== undefined && { bars: reader.bars }),
    ...reader.section,
  }));
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

/** A section that is called coda begins with its sign, where one goes to the coda and no other sign is there. */
function withCoda(sections: ChartSection[]): ChartSection[] {
  const marks = sections.flatMap(({ at = {}, endings = [] }) =>
    [at, ...endings.map((one) => one.at ?? {})].flatMap((all) => Object.values(all)),
  );
  const isWanted = marks.some(
    ({ signs, jump }) => (signs?.includes('to coda') ?? false) || (jump?.endsWith('Coda') ?? false),
  );
  const index = sections.findIndex(({ name, bars }) => bars && /^(?:the )?coda$/i.test(name));
  if (!isWanted || index < 0 || marks.some(({ signs }) => signs?.includes('coda'))) return sections;
  const { at = {}, ...coda } = sections[index]!;
  return sections.with(index, { ...coda, at: { ...at, 1: { ...at[1], signs: [...(at[1]?.signs ?? []), 'coda'] } } });
}

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
  const statements = statementsOf(pieces({ text, from: 0 }, ';\n'));
  const first = statements.findIndex(({ piece }) => !isOfHead(piece));
  try {
    const lead = statements[first]?.lead;
    const before = (first < 0 ? statements : statements.slice(0, first)).map(({ piece }) => piece);
    const head = headOf(lead ? [...before, lead] : before);
    if (first < 0)
      return refuse({ text, from: 0 }, 'no-section', 'There is no section yet.', 'Say one with its bars, like A 16.');
    const sections = withCoda(sectionsOf([{ piece: statements[first]!.piece }, ...statements.slice(first + 1)]));
    const shaped = chartFormShape.safeParse({ ...head, sections });
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
