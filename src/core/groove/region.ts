import { ok } from '../result';
import { add, compare, format, less, sub, ZERO, type WholeNotes } from '../time/fraction';
import { barLength, barStarts } from '../grid/meter';
import type { Groove, Stroke } from './groove';
import type { Place } from './edit';
import { slotAt, slotsOfBar } from '../grid/cells';
import { LIMBS, type Limb } from './limbs';
import { lengthOf, strokesOf, type FreeStroke } from './place';
import { inBars, type Answer, type Transformed } from './transformed';

/** A stretch of some lanes: `from` up to, but without, `to`, in whole notes from the start of the groove. */
export interface Region {
  from: WholeNotes;
  to: WholeNotes;
  limbs: Limb[];
}

/** What was copied: strokes from the start of their region, and how long it was. */
export interface Clip {
  strokes: FreeStroke[];
  length: WholeNotes;
  limbs: Limb[];
}

/** The region two slots span, both of them in it, with the lanes of both limbs and those between. */
export function regionBetween(groove: Groove, one: Place, other: Place): Region {
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  const at = (place: Place) => add(starts[place.bar]!, place.at);
  const [first, last] = compare(at(one), at(other)) <= 0 ? [one, other] : [other, one];
  const bar = groove.bars[last.bar]!;
  const slot = slotAt(slotsOfBar(bar.meter, groove.reading, bar.cells), last.at);
  const lanes = [LIMBS.indexOf(one.limb), LIMBS.indexOf(other.limb)].sort((a, b) => a - b);
  return { from: at(first), to: add(at(last), slot?.length ?? ZERO), limbs: LIMBS.slice(lanes[0], lanes[1]! + 1) };
}

const isIn = ({ from, to, limbs }: Region, stroke: FreeStroke): boolean =>
  limbs.includes(stroke.limb) && !less(stroke.at, from) && less(stroke.at, to);

export const copyRegion = (groove: Groove, region: Region): Clip => ({
  strokes: strokesOf(groove)
    .filter((stroke) => isIn(region, stroke))
    .map((stroke) => ({ ...stroke, at: sub(stroke.at, region.from) })),
  length: sub(region.to, region.from),
  limbs: region.limbs,
});

/** The groove without the strokes of a region; its grid stays. */
export function clearRegion(groove: Groove, region: Region): Groove {
  return changeIn(groove, region, () => undefined);
}

/** Every stroke of a region changed, or taken out where `change` answers undefined. */
export function changeIn(groove: Groove, region: Region, change: (stroke: Stroke) => Stroke | undefined): Groove {
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  const bars = groove.bars.map((bar, index) => {
    const strokes = bar.strokes.flatMap((stroke) =>
      isIn(region, { ...stroke, at: add(starts[index]!, stroke.at) }) ? (change(stroke) ?? []) : [stroke],
    );
    return strokes.length === bar.strokes.length && strokes.every((stroke, place) => stroke === bar.strokes[place])
      ? bar
      : { ...bar, strokes };
  });
  return { ...groove, bars };
}

/**
 * Lays a clip down from a slot on, in place of what its lanes had there. A clip of one limb goes to the
 * limb of the slot. Counts whose grid cannot hold it are divided further; bars like the last one are
 * added where it reaches past the end.
 */
export function pasteAt(groove: Groove, place: Place, clip: Clip): Answer {
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  const from = add(starts[place.bar]!, place.at);
  const moved = clip.limbs.length === 1 && clip.limbs[0] !== place.limb;
  const surface = strokesOf(groove).find(({ limb }) => limb === place.limb)?.surface;
  const laidDown = clip.strokes.map((stroke) => ({
    ...stroke,
    at: add(from, stroke.at),
    ...(moved && { limb: place.limb, surface: surface ?? stroke.surface }),
  }));
  const to = add(from, clip.length);
  const kept = strokesOf(clearRegion(groove, { from, to, limbs: moved ? [place.limb] : clip.limbs }));
  const like: Groove['bars'] = [...groove.bars];
  for (let end = lengthOf(groove); less(end, to); end = add(end, barLength(like.at(-1)!.meter)))
    like.push({ ...groove.bars.at(-1)!, strokes: [] });
  const added = like.length - groove.bars.length;
  const answer = inBars(
    groove,
    [...kept, ...laidDown].sort((a, b) => compare(a.at, b.at)),
    like,
    `${laidDown.length === 1 ? '1 stroke' : `${laidDown.length} strokes`} pasted${added ? `, ${added === 1 ? 'a bar' : `${added} bars`} added for what reached past the end` : ''}.`,
  );
  return answer.ok ? ok({ ...answer.value, groove: keepUntouched(groove, answer.value.groove) }) : answer;
}

/**
 * What a transform of the whole groove comes to within a region only: outside it, and in other lanes, all stays. For
 * transforms that leave the length as it is.
 */
export function withinRegion(before: Groove, region: Region, { groove, say }: Transformed): Answer {
  const strokes = [
    ...strokesOf(before).filter((stroke) => !isIn(region, stroke)),
    ...strokesOf(groove).filter((stroke) => isIn(region, stroke)),
  ].sort((a, b) => compare(a.at, b.at));
  const answer = inBars(before, strokes, before.bars, say);
  return answer.ok ? ok({ ...answer.value, groove: keepUntouched(before, answer.value.groove) }) : answer;
}

/** Bars that came out as they were stay the same objects, so that nothing draws them anew. */
function keepUntouched(before: Groove, after: Groove): Groove {
  const key = ({ limb, at, surface, height, ornament }: Stroke) => [limb, format(at), surface, height, ornament].join();
  const same = (one: Stroke[], other: Stroke[]) => {
    const known = new Set(one.map(key));
    return one.length === other.length && other.every((stroke) => known.has(key(stroke)));
  };
  return {
    ...after,
    bars: after.bars.map((bar, index) => {
      const old = before.bars[index];
      return old && same(old.strokes, bar.strokes) && JSON.stringify(old.cells) === JSON.stringify(bar.cells)
        ? old
        : bar;
    }),
  };
}
