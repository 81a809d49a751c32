import { labelsOf, type Label } from '@/core/counting/labels';
import type { School } from '@/core/counting/schools';
import type { Groove } from '@/core/groove/groove';
import { LIMBS, type Height, type Limb, type Surface } from '@/core/groove/limbs';
import { limbsIn, usualSurface } from '@/core/groove/kit';
import { slotPlaces } from '@/core/schedule/slotPlaces';
import { equal, toNumber, type WholeNotes } from '@/core/time/fraction';
import { barLength, countsIn } from '@/core/grid/meter';
import type { Feel } from '@/core/form/form';
import { beatOf } from '@/core/groove/beat';
import { valueMs } from '@/core/time/tempoMap';
import type { Bpm } from '@/core/time/units';

/**
 * How big a strip is drawn, in pixels: read from a stool in the room, there where the screen is low, from a chair at
 * the desk, at a glance in a list. `lead` is how far the first slot of a row stands from the edge of the cloth, which
 * leaves room for what is struck early on 1.
 */
export const SIZES = {
  room: { head: 62, lane: 72, count: 42, syllable: 21, margin: 128, slot: 30, lead: 36 },
  low: { head: 44, lane: 52, count: 28, syllable: 15, margin: 112, slot: 26, lead: 24 },
  desk: { head: 48, lane: 72, count: 32, syllable: 18, margin: 112, slot: 28, lead: 36 },
  glance: { head: 34, lane: 40, count: 20, syllable: 14, margin: 96, slot: 20, lead: 16 },
} as const;
/** How far each count's shade begins before its slot, in pixels. */
export const SHADE_LEAD = 16;

/** How far a row's drawing reaches over its top, in pixels. */
export const REACH = { room: 18, low: 14, desk: 18, glance: 9 } as const;

export type StripSize = keyof typeof SIZES;

/** Share of a lane's height a stick starts from. */
export const STEM: Record<Height, { share: number; width: number; opacity: number }> = {
  ghost: { share: 0.3, width: 5, opacity: 0.6 },
  tap: { share: 0.56, width: 6, opacity: 1 },
  accent: { share: 0.9, width: 9, opacity: 1 },
};

/** Theme colour of a limb's thread; always beside its lane and its name. */
export const THREAD = {
  'right hand': 'rightHand',
  'left hand': 'leftHand',
  'right foot': 'rightFoot',
  'left foot': 'leftFoot',
} as const satisfies Record<Limb, string>;

/** A slot as the strip draws it: what is said there, and where it really sounds, as a percentage of the bar. */
export interface DrawnSlot extends Label {
  percent: number;
}

export interface DrawnBar {
  /** How far each leaning limb's strokes are drawn beside their slots, in percent of the bar. */
  lean: Partial<Record<Limb, number>>;
  slots: DrawnSlot[];
  /** Where each count starts and how wide it is, in percent of the bar. */
  counts: { number: number; percent: number; width: number }[];
}

/** A bar of a groove with its slots where they sound. */
export function drawnBar(groove: Groove, index: number, school: School, bpm: Bpm, swing?: Feel): DrawnBar {
  const bar = groove.bars[index]!;
  const places = slotPlaces(groove, index, swing, bpm);
  const length = toNumber(barLength(bar.meter));
  const barMs = valueMs(barLength(bar.meter), { bpm, beat: beatOf(groove) });
  return {
    lean: Object.fromEntries(Object.entries(groove.lean ?? {}).map(([limb, ms]) => [limb, (100 * ms) / barMs])),
    slots: labelsOf(bar, groove.reading, school).map((label, slot) => ({
      ...label,
      percent: 100 * toNumber(places[slot]!),
    })),
    counts: countsIn(bar, groove.reading).map((count) => ({
      number: count.number,
      percent: (100 * toNumber(count.at)) / length,
      width: (100 * toNumber(count.length)) / length,
    })),
  };
}

/** Every bar of a groove with its slots where they sound. */
export const drawnBars = (groove: Groove, school: School, bpm: Bpm, swing?: Feel): DrawnBar[] =>
  groove.bars.map((_, index) => drawnBar(groove, index, school, bpm, swing));

export function percentOf(bar: DrawnBar, at: WholeNotes): number {
  return bar.slots.find((slot) => equal(slot.at, at))?.percent ?? 0;
}

/** Where a stroke is drawn: at its slot, and beside it by its limb's lean. */
export const percentOfStroke = (bar: DrawnBar, { limb, at }: { limb: Limb; at: WholeNotes }): number =>
  percentOf(bar, at) + (bar.lean[limb] ?? 0);

export interface Lane {
  limb: Limb;
  /** What the limb plays most here: the word in the margin. */
  surface: Surface;
}

/** The lanes of a groove, hands above feet; these idle limbs have one as well. */
export function lanesOf(groove: Groove, idle: readonly Limb[] = []): Lane[] {
  const playing = limbsIn(groove);
  return LIMBS.filter((limb) => idle.includes(limb) || playing.includes(limb)).map((limb) => {
    return { limb, surface: usualSurface(groove, limb) };
  });
}

/** How many bars stand side by side in a width, so that no slot is narrower than it can be read. */
export function barsPerRow(bars: readonly DrawnBar[], width: number, size: StripSize): number {
  const { margin, slot } = SIZES[size];
  const widest = Math.max(...bars.map((bar) => bar.slots.length * slot));
  return Math.min(bars.length, Math.max(1, Math.floor((width - margin) / Math.max(widest, 220))));
}

/**
 * How large a strip can be drawn that fills a frame: as for the room when the row that plays and the one after it fit,
 * else low.
 */
export function sizeThatFits(
  bars: readonly DrawnBar[],
  lanes: number,
  { width, height }: { width: number; height: number },
): StripSize {
  const { head, lane, margin, slot } = SIZES.room;
  const widest = Math.max(...bars.map((bar) => bar.slots.length * slot));
  const rows = Math.min(2, Math.ceil(bars.length / barsPerRow(bars, width, 'room')));
  return margin + widest <= width && rows * (REACH.room + head + lanes * lane) <= height ? 'room' : 'low';
}
