import type { WholeNotes } from '../time/fraction';
import { countsOf } from '../time/meter';
import type { Groove } from './document';

/** The note the tempo of a groove counts: the first count of its first bar (a quarter in 4/4, a dotted quarter in 12/8 pulses). */
export function beatOf(groove: Groove): WholeNotes {
  return countsOf(groove.bars[0]!.meter, groove.reading)[0]!.length;
}
