import { z } from 'zod';
import { readGroove, type Groove } from '../groove/document';
import { lengthOf, strokesOf, type FreeStroke } from '../groove/place';
import type { WholeNotes } from '../time/fraction';
import { lengthOfBar, slotFrom, stroke, type Ground } from './family';

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

/** The strokes of a groove, or of a plain figure of our own (kick, kick, snare in the first half of the bar) where none is given. */
export function strokesToMove(groove: Groove | undefined, ground: Ground): { strokes: FreeStroke[]; length: WholeNotes; bars: number } {
  if (groove) return { strokes: strokesOf(groove), length: lengthOf(groove), bars: groove.bars.length };
  const slots = [0, Math.max(1, Math.floor(ground.slots.length / 8)), Math.floor(ground.slots.length / 4)].filter(
    (slot, index, all) => all.indexOf(slot) === index,
  );
  return {
    strokes: slots.map((slot, index) =>
      index < 2 ? stroke('right foot', 'kick', slotFrom(ground, slot)) : stroke('left hand', 'snare', slotFrom(ground, slot), 'accent'),
    ),
    length: lengthOfBar(ground),
    bars: 1,
  };
}
