import { add, compare, div, equal, frac, gcd, less, mul, sub, sum, ZERO, type WholeNotes } from '../time/fraction';
import { barLength, isCompound, type Meter, type Reading } from '../grid/meter';
import type { Bar, Stroke } from './groove';
import { placedCells, type Cell } from '../grid/cells';
import { isHand } from './limbs';

/** So many notes in the time of so many of the same value: a triplet is 3 in the time of 2. */
export interface Tuplet {
  notes: number;
  inTimeOf: number;
}

/** One note or rest of a voice as it is written. A rest has no strokes. */
export interface WrittenNote {
  /** From the start of the bar, in whole notes. */
  at: WholeNotes;
  length: WholeNotes;
  /** The bottom of the note value: 4 is a quarter, 16 a 16th. */
  value: number;
  dots: 0 | 1;
  strokes: Stroke[];
  /** Index into the tuplets of the voice. */
  tuplet?: number;
  /** Notes of one beam share a number; undefined for one that stands alone or has no flag. */
  beam?: number;
}

export interface WrittenVoice {
  notes: WrittenNote[];
  tuplets: Tuplet[];
}

/** A bar on the stave: hands with stems up, feet with stems down. A voice without a stroke has no notes. */
export interface WrittenBar {
  hands: WrittenVoice;
  feet: WrittenVoice;
}

/** How a bar is written: each voice in the fewest notes and rests that show the counts. */
export function writtenBar(bar: Bar, reading: Reading): WrittenBar {
  return {
    hands: writtenVoice(
      bar,
      reading,
      bar.strokes.filter(({ limb }) => isHand(limb)),
    ),
    feet: writtenVoice(
      bar,
      reading,
      bar.strokes.filter(({ limb }) => !isHand(limb)),
    ),
  };
}

function writtenVoice(bar: Bar, reading: Reading, strokes: readonly Stroke[]): WrittenVoice {
  if (!strokes.length) return { notes: [], tuplets: [] };
  const notes: WrittenNote[] = [];
  const tuplets: Tuplet[] = [];
  for (const { cell, counts } of placedCells(bar.meter, reading, bar.cells)) {
    const start = counts[0]!.at;
    const length = sum(counts.map((count) => count.length));
    const end = add(start, length);
    const here = strokes.filter(({ at }) => !less(at, start) && less(at, end));
    writeCell(start, length, cell, here, notes, tuplets);
  }
  beam(notes, bar.meter, reading);
  return { notes, tuplets };
}

/** Part counts a single note can last inside a cell: plain and dotted. */
const LENGTHS = [8, 6, 4, 3, 2, 1];

function writeCell(
  start: WholeNotes,
  length: WholeNotes,
  cell: Cell,
  strokes: readonly Stroke[],
  notes: WrittenNote[],
  tuplets: Tuplet[],
): void {
  // Only as many parts as the strokes need: a triplet's 1 alone is a plain quarter.
  const places = strokes.map(({ at }) => div(mul(sub(at, start), frac(cell.parts)), length).n);
  const common = [...places, cell.parts].reduce(gcd);
  // Nine 8ths at once are no note, but three dotted quarters are.
  const finer = cell.parts > common ? 1 : [1, 2, 3, 4].find((each) => valueOf(div(length, frac(each))))!;
  const parts = (cell.parts / common) * finer;
  const part = div(length, frac(parts));
  const tuplet = valueOf(part) ? undefined : tupletOf(length, parts);
  const unit = tuplet ? div(length, frac(tuplet.inTimeOf)) : part;
  const index = tuplet && tuplets.push(tuplet) - 1;

  const onsets = [...new Set(places.map((place) => (place / common) * finer))].sort((a, b) => a - b);
  const write = (from: number, lasts: number, struck: Stroke[]) => {
    const written = valueOf(mul(unit, frac(lasts)));
    if (!written) throw new RangeError(`No note lasts ${lasts} parts of a cell`);
    notes.push({
      at: add(start, mul(part, frac(from))),
      length: mul(part, frac(lasts)),
      ...written,
      strokes: struck,
      ...(index !== undefined && { tuplet: index }),
    });
  };
  const rest = (from: number, to: number) => {
    for (let at = from; at < to;) {
      const lasts = LENGTHS.find(
        (each) => each <= to - at && valueOf(mul(unit, frac(each))) && (each === parts || isPowerOfTwo(each)),
      )!;
      write(at, lasts, []);
      at += lasts;
    }
  };
  rest(0, onsets[0] ?? parts);
  for (const [order, from] of onsets.entries()) {
    const until = onsets[order + 1] ?? parts;
    const lasts = LENGTHS.find((each) => each <= until - from && valueOf(mul(unit, frac(each))))!;
    write(
      from,
      lasts,
      strokes.filter((_, which) => (places[which]! / common) * finer === from),
    );
    rest(from + lasts, until);
  }
}

const isPowerOfTwo = (whole: number): boolean => Number.isInteger(Math.log2(whole));

/** The plain or dotted note value of a length, if it is one. */
function valueOf(length: WholeNotes): { value: number; dots: 0 | 1 } | undefined {
  if (!isPowerOfTwo(length.d)) return undefined;
  if (length.n === 1) return { value: length.d, dots: 0 };
  if (length.n === 3 && length.d > 1) return { value: length.d / 2, dots: 1 };
  return undefined;
}

/**
 * The tuplet that writes `parts` equal notes over a length: in the time of as many plain notes as fit, but
 * no more; of dotted ones where no plain ones fit; else of more (2 in the time of 3).
 */
function tupletOf(length: WholeNotes, parts: number): Tuplet {
  const values = Array.from({ length: 8 }, (_, power) => frac(1, 2 ** power));
  const fitting = (value: WholeNotes) => div(length, value);
  const plain = values.map(fitting).filter(({ d }) => d === 1);
  const dotted = values.map((value) => fitting(mul(value, frac(3, 2)))).filter(({ d }) => d === 1);
  const within = (fits: WholeNotes[]) => fits.filter(({ n }) => n <= parts && 2 * n > parts).at(-1);
  return {
    notes: parts,
    inTimeOf: (within(plain) ?? within(dotted) ?? [...plain, ...dotted].sort(compare).find(({ n }) => n > parts)!).n,
  };
}

/** Beams flagged notes that follow one another inside a group of counts; a rest parts them. */
function beam(notes: WrittenNote[], meter: Meter, reading: Reading): void {
  const starts = beamGroups(meter, reading);
  let number = 0;
  let open: { group: number; notes: WrittenNote[] } | undefined;
  const close = () => {
    if (open && open.notes.length > 1) {
      for (const note of open.notes) note.beam = number;
      number++;
    }
    open = undefined;
  };
  for (const note of notes) {
    const group = starts.findLastIndex((start) => compare(start, note.at) <= 0);
    if (open && open.group !== group) close();
    if (note.value < 8 || !note.strokes.length) close();
    else if (open) open.notes.push(note);
    else open = { group, notes: [note] };
  }
  close();
}

/** Where the beam groups of a bar start: its own grouping, dotted pulses, or the counts taken together as is usual. */
export function beamGroups(meter: Meter, reading: Reading): WholeNotes[] {
  const sizes = meter.grouping ?? usualGroups(meter, reading);
  const starts: WholeNotes[] = [ZERO];
  for (const size of sizes) starts.push(add(starts.at(-1)!, frac(size, meter.unit)));
  return starts.filter((start) => !equal(start, barLength(meter)));
}

/** How many units are beamed together where no grouping says so. */
function usualGroup(meter: Meter, reading: Reading): number {
  const { beats, unit } = meter;
  if (isCompound(meter) && (reading === 'pulse' || unit >= 8)) return 3;
  if (unit === 16) return Math.min(4, beats);
  if (unit === 8) return beats > 3 ? 2 : beats;
  return 1;
}

function usualGroups(meter: Meter, reading: Reading): number[] {
  const { beats } = meter;
  const size = usualGroup(meter, reading);
  const groups = Array.from({ length: Math.max(1, Math.floor(beats / size)) }, () => size);
  const left = beats - groups.length * size;
  if (left === 0) return groups;
  // 7/8 is 2+2+3, not 2+2+2+1; what is left of 16ths is long enough to stand alone.
  return left === 1 && size === 2 ? [...groups.slice(0, -1), 3] : [...groups, left];
}
