import type { Groove, Stroke } from '@/core/groove/groove';
import { writtenBar, type WrittenBar } from '@/core/groove/notation';
import { LIMBS, type Limb } from '@/core/groove/limbs';
import { compare, equal } from '@/core/time/fraction';
import { formatMeter } from '@/core/grid/meter';

/** A stroke by its order in its limb's line: the same in the written and in the played view. */
export interface StrokeInLine {
  bar: number;
  limb: Limb;
  index: number;
}

const lineOf = (groove: Groove, bar: number, limb: Limb): Stroke[] =>
  groove.bars[bar]!.strokes.filter((stroke) => stroke.limb === limb).sort((a, b) => compare(a.at, b.at));

/** The stroke at a place, by its order; undefined where there is none. */
export function strokeInLine(
  groove: Groove,
  place: { bar: number; limb: Limb; at: Stroke['at'] },
): StrokeInLine | undefined {
  const index = lineOf(groove, place.bar, place.limb).findIndex((stroke) => equal(stroke.at, place.at));
  return index < 0 ? undefined : { bar: place.bar, limb: place.limb, index };
}

/** The stroke that stands at an order. */
export const strokeOfLine = (groove: Groove, { bar, limb, index }: StrokeInLine): Stroke | undefined =>
  lineOf(groove, bar, limb)[index];

/** Room of one note or rest, and of clef and meter, in pixels. */
const NOTE_ROOM = 21;
const BAR_ROOM = 44;
export const CLEF_ROOM = 44;
export const METER_ROOM = 34;

/** Places at which something is written in a bar: what decides how wide it must be. */
function placesIn({ hands, feet }: WrittenBar): number {
  return new Set([...hands.notes, ...feet.notes].map(({ at }) => `${at.n}/${at.d}`)).size;
}

const rooms = new WeakMap<object, number>();
function roomOf(groove: Groove, index: number): number {
  const bar = groove.bars[index]!;
  const known = rooms.get(bar);
  if (known !== undefined) return known;
  const room = BAR_ROOM + NOTE_ROOM * Math.max(4, placesIn(writtenBar(bar, groove.reading)));
  rooms.set(bar, room);
  return room;
}

/** Bars of one line of the stave, all equally wide; at most so many to a line. */
export function staveRows(groove: Groove, width: number, perLine = 4): number[][] {
  const indices = groove.bars.map((_, index) => index);
  const widest = Math.max(...indices.map((index) => roomOf(groove, index)));
  const perRow = Math.max(
    1,
    Math.min(perLine, groove.bars.length, Math.floor((width - CLEF_ROOM - METER_ROOM) / widest)),
  );
  return Array.from({ length: Math.ceil(indices.length / perRow) }, (_, row) =>
    indices.slice(row * perRow, (row + 1) * perRow),
  );
}

/** Whether a bar shows its meter: the first one, and where it changes. */
export const showsMeter = (groove: Groove, bar: number): boolean =>
  bar === 0 || formatMeter(groove.bars[bar]!.meter) !== formatMeter(groove.bars[bar - 1]!.meter);

/** R and L under the hands' strokes, in the order of the limbs. */
export const stickingOf = (strokes: readonly Stroke[]): string =>
  LIMBS.slice(0, 2)
    .filter((hand) => strokes.some(({ limb }) => limb === hand))
    .map((hand) => (hand === 'right hand' ? 'R' : 'L'))
    .join('');
