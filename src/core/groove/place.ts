import { add, compare, div, equal, frac, less, modulo, mul, sub, sum, ZERO, type WholeNotes } from '../time/fraction';
import { barLength, barStarts, countsOf, type Meter, type Reading } from '../grid/meter';
import { NOTE_VALUES, type NoteValue } from '../time/noteValue';
import type { Bar, Groove, Stroke } from './groove';
import type { Cell } from '../grid/cells';

/** A stroke with its place from the start of the groove, in whole notes. */
export interface FreeStroke extends Omit<Stroke, 'at'> {
  at: WholeNotes;
}

/** All strokes of a groove by their place from its start, in playing order. */
export function strokesOf(groove: Groove): FreeStroke[] {
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  return groove.bars
    .flatMap((bar, index) => bar.strokes.map((stroke) => ({ ...stroke, at: add(starts[index]!, stroke.at) })))
    .sort((a, b) => compare(a.at, b.at));
}

export const lengthOf = (groove: Pick<Groove, 'bars'>): WholeNotes =>
  sum(groove.bars.map((bar) => barLength(bar.meter)));

/** Onsets moved later (or, below 0, earlier) by `shift`, wrapped round the length of the whole figure, in order. */
export function displaced(onsets: readonly WholeNotes[], shift: WholeNotes, length: WholeNotes): WholeNotes[] {
  return onsets.map((at) => modulo(add(at, shift), length)).sort(compare);
}

/** A stretch of a re-rate: so many notes in a value. */
export interface RateSpan {
  value: NoteValue;
  notes: number;
}

/** Notes laid one after another in the values of a plan: where each starts, and where the last one ends. */
export function spanOnsets(plan: readonly RateSpan[]): { onsets: WholeNotes[]; endsAt: WholeNotes } {
  const onsets: WholeNotes[] = [];
  let at = ZERO;
  for (const { value, notes } of plan) {
    for (let note = 0; note < notes; note++) {
      onsets.push(at);
      at = add(at, NOTE_VALUES[value]);
    }
  }
  return { onsets, endsAt: at };
}

/** How many bars of a meter a length needs, the last one padded with rest. */
export function barsToFill(length: WholeNotes, meter: Meter): number {
  const bars = div(length, barLength(meter));
  return Math.ceil(bars.n / bars.d);
}

/** The most parts a count may be divided into. */
export const MOST_PARTS = 8;

/**
 * The cells that hold given places of one bar: each count divided no further than it needs, and where no
 * division of single counts holds them, tuplets over two or four counts. Cells of `keep` stay where they
 * hold their places, so that an unchanged grid is left alone. Undefined when no grid holds them all.
 */
export function cellsFor(
  meter: Meter,
  reading: Reading,
  places: readonly WholeNotes[],
  keep?: readonly Cell[],
): Cell[] | undefined {
  const counts = countsOf(meter, reading);
  const cells: Cell[] = [];
  for (let first = 0; first < counts.length;) {
    const cell = cellFrom(first, keep) ?? smallestCell(first);
    if (!cell) return undefined;
    cells.push(cell);
    first += cell.counts;
  }
  return cells;

  function cellFrom(first: number, wanted: readonly Cell[] | undefined): Cell | undefined {
    let start = 0;
    for (const cell of wanted ?? []) {
      if (start === first) return holds(first, cell) ? cell : undefined;
      start += cell.counts;
    }
    return undefined;
  }

  function smallestCell(first: number): Cell | undefined {
    for (const wide of [1, 2, 4]) {
      for (let parts = 1; parts <= MOST_PARTS; parts++)
        if (holds(first, { counts: wide, parts })) return { counts: wide, parts };
    }
    return undefined;
  }

  function holds(first: number, cell: Cell): boolean {
    if (first + cell.counts > counts.length) return false;
    const start = counts[first]!.at;
    const length = mul(counts[first]!.length, frac(cell.counts));
    const within = places.filter((at) => !less(at, start) && less(at, add(start, length)));
    return within.every((at) => modulo(mul(sub(at, start), frac(cell.parts)), length).n === 0);
  }
}

/**
 * A groove of `meter` bars from strokes placed freely, in grids that hold them; bars of rest follow when
 * `length` wants them. Undefined when a place fits no grid, or one limb would strike twice at once.
 */
export function barsFrom(
  strokes: readonly FreeStroke[],
  like: readonly { meter: Meter; cells?: readonly Cell[] }[],
  reading: Reading,
): Bar[] | undefined {
  const starts = barStarts(like.map(({ meter }) => barLength(meter)));
  const bars: Bar[] = [];
  for (const [index, { meter, cells: keep }] of like.entries()) {
    const here = strokes
      .filter(({ at }) => !less(at, starts[index]!) && less(at, starts[index + 1]!))
      .map((stroke): Stroke => ({ ...stroke, at: sub(stroke.at, starts[index]!) }));
    const cells = cellsFor(
      meter,
      reading,
      here.map(({ at }) => at),
      keep,
    );
    const twice = here.some(
      (one, place) => here.findIndex((other) => other.limb === one.limb && equal(other.at, one.at)) !== place,
    );
    if (!cells || twice) return undefined;
    bars.push({ meter, cells, strokes: here });
  }
  return bars;
}
