import type { WholeNotes } from '../time/fraction';
import { randomFrom } from '../random';

/** A place that is called for a bar: it is said and shown in the bar before. */
export interface Call {
  bar: number;
  at: WholeNotes;
}

/**
 * Places called at random, one for every `pace` bars, the first for bar `pace` so that it can be called ahead; never the
 * same twice running where there is another. The same seed calls the same, so that a take can be judged.
 */
export function calls(range: readonly WholeNotes[], bars: number, pace: number, seed: number): Call[] {
  const random = randomFrom(seed);
  const called: Call[] = [];
  let last = -1;
  for (let bar = pace; bar < bars; bar += pace) {
    let next = Math.floor(random() * (last < 0 || range.length === 1 ? range.length : range.length - 1));
    if (last >= 0 && range.length > 1 && next >= last) next++;
    last = next;
    const at = range[next];
    if (at) called.push({ bar, at });
  }
  return called;
}
