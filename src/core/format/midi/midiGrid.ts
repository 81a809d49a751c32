import type { Cell } from '../../grid/cells';
import { barLength, countsOf, type Count, type Meter } from '../../grid/meter';
import { cellsFor, MOST_PARTS } from '../../groove/place';
import { add, div, frac, less, mul, sub, toNumber, ZERO, type Fraction, type WholeNotes } from '../../time/fraction';
import { swingRatio, writtenPlace, type Swing } from '../../time/swing';
import type { Bpm } from '../../time/units';
import type { Asker, LeftOut } from '../imported/grooveRead';
import type { Note } from './midiNotes';

/**
 * Divisions of a count that are looked through where a file was played and not written, and how far a stroke may lie
 * from its place, as a share of a count.
 */
const DIVISIONS = [1, 2, 3, 4, 6, 8] as const;
const NEAR = 1 / 16;
/** A place is written in whole ticks: a share that is no further off than this is meant to be exact. */
const ROUNDED = 1 / 2000;
const EVERY_DIVISION = Array.from({ length: MOST_PARTS }, (_, index) => index + 1);
/** Divisions that are played even in a swung groove, and up to which one they are the plain notes of each swing. */
const UNSWUNG = [3, 6];
const PLAIN = { '8th': 2, '16th': 4 };
const NEAREST = 'nearest';
const GRIDS: [string, string][] = [
  [NEAREST, 'The nearest places'],
  ['2', '2 to a count'],
  ['3', '3 to a count'],
  ['4', '4 to a count'],
  ['6', '6 to a count'],
  ['8', '8 to a count'],
];

/** A bar of a file, from the beginning of the file. */
export interface FileBar {
  start: WholeNotes;
  meter: Meter;
}

/** A note by its place in its bar. */
interface Placed {
  at: WholeNotes;
  note: Note;
}

export interface GriddedBar {
  meter: Meter;
  cells: Cell[];
  placed: Placed[];
}

/** What a file is played with. */
export interface Played {
  swing: Swing;
  /** Long : short, at the tempo of the file. */
  ratio: Fraction;
}

/** A bar with the strokes that fall within it. */
interface StruckBar {
  meter: Meter;
  placed: readonly Placed[];
}

/** Strokes, in their order, by the bars they fall in. */
export function strokesByBar(bars: readonly FileBar[], notes: readonly Note[]): StruckBar[] {
  let next = 0;
  return bars.map(({ start, meter }) => {
    const end = add(start, barLength(meter));
    while (notes[next] && less(notes[next]!.at, start)) next++;
    const from = next;
    while (notes[next] && less(notes[next]!.at, end)) next++;
    return { meter, placed: notes.slice(from, next).map((note) => ({ at: sub(note.at, start), note })) };
  });
}

/**
 * Each bar on the grid that holds its strokes exactly, taken back from a swing where there is one; else on the
 * nearest, or the one that was answered. What lies just before a bar line falls on it.
 */
export function gridOf(
  bars: readonly StruckBar[],
  swing: Played | undefined,
  asker: Asker,
  left: LeftOut,
): GriddedBar[] {
  const exactly = bars.map(({ meter, placed }) => exactGrid(meter, placed, swing));
  const moved = bars.reduce((sum, { placed }, index) => (exactly[index] ? sum : sum + placed.length), 0);
  let grid: string = NEAREST;
  if (moved) {
    left.leave('stroke moved to the nearest place of the grid', moved);
    grid = asker.ask('grid', `Beside the grid, ${moved === 1 ? 'one stroke' : `${moved} strokes`}`, GRIDS, NEAREST);
  }
  let carried: Note[] = [];
  return bars.map(({ meter, placed }, index) => {
    const here = [...carried.map((note) => ({ at: ZERO, note })), ...placed];
    carried = [];
    const found = exactly[index] && exactGrid(meter, here, swing);
    if (found) return found;
    const nearest = nearestGrid(meter, here, swing, grid === NEAREST ? undefined : Number(grid));
    carried = nearest.beyond;
    return nearest.bar;
  });
}

function exactGrid(meter: Meter, own: readonly Placed[], swing: Played | undefined): GriddedBar | undefined {
  if (!swing) {
    const cells = cellsFor(
      meter,
      'numbers',
      own.map(({ at }) => at),
    );
    return cells && { meter, cells, placed: [...own] };
  }
  const bar: GriddedBar = { meter, cells: [], placed: [] };
  for (const count of countsOf(meter)) {
    const { parts, placed } = swungCount(count, ofCount(count, own), swing, ROUNDED);
    if (parts === Infinity) return undefined;
    bar.cells.push({ counts: 1, parts });
    bar.placed.push(...placed);
  }
  return bar.placed.every(({ at }) => less(at, barLength(meter))) ? bar : undefined;
}

const ofCount = ({ at, length }: Count, own: readonly Placed[]): Placed[] =>
  own.filter((one) => !less(one.at, at) && less(one.at, add(at, length)));
const shareIn = (count: Count, at: WholeNotes): number => toNumber(div(sub(at, count.at), count.length));
const farthest = (shares: readonly number[], parts: number): number =>
  shares.reduce((far, share) => Math.max(far, Math.abs(share - Math.round(share * parts) / parts)), 0);
/** The coarsest division of a count that has all shares near its places. */
const divisionFor = (shares: readonly number[], near: number): number =>
  (near === ROUNDED ? EVERY_DIVISION : DIVISIONS).find((parts) => farthest(shares, parts) <= near) ?? Infinity;

/**
 * The strokes of a count where they are written under a swing, and the division that holds them. Those that lie on a
 * simpler grid as they are stay: a triplet is never swung. Infinity where no division holds them.
 */
function swungCount(count: Count, here: readonly Placed[], { swing, ratio }: Played, near: number) {
  const asTheyAre = here.map(({ at }) => shareIn(count, at));
  const back = here.map(({ at }) =>
    shareIn(count, add(count.at, writtenPlace(sub(at, count.at), swing.value, ratio, count.length))),
  );
  const found = divisionFor(back, near);
  const parts = UNSWUNG.includes(found) ? Infinity : found;
  const triplet = UNSWUNG.find((one) => farthest(asTheyAre, one) <= near) ?? Infinity;
  const isBack = parts < Infinity && (parts <= PLAIN[swing.value] || parts < triplet);
  return isBack ? onParts(count, here, back, parts) : onParts(count, here, asTheyAre, triplet);
}

/** Strokes on the places of a count that is so divided. */
const onParts = (count: Count, here: readonly Placed[], shares: readonly number[], parts: number) => ({
  parts,
  placed:
    parts === Infinity
      ? []
      : here.map(({ note }, index) => ({
          at: add(count.at, mul(count.length, frac(Math.round(shares[index]! * parts), parts))),
          note,
        })),
});

/** A count on the coarsest division that has its strokes near its places, else on the one that is nearest to them. */
function nearestCount(count: Count, here: readonly Placed[], swing: Played | undefined, wanted: number | undefined) {
  const swung = swing && swungCount(count, here, swing, NEAR);
  if (swung && swung.parts < Infinity && (wanted ?? swung.parts) === swung.parts) return swung;
  const shares = here.map(({ at }) => shareIn(count, at));
  const near = divisionFor(shares, NEAR);
  const nearest = near < Infinity ? near : DIVISIONS.toSorted((a, b) => farthest(shares, a) - farthest(shares, b))[0]!;
  return onParts(count, here, shares, wanted ?? nearest);
}

/** The grid whose counts are divided no further than strokes near their places need, and the strokes on it. */
function nearestGrid(meter: Meter, own: readonly Placed[], swing: Played | undefined, wanted: number | undefined) {
  const bar: GriddedBar = { meter, cells: [], placed: [] };
  const beyond: Note[] = [];
  for (const count of countsOf(meter)) {
    const { parts, placed } = nearestCount(count, ofCount(count, own), swing, wanted);
    bar.cells.push({ counts: 1, parts });
    for (const one of placed)
      if (less(one.at, barLength(meter))) bar.placed.push(one);
      else beyond.push(one.note);
  }
  return { bar, beyond };
}

/** Where off-beats lie that are heard as swung, as a share of a pair: from a light swing to 3.5 to 1. */
const [SWUNG_FROM, SWUNG_TO] = [0.56, 0.78];
/** From so many off-beats on, and if all but so few are there. */
const [FEWEST_SWUNG, OTHERS] = [3, 0.1];
/** Ratios that are offered, each by where its off-beat lies. */
const RATIOS: [ratio: string, share: number][] = [
  ['3/2', 3 / 5],
  ['2', 2 / 3],
  ['3', 3 / 4],
];

/**
 * The swing that a file is played with: as it says itself (`said`), else where its off-beats lie late; asked in both
 * cases. Places that are written exactly as triplets or dotted stay as they are unless it is answered otherwise.
 */
export function swingOf(
  bars: readonly StruckBar[],
  said: Swing | undefined,
  bpm: Bpm,
  asker: Asker,
): Played | undefined {
  if (bars.some(({ meter }) => meter.unit !== 4)) return undefined;
  for (const [value, pair] of [
    ['8th', frac(1, 4)],
    ['16th', frac(1, 8)],
  ] as const) {
    if (said && said.value !== value) continue;
    const share = lateShare(bars.flatMap(({ placed }) => placed.map(({ at }) => toNumber(div(at, pair)) % 1)));
    if (!share && !said) continue;
    const choices: [string, string][] = [
      ['none', 'As they lie'],
      ...RATIOS.map(([ratio]): [string, string] => [ratio, `Swung ${value}s, ${ratio.replace('/', ':')}`]),
    ];
    if (said && !RATIOS.some(([ratio]) => ratio === said.ratio))
      choices.push([said.ratio, `Swung ${value}s, ${said.ratio.replace('/', ':')}`]);
    const usual = said?.ratio ?? usualRatio(share!);
    const where = share ? `Off-beats lie late, ${Math.round(share.mean * 100)} %` : 'It says it is swung';
    const taken = asker.ask('swing', where, choices, usual);
    const swing: Swing = { value, ratio: taken };
    return taken === 'none' ? undefined : { swing, ratio: swingRatio(swing, bpm) };
  }
  return undefined;
}

interface LateShare {
  mean: number;
  isExact: boolean;
}

/** Where off-beats lie, if nearly all of them are late. */
function lateShare(shares: readonly number[]): LateShare | undefined {
  const off = shares.filter((share) => share > NEAR && share < 1 - NEAR);
  const late = off.filter((share) => share >= SWUNG_FROM && share <= SWUNG_TO);
  if (late.length < FEWEST_SWUNG || late.length < (1 - OTHERS) * off.length) return undefined;
  return {
    mean: late.reduce((sum, share) => sum + share, 0) / late.length,
    isExact: late.every((share) => Math.abs(share - late[0]!) <= ROUNDED),
  };
}

function usualRatio({ mean, isExact }: LateShare): string {
  const [ratio, share] = RATIOS.toSorted((a, b) => Math.abs(a[1] - mean) - Math.abs(b[1] - mean))[0]!;
  // A triplet or a dotted note that is written exactly is meant; one that was played at 3 to 1 is dotted too.
  const isWritten = ratio === '3' || (ratio === '2' && isExact && Math.abs(mean - share) <= ROUNDED);
  return isWritten ? 'none' : ratio;
}
