import { z } from 'zod';
import type { RuleJson } from '../documents/rule';
import type { FreeStroke } from '../groove/place';
import { LIMBS, type Height, type Limb, type Surface } from '../groove/limbs';
import type { Result } from '../result';
import { add, frac, less, mul, type WholeNotes } from '../time/fraction';
import { barLength, countsOf, type Count, type Meter, type Reading } from '../grid/meter';
import { slotsOfBar, cellsOfDivisions } from '../grid/cells';

/** What a drill is made over: a meter, a grid, and what the other limbs keep repeating. */
export interface DrillGrid {
  meter: Meter;
  reading: Reading;
  /** Parts of every count. */
  parts: number;
  /** Every slot of a bar, in order. */
  slots: readonly WholeNotes[];
  counts: readonly Count[];
  /** One bar of it. */
  ostinato: readonly FreeStroke[];
}

/** One exercise before it is laid into bars: its strokes from its own start. */
export interface Figure {
  /** What it is among the others: "the e of 1", "3 in 8: 1 4 6". */
  say: string;
  /** The places that name it where `say` is empty; those of its first limb in the first bar where none are given. */
  places?: readonly WholeNotes[];
  bars: number;
  strokes: readonly FreeStroke[];
  /** Bars of another meter than the ground's. */
  meter?: Meter;
  /** It is whole without the ostinato; or only limbs it leaves free keep theirs. */
  alone?: boolean | 'but for free limbs';
  /** Which slots it strikes or accents, where turning it round gives the same exercise from another start. */
  cyclic?: readonly boolean[];
}

type UsualOrder = 'as generated' | 'easy to hard';

/**
 * A rule that writes exercises. `shape` has a usual value for every parameter, and its description is the form's
 * label.
 */
export interface Family<P = unknown> {
  name: string;
  /** What one wants when one wants this, in plain words. */
  wish: string;
  /** Raised when the same parameters come to other bars. */
  version: number;
  /** In which order its exercises usually come; a collection goes from easy to hard, a walk as the rule goes. */
  order: UsualOrder | ((params: P) => UsualOrder);
  /** The ground it usually stands on, where that is not the drill maker's own. */
  ground?: Pick<RuleJson, 'meter' | 'reading' | 'parts' | 'ostinato' | 'goal'>;
  shape: z.ZodType<P>;
  /** One sentence on what it trains. */
  trains: (params: P, ground: DrillGrid) => string;
  /**
   * How many exercises there are, counted and not made; or why there are none and what would work, at its parameter.
   */
  total: (params: P, ground: DrillGrid) => Result<number>;
  /** One of them, 0 to total − 1, in the order of the rule. */
  figure: (params: P, ground: DrillGrid, index: number) => Figure;
}

/** Keeps a family's own type of parameters while it is written. */
export const family = <P>(one: Family<P>): Family<P> => one;

/** The ground of a meter and grid; throws when the parts are none. */
export function groundOf(
  meter: Meter,
  parts: number,
  reading: Reading,
  ostinato: readonly FreeStroke[] = [],
): DrillGrid {
  const cells = cellsOfDivisions(meter, reading, parts);
  return {
    meter,
    reading,
    parts,
    slots: slotsOfBar(meter, reading, cells).map(({ at }) => at),
    counts: countsOf(meter, reading),
    ostinato,
  };
}

export const limbShape = z.enum(LIMBS);

export const stroke = (limb: Limb, surface: Surface, at: WholeNotes, height: Height = 'tap'): FreeStroke => ({
  limb,
  surface,
  at,
  height,
});

/** Hands in turn, right first. */
export const alternating = (index: number): Limb => (index % 2 ? 'left hand' : 'right hand');

/** The even counts, on which the backbeat falls. */
export const isBackbeat = ({ counts }: DrillGrid, at: WholeNotes): boolean =>
  counts.some((count) => count.number % 2 === 0 && count.at.n === at.n && count.at.d === at.d);

/** The count a place belongs to. */
export const countAt = ({ counts }: DrillGrid, at: WholeNotes): Count =>
  counts.findLast((count) => !less(at, count.at))!;

export const lengthOfBar = ({ meter }: DrillGrid): WholeNotes => barLength(meter);

/** The slot-th slot from the start, over as many bars as it takes. */
export const slotFrom = (ground: DrillGrid, slot: number): WholeNotes =>
  add(
    ground.slots[slot % ground.slots.length]!,
    mul(lengthOfBar(ground), frac(Math.floor(slot / ground.slots.length))),
  );

/** Bars until something of so many slots and the bar begin together again. */
export function barsToRealign(ground: DrillGrid, slots: number): number {
  let bars = 1;
  while ((bars * ground.slots.length) % slots) bars++;
  return bars;
}
