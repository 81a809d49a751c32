import type { Hit } from '../documents/take';
import { barLength, barStarts, countsOf, type Count } from '../grid/meter';
import { beatOf } from '../groove/beat';
import type { Groove } from '../groove/groove';
import type { Limb } from '../groove/limbs';
import { add, equal, exact, toNumber, type WholeNotes } from '../time/fraction';
import { offBeat, type Swing } from '../time/swing';
import { valueMs } from '../time/tempoMap';
import type { Ms } from '../time/units';

/**
 * Divisions of a count that are looked for, and what each costs: a finer grid has to explain what a plainer one
 * cannot.
 */
const GRIDS: [parts: number, cost: number][] = [
  [1, 0],
  [2, 1],
  [3, 2.5],
  [4, 2.5],
  [6, 6],
];
/** Long : short that is told from straight notes; a longer one is written as dotted notes. */
const RATIOS = ['4/3', '3/2', '5/3', '2', '5/2'];
/** What it costs to call a groove swung, against writing every place out. */
const SWING_COST = 4;
/**
 * A groove is called swung from the off-beats of this many counts on; nearer a count than this share of it is on it.
 */
const LEAST_OFF_BEATS = 2;
const ON_COUNT = 0.2;
/**
 * A stroke farther from its slot than this many spreads is a slip: it weighs by how far, not by the square of it
 * (Huber).
 */
const SLIP = 3;
/** Two grids that explain what was played this nearly alike are a question. */
const CLOSE = 2;

/** A slot of a grid: its written place from the start of the count, and where it sounds, as shares of the count. */
interface GridSlot {
  part: number;
  sounds: number;
}

/** A count of the groove: in which bar, and when in a round. */
export interface RunCount extends Count {
  bar: number;
  startMs: Ms;
  lengthMs: Ms;
}

export function countsInRun(groove: Groove): RunCount[] {
  const { bars, reading, tempo } = groove;
  const starts = barStarts(bars.map(({ meter }) => barLength(meter)));
  const ms = (length: WholeNotes) => valueMs(length, { bpm: tempo, beat: beatOf(groove) });
  return bars.flatMap(({ meter }, bar) =>
    countsOf(meter, reading).map((count) => ({
      ...count,
      bar,
      startMs: ms(add(starts[bar]!, count.at)),
      lengthMs: ms(count.length),
    })),
  );
}

/** A stroke in the count it belongs to, as so many parts of so many; `or` where another grid would have it. */
interface ReadStroke {
  limb: Limb;
  loudness?: number;
  round: number;
  count: number;
  part: number;
  parts: number;
  or?: { part: number; parts: number };
  /** How far from it, in milliseconds. */
  error: Ms;
}

/** What was played, as one feel and one grid of each count have it. */
export interface Reading {
  shift: Ms;
  ratio: string | undefined;
  value: Swing['value'];
  /** Whether enough off-beats were struck to tell straight from swung. */
  isFeelKnown: boolean;
  /** The parts of each count, and those of another grid that would hold it nearly as well. */
  grids: { parts: number; other?: number }[];
  strokes: ReadStroke[];
}

export type Timed = Pick<Hit, 'ms' | 'loudness'> & { limb: Limb };

const QUARTER = exact('1/4');

/** Feels that are tried: straight, and every swing of 8ths and 16ths where the count is a pair of 8ths. */
const FEELS: { value: Swing['value']; ratio: string | undefined }[] = [
  { value: '8th', ratio: undefined },
  ...RATIOS.flatMap((ratio) => (['8th', '16th'] as const).map((value) => ({ value, ratio }))),
];

/** Reads the strokes as each feel has them, and takes the one that explains them best. */
export function quantise(
  strokes: readonly Timed[],
  counts: readonly RunCount[],
  { shift, spread }: { shift: Ms; spread: Ms },
): Reading {
  const last = counts.at(-1)!;
  const roundMs = last.startMs + last.lengthMs;
  // Where in its count each stroke is, as a share of the count; the same count of all rounds together.
  const shares = strokes.map(({ ms, ...stroke }) => {
    const round = Math.floor((ms - shift) / roundMs);
    const within = ms - shift - round * roundMs;
    const count = counts.findLastIndex(({ startMs }) => startMs <= within);
    return { ...stroke, round, count, share: (within - counts[count]!.startMs) / counts[count]!.lengthMs };
  });
  const byCount = counts.map((_, count) => shares.filter((one) => one.count === count));
  const offBeats = byCount.filter((all) => all.some(({ share }) => share > ON_COUNT && share < 1 - ON_COUNT)).length;
  const maySwing = offBeats >= LEAST_OFF_BEATS && counts.every(({ length }) => equal(length, QUARTER));
  const feels = (maySwing ? FEELS : FEELS.slice(0, 1)).map((feel) => {
    const grids = byCount.map((all, count) => gridOf(all, counts[count]!.lengthMs / spread, feel));
    const cost = grids.reduce((total, one) => total + one.cost, 0) + (feel.ratio ? SWING_COST : 0);
    return { feel, grids, cost };
  });
  const best = feels.reduce((least, one) => (one.cost < least.cost - 1e-9 ? one : least));
  return {
    shift,
    isFeelKnown: maySwing,
    ...best.feel,
    grids: best.grids.map(({ parts, other }) => ({ parts, ...(other && { other }) })),
    strokes: shares.map(({ share, ...stroke }): ReadStroke => {
      const { parts, other } = best.grids[stroke.count]!;
      const slot = nearest(slotsOf(parts, best.feel), share);
      const error = (share - slot.sounds) * counts[stroke.count]!.lengthMs;
      const or = other && { part: nearest(slotsOf(other, best.feel), share).part, parts: other };
      if (slot.part < parts) return { ...stroke, part: slot.part, parts, error, ...(or && { or }) };
      // The slot after the last is the first of the next count.
      const next = (stroke.count + 1) % counts.length;
      return { ...stroke, round: stroke.round + (next ? 0 : 1), count: next, part: 0, parts: 1, error };
    }),
  };
}

/** The grid of one count that explains its strokes for the least cost. */
function gridOf(strokes: readonly { share: number }[], inSpreads: number, feel: (typeof FEELS)[number]) {
  const tried = GRIDS.map(([parts, cost]) => {
    const slots = slotsOf(parts, feel);
    const misfit = strokes.reduce((total, { share }) => {
      const away = Math.abs(share - nearest(slots, share).sounds) * inSpreads;
      return total + (away < SLIP ? (away * away) / 2 : SLIP * (away - SLIP / 2));
    }, 0);
    return { parts, cost: cost + misfit };
  }).sort((a, b) => a.cost - b.cost);
  const isClose = strokes.length > 0 && tried[1]!.cost - tried[0]!.cost < CLOSE;
  return { ...tried[0]!, ...(isClose && { other: tried[1]!.parts }) };
}

/** The slots of a count, and the start of the next. Swing bends what is no triplet. */
function slotsOf(parts: number, { value, ratio }: (typeof FEELS)[number]): GridSlot[] {
  return Array.from({ length: parts + 1 }, (_, part): GridSlot => {
    const even = part / parts;
    if (!ratio || parts === 3 || parts === 6) return { part, sounds: even };
    const turn = toNumber(offBeat(exact(ratio)));
    const pairs = value === '8th' ? 1 : 2;
    const pair = Math.floor(even * pairs + 1e-9);
    const within = even * pairs - pair;
    const bent = within <= 0.5 ? within * 2 * turn : turn + (within - 0.5) * 2 * (1 - turn);
    return { part, sounds: (pair + bent) / pairs };
  });
}

const nearest = (slots: readonly GridSlot[], share: number): GridSlot =>
  slots.reduce((best, slot) => (Math.abs(slot.sounds - share) < Math.abs(best.sounds - share) ? slot : best));
