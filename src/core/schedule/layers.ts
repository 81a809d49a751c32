import { z } from 'zod';
import { frac, less, mul, type WholeNotes } from '../time/fraction';
import { NOTE_VALUES, type NoteValue } from '../time/noteValue';

/**
 * Slow triplets found through quicker ones: 8th triplets, every second one kept = quarter triplets, every second
 * again = half-note triplets. `bars`: so many with the helper layers heard, as many with them quiet, then gone.
 */
export const layerPlanShape = z.strictObject({
  to: z.enum(['quarter triplet', 'half triplet']),
  bars: z.number().int().min(1).max(16),
});
export type LayerPlan = z.infer<typeof layerPlanShape>;

/** A note of a layer: `layer` 0 is 8th triplets; `loud` is 1 or, for a helper on its way out, less. */
export interface LayerNote {
  at: WholeNotes;
  bar: number;
  layer: number;
  loud: number;
}

/** The layers in order, each keeping every second note of the one before. */
export const LAYERS: readonly NoteValue[] = ['8th triplet', 'quarter triplet', 'half triplet'];

/** How loud a helper is while it is on its way out: heard as about half. */
const QUIET = 0.3;

/** How loud the helper layers are in a bar of the run: 1, quiet, 0. */
export const helperLoudness = ({ bars }: LayerPlan, bar: number): number =>
  bar < bars ? 1 : bar < 2 * bars ? QUIET : 0;

/** All notes of the layers over bars that start at `starts`, the last being where the run ends. They run on over bar lines. */
export function tripletLayers(plan: LayerPlan, starts: readonly WholeNotes[]): LayerNote[] {
  const target = LAYERS.indexOf(plan.to);
  const end = starts.at(-1)!;
  const notes: LayerNote[] = [];
  for (const [layer, value] of LAYERS.slice(0, target + 1).entries()) {
    let bar = 0;
    for (
      let index = 0, at = mul(NOTE_VALUES[value], frac(0));
      less(at, end);
      at = mul(NOTE_VALUES[value], frac(++index))
    ) {
      while (bar + 2 < starts.length && !less(at, starts[bar + 1]!)) bar++;
      const loud = layer === target ? 1 : helperLoudness(plan, bar);
      if (loud > 0) notes.push({ at, bar, layer, loud });
    }
  }
  return notes;
}
