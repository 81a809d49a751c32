import { z } from 'zod';
import { ok } from '../../result';
import { family, stroke, type Figure } from '../family';
import { frac } from '../../time/fraction';
import type { Meter } from '../../grid/meter';

/** Each with a usual grouping. */
const METERS = {
  '5/4': { beats: 5, unit: 4, grouping: [3, 2] },
  '5/8': { beats: 5, unit: 8, grouping: [3, 2] },
  '7/4': { beats: 7, unit: 4, grouping: [3, 2, 2] },
  '7/8': { beats: 7, unit: 8, grouping: [3, 2, 2] },
  '15/16': { beats: 15, unit: 16, grouping: [4, 4, 4, 3] },
} as const;
type OddMeter = keyof typeof METERS;
const NAMES = Object.keys(METERS) as [OddMeter, ...OddMeter[]];

const shape = z.object({
  meters: z
    .array(z.enum(NAMES))
    .min(1)
    .default([...NAMES])
    .describe('Meters'),
  turned: z.boolean().default(true).describe('And with the grouping turned round'),
});
type Params = z.output<typeof shape>;

function meters({ meters: wanted, turned }: Params): Meter[] {
  return wanted.flatMap((name): Meter[] => {
    const { beats, unit, grouping } = METERS[name];
    return [
      { beats, unit, grouping: [...grouping] },
      ...(turned ? [{ beats, unit, grouping: [...grouping].reverse() }] : []),
    ];
  });
}

/**
 * One idea in every meter: hat in 8ths, or in the counts where they are shorter; kick where a group begins, snare on
 * the last count of the first group and of the bar.
 */
function idea(meter: Meter): Figure {
  const groups = meter.grouping!;
  const starts = groups.map((_, index) => groups.slice(0, index).reduce((sum, group) => sum + group, 0));
  const place = (count: number) => frac(count, meter.unit);
  const perCount = meter.unit === 4 ? 2 : 1;
  return {
    say: `${meter.beats}/${meter.unit} as ${groups.join('+')}`,
    bars: 1,
    meter,
    alone: true,
    strokes: [
      ...Array.from({ length: meter.beats * perCount }, (_, hat) =>
        stroke('right hand', 'closed hat', frac(hat, meter.unit * perCount)),
      ),
      ...starts.map((start) => stroke('right foot', 'kick', place(start))),
      ...[groups[0]! - 1, meter.beats - 1].map((count) => stroke('left hand', 'snare', place(count), 'accent')),
    ],
  };
}

export const oddMeters = family<Params>({
  name: 'odd meters',
  wish: 'the same groove in fives, sevens and fifteen',
  version: 2,
  order: 'as generated',
  shape,
  trains: () => 'One groove idea in meters that do not come out even: hear the groups.',
  total: (params) => ok(meters(params).length),
  figure: (params, _, index) => idea(meters(params)[index]!),
});
