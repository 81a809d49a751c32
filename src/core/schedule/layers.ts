import type { FormBar } from '../form/form';
import type { Layer } from '../form/layers';
import { add, div, frac, mul, less, type WholeNotes } from '../time/fraction';
import { NOTE_VALUES } from '../time/noteValue';
import type { TimedLayer } from './timed';

/**
 * All notes of triplet layers over bars that start at `starts`, the last being where the run ends. They run on over
 * bar lines.
 */
export function layerNotes(
  bars: readonly Pick<FormBar, 'layers'>[],
  starts: readonly WholeNotes[],
): Omit<TimedLayer, 'ms' | 'kind'>[] {
  return bars.flatMap(({ layers = [] }, barInRun) =>
    layers.flatMap((layer) => notesIn(layer, starts[barInRun]!, starts[barInRun + 1]!, barInRun)),
  );
}

/** The notes of a layer from one place to another: those of an even row that began with the run. */
function notesIn({ layer, value, loud }: Layer, from: WholeNotes, to: WholeNotes, barInRun: number) {
  const step = NOTE_VALUES[value];
  const before = div(from, step);
  const notes: Omit<TimedLayer, 'ms' | 'kind'>[] = [];
  for (let at = mul(step, frac(Math.ceil(before.n / before.d))); less(at, to); at = add(at, step))
    notes.push({ at, barInRun, layer, loud });
  return notes;
}
