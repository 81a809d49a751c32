import type { NoteValue } from '../time/noteValue';

/**
 * Slow triplets found through quicker ones: 8th triplets, every second one kept = quarter triplets, every second
 * again = half-note triplets. `bars`: so many with the helper layers heard, as many with them quiet, then gone.
 */
export interface LayerPlan {
  to: 'quarter triplet' | 'half triplet';
  bars: number;
}

/** A layer as it sounds in a bar: 0 is the quickest; `loud` is 1 or, for a helper on its way out, less. */
export interface Layer {
  layer: number;
  value: NoteValue;
  loud: number;
}

/** The layers in order, each keeping every second note of the one before. */
export const LAYERS: readonly NoteValue[] = ['8th triplet', 'quarter triplet', 'half triplet'];

/** How loud a helper is while it is on its way out: heard as about half. */
const QUIET = 0.3;

/** How loud the helper layers are in a bar of the run: 1, quiet, 0. */
export function helperLoudness({ bars }: LayerPlan, bar: number): number {
  if (bar < bars) return 1;
  return bar < 2 * bars ? QUIET : 0;
}

/** The layers that sound in a bar of the run. */
export function layersIn(plan: LayerPlan, bar: number): Layer[] {
  const target = LAYERS.indexOf(plan.to);
  return LAYERS.slice(0, target + 1).flatMap((value, layer) => {
    const loud = layer === target ? 1 : helperLoudness(plan, bar);
    return loud > 0 ? [{ layer, value, loud }] : [];
  });
}
