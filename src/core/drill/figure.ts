import { z } from 'zod';
import { readGroove } from '../documents/groove';
import { type Groove } from '../groove/groove';
import { lengthOf, strokesOf, type FreeStroke } from '../groove/place';
import { problemAt, type Problem } from '../result';
import { equal, format, type WholeNotes } from '../time/fraction';
import { barLength, formatMeter } from '../grid/meter';
import { lengthOfBar, slotFrom, stroke, type DrillGrid } from './family';

/** A groove that a drill is made of, as it is kept: JSON, so that a rule can be stored whole. */
export const figureShape = z
  .unknown()
  .optional()
  .transform((json, context): Groove | undefined => {
    if (json === undefined) return undefined;
    const read = readGroove(json);
    if (read.ok) return read.value;
    context.addIssue({ code: 'custom', message: read.problems[0]!.say });
    return z.NEVER;
  })
  .describe('The groove it is made of');

/** Why a groove cannot be moved about over a ground; nothing when it can. */
export function unfit(groove: Groove | undefined, { meter }: DrillGrid): Problem | undefined {
  const other = groove?.bars.find((bar) => !equal(barLength(bar.meter), barLength(groove.bars[0]!.meter)));
  if (other)
    return problemAt(
      'figure',
      'meter-changes',
      `“${groove!.title}” changes its meter.`,
      'Choose a groove in one meter, or the hardest bar of this one alone.',
    );
  const its = groove?.bars[0]!.meter;
  if (!its || equal(barLength(its), barLength(meter))) return undefined;
  const longer = its.beats * meter.unit > meter.beats * its.unit;
  return problemAt(
    'figure',
    'bar-lengths-differ',
    `“${groove.title}” is in ${formatMeter(its)}, ${longer ? 'longer' : 'shorter'} than a bar of ${formatMeter(meter)}.`,
    `Set the meter to ${formatMeter(its)}.`,
  );
}

/** Why a groove without a stroke makes no drill; nothing when it has some, or none is given. */
export function silent(groove: Groove | undefined): Problem | undefined {
  if (!groove || strokesOf(groove).length) return undefined;
  return problemAt(
    'figure',
    'plays-nothing',
    `“${groove.title}” plays nothing.`,
    'Choose a groove with strokes in it.',
  );
}

/**
 * The strokes of a groove, or of a plain figure of our own (kick, kick, snare in the first half of the bar) where
 * none is given.
 */
export function strokesToMove(
  groove: Groove | undefined,
  ground: DrillGrid,
): { strokes: FreeStroke[]; length: WholeNotes; bars: number } {
  if (groove) return { strokes: strokesOf(groove), length: lengthOf(groove), bars: groove.bars.length };
  const slots = [0, Math.max(1, Math.floor(ground.slots.length / 8)), Math.floor(ground.slots.length / 4)].filter(
    (slot, index, all) => all.indexOf(slot) === index,
  );
  return {
    strokes: slots.map((slot, index) =>
      index < 2
        ? stroke('right foot', 'kick', slotFrom(ground, slot))
        : stroke('left hand', 'snare', slotFrom(ground, slot), 'accent'),
    ),
    length: lengthOfBar(ground),
    bars: 1,
  };
}

/** Strokes that sound together, moment after moment. */
export function momentsOf(strokes: readonly FreeStroke[]): FreeStroke[][] {
  const moments = new Map<string, FreeStroke[]>();
  for (const one of strokes) moments.set(format(one.at), [...(moments.get(format(one.at)) ?? []), one]);
  return [...moments.values()];
}
