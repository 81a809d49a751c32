import { slotsOfBar, type Cell } from '../../grid/cells';
import { countsOf, isCompound, parseMeter, type Meter, type Reading } from '../../grid/meter';
import type { Bar, Groove, Stroke } from '../../groove/groove';
import { usualLimb, type Height, type Surface } from '../../groove/limbs';
import { FASTEST, MOST_BARS, MOST_TITLE, SLOWEST } from '../../limits';
import { fail, problem, type Result } from '../../result';
import type { Swing } from '../../time/swing';
import { TAB_LINES, TAB_ORNAMENTS, type TabLine } from './drumTab';
import { asRead, LeftOut, limbFor, UNTITLED, type GrooveRead } from '../imported/grooveRead';

/** Characters of a page of tab. */
const MOST_TAB_CHARACTERS = 200_000;

/** Other names that lines go by. */
const OTHER_NAMES: Record<string, TabLine> = {
  C: 'CC',
  CR: 'CC',
  C1: 'CC',
  C2: 'CC',
  H: 'HH',
  HI: 'HH',
  R: 'RD',
  RC: 'RD',
  RI: 'RD',
  S: 'SN',
  SD: 'SN',
  SNR: 'SN',
  B: 'BD',
  K: 'BD',
  KD: 'BD',
  KK: 'BD',
  BA: 'BD',
  HT: 'T1',
  T: 'T1',
  ST: 'T1',
  MT: 'T2',
  LT: 'T2',
  F: 'FT',
  T3: 'FT',
  HP: 'HF',
  FH: 'HF',
  PH: 'HF',
  X: 'CS',
};
const lineNamed = (name: string): TabLine | undefined => {
  const plain = name.trim().toUpperCase();
  return plain in TAB_LINES ? (plain as TabLine) : OTHER_NAMES[plain];
};

/** "HH|x-x-|x-x-|", its name before the first bar line. */
const LINE = /^\s*([A-Za-z][A-Za-z0-9]{0,2})\s*[|:]{1,2}(.*)$/;
/** The counts above the columns, set in from the names of the lines. */
const COUNTS = /^\s+\|?\s*1\S*\s*\|?$/;
const LETTERS = /^[-xXoOgGfFdDrRzZ#@bB.s ]*$/;

interface Block {
  /** The counts above, where they stand there. */
  counts?: string;
  meter?: Meter;
  lines: { name: string; bars: string[] }[];
}

/** Lines that stand together, with the counts above them. */
function blocksOf(text: string): { head: string[]; blocks: Block[] } {
  const head: string[] = [];
  const blocks: Block[] = [];
  let meter: Meter | undefined;
  let counts: string | undefined;
  let open: Block | undefined;
  for (const line of text.split(/\r?\n/)) {
    const found = LINE.exec(line);
    const bars = found?.[2]!
      .split('|')
      .map((bar) => bar.replace(/^:|:$/g, ''))
      .filter((bar) => bar.trim() !== '');
    if (found && bars!.length && bars!.every((bar) => LETTERS.test(bar))) {
      if (!open) {
        open = { ...(counts !== undefined && { counts }), ...(meter && { meter }), lines: [] };
        blocks.push(open);
        [meter, counts] = [undefined, undefined];
      }
      open.lines.push({ name: found[1]!, bars: bars! });
      continue;
    }
    open = undefined;
    const read = parseMeter(line.trim());
    if (read.ok) meter = read.value;
    else if (COUNTS.test(line)) counts = line;
    else if (!blocks.length && line.trim()) head.push(line.trim());
  }
  return { head, blocks };
}

/** The cells that a row of counts says: a number begins one, and so many columns later the next begins. */
function cellsSaid(row: string, meter: Meter, reading: Reading): Cell[] | undefined {
  const many = countsOf(meter, reading).length;
  const cells: Cell[] = [];
  let number = 0;
  for (const letter of row) {
    if (!/\d/.test(letter)) {
      if (!cells.length) return undefined;
      cells.at(-1)!.parts++;
      continue;
    }
    let next = number + 1;
    while (next % 10 !== Number(letter) && next <= many) next++;
    if (cells.length) cells.at(-1)!.counts = next - number;
    number = next;
    cells.push({ counts: 1, parts: 1 });
  }
  if (cells.length) cells.at(-1)!.counts = many - number + 1;
  return cells.length && cells.every(({ counts, parts }) => counts >= 1 && counts <= 4 && parts <= 8)
    ? cells
    : undefined;
}

/** Cells for so many columns where no counts are written: every count in as many. */
function cellsEven(columns: number, meter: Meter, reading: Reading): Cell[] | undefined {
  const many = countsOf(meter, reading).length;
  const parts = columns / many;
  return Number.isInteger(parts) && parts <= 8 ? Array.from({ length: many }, () => ({ counts: 1, parts })) : undefined;
}

interface Head {
  title: string;
  meter?: Meter;
  tempo?: number;
  reading: Reading;
  swing?: Swing;
}

/** What stands above: the title, then meter, tempo, swing, each with a comma between. */
function readHead(lines: readonly string[]): Head {
  const head: Head = { title: '', reading: 'numbers' };
  for (const [index, line] of lines.entries()) {
    const said = line.split(/,\s*/).map((piece) => saidOf(piece, head));
    if (said.some(Boolean)) continue;
    if (index === 0) head.title = line.slice(0, MOST_TITLE);
  }
  return head;
}

function saidOf(piece: string, head: Head): boolean {
  const tempo = /^(?:tempo:? ?)?(\d{2,3}(?:\.\d{1,3})?)(?: a minute| ?bpm)$/i.exec(piece);
  if (tempo) head.tempo = Number(tempo[1]);
  const meter = parseMeter(piece);
  if (meter.ok) head.meter = meter.value;
  const swing = /^swing (8th|16th)s (tempo-aware|\d{1,2}(?:\/\d{1,2})?)$/.exec(piece);
  if (swing) head.swing = { value: swing[1] as Swing['value'], ratio: swing[2]! };
  const isPulse = piece === 'in pulses';
  if (isPulse) head.reading = 'pulse';
  return Boolean(tempo ?? swing) || meter.ok || isPulse;
}

/** What a letter on a line is struck as; undefined for a place where nothing is. */
function struckBy(
  letter: string,
  line: TabLine,
): { surface: Surface; height: Height; ornament?: Stroke['ornament'] } | undefined {
  if ('-. '.includes(letter)) return undefined;
  const [surface, open = surface] = TAB_LINES[line] as readonly [Surface, Surface?];
  const isLoud = letter !== letter.toLowerCase();
  const ornament = TAB_ORNAMENTS[letter.toLowerCase()];
  // Elsewhere b and @ are buzzed, and # is choked.
  const other = letter === 'b' || letter === 'B' || letter === '@' ? ('buzz' as const) : undefined;
  const loud = isLoud ? 'accent' : 'tap';
  const height = letter.toLowerCase() === 'g' ? 'ghost' : loud;
  return {
    surface: line === 'HH' && letter.toLowerCase() === 'o' ? open : surface,
    height,
    ...((ornament ?? other) && { ornament: ornament ?? other }),
  };
}

/**
 * A groove from plain text: as `drumTabOf` writes it, or as it is written elsewhere, several bars on a line, with no
 * counts above (then every count has as many columns as fill the bar evenly). Limbs are those that usually play a
 * surface. What was left out is told in words.
 */
export function readDrumTab(text: string): Result<GrooveRead> {
  const refuse = (code: string, say: string, remedy: string) => fail(problem(code, say, remedy));
  if (text.length > MOST_TAB_CHARACTERS)
    return refuse('too-long', 'This is longer than any page of tab.', 'Take one groove of it.');
  const { head: lines, blocks } = blocksOf(text);
  if (!blocks.length)
    return refuse(
      'no-tab',
      'There is no line of a tab in it.',
      'A line begins with its name and a bar line, like HH|x-x-x-x-|.',
    );
  const head = readHead(lines);
  const left = new LeftOut();
  const leave = (what: string) => left.leave(what);
  const bars: Bar[] = [];
  let meter: Meter = head.meter ?? { beats: 4, unit: 4 };
  for (const block of blocks) {
    meter = block.meter ?? meter;
    const reading: Reading = head.reading === 'pulse' && isCompound(meter) ? 'pulse' : 'numbers';
    for (let index = 0; index < block.lines[0]!.bars.length; index++) {
      if (bars.length === MOST_BARS) {
        leave(`bar beyond the first ${MOST_BARS}`);
        continue;
      }
      const columns = block.lines[0]!.bars[index]!.length;
      const row = block.counts
        ?.replace(/^[\s|]*/, '')
        .replace(/[|\s]/g, '')
        .slice(0, columns);
      const cells =
        (row?.length === columns ? cellsSaid(row, meter, reading) : undefined) ?? cellsEven(columns, meter, reading);
      if (!cells)
        return refuse(
          'columns',
          `Bar ${bars.length + 1} has ${columns} columns, which no grid of ${meter.beats}/${meter.unit} has.`,
          'Write the meter above, or the counts over the columns.',
        );
      bars.push({ meter, cells, strokes: strokesIn(block, index, slotsOfBar(meter, reading, cells), leave) });
    }
  }
  const groove: Groove = {
    version: 1,
    title: head.title || UNTITLED,
    reading: head.reading,
    tempo: Math.min(FASTEST, Math.max(SLOWEST, head.tempo ?? 100)),
    ...(head.swing && { swing: head.swing }),
    bars,
  };
  return asRead(groove, left);
}

function strokesIn(
  { lines }: Block,
  index: number,
  slots: ReturnType<typeof slotsOfBar>,
  leave: (what: string) => void,
): Stroke[] {
  const strokes: Stroke[] = [];
  for (const { name, bars } of lines) {
    const line = lineNamed(name);
    if (!line) {
      leave(`line ${name}`);
      continue;
    }
    for (const [column, letter] of [...(bars[index] ?? '')].entries()) {
      const struck = struckBy(letter, line);
      const slot = slots[column];
      if (!struck || !slot) continue;
      const limb = limbFor(usualLimb(struck.surface), slot.at, strokes);
      if (limb) strokes.push({ ...struck, limb, at: slot.at });
      else leave('stroke that no limb is free for');
    }
  }
  return strokes;
}
