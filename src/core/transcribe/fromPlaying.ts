import { usualSurface } from '../groove/kit';
import type { Hit } from '../documents/take';
import { slotAt, slotsOfBar } from '../grid/cells';
import type { Groove, Stroke } from '../groove/groove';
import { LIMBS, type Height, type Limb } from '../groove/limbs';
import { cellsFor, strokesOf, type FreeStroke } from '../groove/place';
import { inBars, type Answer } from '../groove/transformed';
import { barLength, barStarts } from '../grid/meter';
import { fail, ok, problem, type Result } from '../result';
import { add, compare, equal, format, frac, mul, type WholeNotes } from '../time/fraction';
import type { Swing } from '../time/swing';
import type { Ms } from '../time/units';
import { countsInRun, quantise, type Reading, type RunCount, type Timed } from './gridPlayed';

/** What was played to the click over the bars of a groove, and at which beat of it. */
export interface Played {
  /** The groove that stands there: its meter, bars, tempo and what is not to be lost. */
  groove: Groove;
  /** How often its bars were gone through. */
  rounds: number;
  hits: readonly Pick<Hit, 'ms' | 'limb' | 'loudness'>[];
}

/** A place that was heard, where it is not certain. */
export interface Doubt {
  bar: number;
  limb: Limb;
  at: WholeNotes;
  /**
   * Where another grid of its count, which explains what was played nearly as well, would have it; else it was struck
   * in some of the rounds only.
   */
  or?: WholeNotes;
  /** How many rounds of how many it was struck in. */
  rounds: number;
  of: number;
  isPlaced: boolean;
}

/** What playing came to. */
export interface FromPlaying {
  groove: Groove;
  /** How many strokes were added to what stood there. */
  added: number;
  /** How they were played, where the groove is set otherwise: straight or swung. The groove is left as it is set. */
  feel?: Swing | 'straight';
  doubts: Doubt[];
  /**
   * Counts, by bar and number, whose grid could not hold what was played beside what stood there: nothing was laid
   * there.
   */
  kept: { bar: number; count: number }[];
}

/** The spread of a player, in milliseconds, between which it is looked for. */
const LEAST_SPREAD: Ms = 8;
const MOST_SPREAD: Ms = 30;

/**
 * The groove that was played: for each count the grid that explains its strokes best for what it costs (least squares
 * over the spread of the player, as in a likelihood ratio, less the cost of the grid), swing where pairs are long–short
 * all through, and every place that was struck in half of the rounds or more. What the player is late or early as a
 * whole is taken off first. What stood in the groove stays.
 */
export function grooveFromPlaying({ groove, rounds, hits }: Played): Result<FromPlaying> {
  const known = hits.filter((hit): hit is Timed => hit.limb !== undefined);
  if (!known.length)
    return fail(problem('nothing-played', 'Nothing was played.', 'Press record and play to the click.'));
  const counts = countsInRun(groove);
  const last = counts.at(-1)!;
  const roundMs = last.startMs + last.lengthMs;
  const inTime = known.filter(({ ms }) => ms > -last.lengthMs / 2 && ms < roundMs * rounds);
  if (!inTime.length)
    return fail(problem('nothing-played', 'Nothing was played after the count-in.', 'Play when the bar begins.'));

  // Twice: once to see how late and how even the player is as a whole, and once with that known.
  let reading = quantise(inTime, counts, { shift: 0, spread: 18 });
  for (let again = 0; again < 2; again++) {
    const errors = reading.strokes.map(({ error }) => error).sort((a, b) => a - b);
    const shift = reading.shift + errors[Math.floor(errors.length / 2)]!;
    const middle = errors[Math.floor(errors.length / 2)]!;
    const apart = errors.map((error) => Math.abs(error - middle)).sort((a, b) => a - b);
    // 1.4826 times the median distance from the median is the spread of a normal distribution.
    const spread = Math.min(MOST_SPREAD, Math.max(LEAST_SPREAD, 1.4826 * apart[Math.floor(apart.length / 2)]!));
    reading = quantise(inTime, counts, { shift, spread });
  }
  return ok(laid(groove, rounds, counts, reading));
}

/** A place that was struck: in which rounds, and how loud. */
interface StruckPlace {
  limb: Limb;
  count: number;
  at: WholeNotes;
  or?: WholeNotes;
  rounds: Set<number>;
  loud: number[];
}

/** Lays what was read into the groove, beside what stood there. */
function laid(groove: Groove, rounds: number, counts: readonly RunCount[], reading: Reading): FromPlaying {
  const struck = new Map<string, StruckPlace>();
  for (const { limb, count, part, parts, or, round, loudness } of reading.strokes) {
    // An early first stroke of the run belongs to its first round; one past the end, to nothing.
    if (round < 0 || round >= rounds) continue;
    const { at: start, length } = counts[count]!;
    const at = add(start, mul(length, frac(part, parts)));
    const key = `${limb} ${count} ${format(at)}`;
    const one = struck.get(key) ?? { limb, count, at, rounds: new Set<number>(), loud: [] };
    one.or = or && add(start, mul(length, frac(or.part, or.parts)));
    one.rounds.add(round);
    if (loudness !== undefined) one.loud.push(loudness);
    struck.set(key, one);
  }
  const heights = heightsOf([...struck.values()]);
  const doubts: Doubt[] = [];
  const kept: FromPlaying['kept'] = [];
  let added = 0;
  const bars = groove.bars.map((bar, index) => {
    const here = [...struck.values()].filter(({ count }) => counts[count]!.bar === index);
    const wanted = here.flatMap((one): (Stroke & { count: number })[] => {
      const share = one.rounds.size / rounds;
      const isPlaced = share >= 0.5;
      const isThere = bar.strokes.some(({ limb, at }) => limb === one.limb && equal(at, one.at));
      if (!isThere) {
        const doubt = { bar: index, limb: one.limb, at: one.at, rounds: one.rounds.size, of: rounds, isPlaced };
        if (isPlaced && one.or && !equal(one.or, one.at)) doubts.push({ ...doubt, or: one.or });
        else if (share > 0.25 && share < 0.75 && rounds > 1) doubts.push(doubt);
      }
      if (!isPlaced || isThere) return [];
      const surface = usualSurface(groove, one.limb);
      return [{ limb: one.limb, at: one.at, surface, height: heights(one), count: one.count }];
    });
    const held = holding(groove, index, wanted, counts);
    kept.push(...held.kept);
    added += held.strokes.length;
    return {
      ...bar,
      cells: held.cells,
      strokes: [...bar.strokes, ...held.strokes].sort((a, b) => compare(a.at, b.at)),
    };
  });
  const feel = otherFeel(groove, reading);
  const isLaid = (one: Doubt) =>
    !kept.some(({ bar, count }) => bar === one.bar && isOfCount(one.at, counts, bar, count));
  return {
    groove: { ...groove, bars },
    added,
    ...(feel && { feel }),
    doubts: doubts.filter(isLaid),
    kept,
  };
}

const isOfCount = (at: WholeNotes, counts: readonly RunCount[], bar: number, number: number) => {
  const count = counts.find((one) => one.bar === bar && one.number === number)!;
  return compare(at, count.at) >= 0 && compare(at, add(count.at, count.length)) < 0;
};

/**
 * The feel that was played, where it is known and is another than that of the groove; a longer or shorter swing is
 * the same.
 */
function otherFeel({ swing }: Groove, { isFeelKnown, value, ratio }: Reading): FromPlaying['feel'] {
  if (!isFeelKnown || (ratio ? swing?.value === value : !swing)) return undefined;
  return ratio ? { value, ratio } : 'straight';
}

/** The grid that holds what stood in a bar and as much of what was played as can stand beside it, count by count. */
function holding(
  groove: Groove,
  bar: number,
  wanted: readonly (Stroke & { count: number })[],
  counts: readonly RunCount[],
) {
  const { meter, cells, strokes } = groove.bars[bar]!;
  const slots = slotsOfBar(meter, groove.reading, cells);
  let [grid, laidDown, kept] = [cells, [] as Stroke[], [] as FromPlaying['kept']];
  for (const [count, { number }] of counts.entries()) {
    const here = wanted.filter((one) => one.count === count).map(({ count: _, ...stroke }) => stroke);
    if (!here.length) continue;
    const all = [...strokes, ...laidDown, ...here].map(({ at }) => at);
    const holds = here.every(({ at }) => slotAt(slots, at)) ? grid : cellsFor(meter, groove.reading, all, grid);
    if (!holds) {
      kept = [...kept, { bar, count: number }];
      continue;
    }
    [grid, laidDown] = [holds, [...laidDown, ...here]];
  }
  return { cells: grid, strokes: laidDown, kept };
}

/** How much louder or softer than the limb's own middle an accent or a ghost is: about 6 dB either way. */
const APART = 2;

/**
 * Heights of what was struck, from how loud it was against the other strokes of its limb; taps where that is not
 * known.
 */
function heightsOf(struck: readonly { limb: Limb; loud: number[] }[]): (one: { limb: Limb; loud: number[] }) => Height {
  const middle = new Map(
    LIMBS.map((limb) => [limb, median(struck.filter((one) => one.limb === limb).flatMap(({ loud }) => loud))]),
  );
  return ({ limb, loud }) => {
    const [own, usual] = [median(loud), middle.get(limb)];
    if (own === undefined || !usual) return 'tap';
    if (own >= usual * APART) return 'accent';
    return own <= usual / APART ? 'ghost' : 'tap';
  };
}

function median(values: readonly number[]): number | undefined {
  return values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
}

/** What is to become of a doubt: it stands where it is, at its other place, or not at all. */
export type Decision = 'here' | 'other' | 'out';
export const usualDecision = ({ isPlaced }: Doubt): Decision => (isPlaced ? 'here' : 'out');

/** The groove with what was asked answered; what is left as it stands changes nothing. */
export function decided({ groove, doubts }: FromPlaying, decisions: readonly Decision[]): Answer {
  const starts = barStarts(groove.bars.map(({ meter }) => barLength(meter)));
  const isAt = (limb: Limb, at: WholeNotes) => (stroke: FreeStroke) => stroke.limb === limb && equal(stroke.at, at);
  let strokes = strokesOf(groove);
  for (const [index, doubt] of doubts.entries()) {
    const decision = decisions[index]!;
    if (decision === usualDecision(doubt)) continue;
    const at = add(starts[doubt.bar]!, doubt.at);
    const before = strokes.find(isAt(doubt.limb, at));
    strokes = strokes.filter((stroke) => stroke !== before);
    if (decision === 'out') continue;
    const to = decision === 'other' ? add(starts[doubt.bar]!, doubt.or!) : at;
    if (strokes.some(isAt(doubt.limb, to))) continue;
    const fresh = { limb: doubt.limb, surface: usualSurface(groove, doubt.limb), height: 'tap' as const };
    strokes = [...strokes, { ...(before ?? fresh), at: to }];
  }
  return inBars(
    groove,
    strokes.toSorted((a, b) => compare(a.at, b.at)),
    groove.bars,
    '',
  );
}
