import type { WholeNotes } from '../time/fraction';
import { countsOf, isCompound } from '../grid/meter';
import type { Groove } from './groove';

/**
 * The note the tempo of a groove counts: the first count of its first bar (a quarter in 4/4, a dotted quarter in 12/8
 * pulses).
 */
export function beatOf(groove: Groove): WholeNotes {
  return countsOf(groove.bars[0]!.meter, groove.reading)[0]!.length;
}

export const FEELS = ['straight', 'swung', 'compound'] as const;
export type Feel = (typeof FEELS)[number];

/** How the beat of a groove is felt: swung, in dotted pulses (compound), or straight. */
export function feelOf(groove: Groove): Feel {
  if (groove.swing) return 'swung';
  return groove.bars.every(({ meter }) => isCompound(meter)) ? 'compound' : 'straight';
}
