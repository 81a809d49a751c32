import type { Groove, Stroke } from '../groove/groove';
import { isHand, otherHand, type Limb } from '../groove/limbs';
import { equal, type WholeNotes } from '../time/fraction';

/** A groove that was read from a file of another kind, and in words what of the file is not in it. */
export interface GrooveRead {
  groove: Groove;
  left: string[];
}

/** The limb that is wanted, or the other hand where that one strikes something at the same time; undefined where neither is free. */
export function limbFor(
  wanted: Limb,
  at: WholeNotes,
  strokes: readonly Pick<Stroke, 'limb' | 'at'>[],
): Limb | undefined {
  const isFree = (limb: Limb) => !strokes.some((one) => one.limb === limb && equal(one.at, at));
  if (isFree(wanted)) return wanted;
  return isHand(wanted) && isFree(otherHand(wanted)) ? otherHand(wanted) : undefined;
}
