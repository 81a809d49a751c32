import { z } from 'zod';
import { fail, ok } from '../../result';
import { add, div, frac, mul } from '../../time/fraction';
import { barsToFill } from '../../groove/place';
import { alternating, family, stroke } from '../family';

const shape = z.object({
  beats: z
    .array(z.union([z.literal(1), z.literal(2), z.literal(4)]))
    .min(1)
    .max(3)
    .default([1, 2, 4])
    .describe('Beats of each'),
});

export const rolls = family<z.output<typeof shape>>({
  name: 'rolls',
  wish: 'singles, then doubles at twice the rate',
  version: 1,
  order: 'as generated',
  shape,
  trains: () => 'Singles and then doubles at twice the rate: the second stroke of each double as loud as the first.',
  total: ({ beats }, { parts }) =>
    parts > 4
      ? fail({
          code: 'too-quick-to-count',
          numbers: { parts },
          path: ['parts'],
          where: 'parts',
          say: `Doubles at twice ${parts} a count cannot be counted.`,
          remedy: 'Divide the counts into at most 4.',
        })
      : ok(beats.length),
  figure: ({ beats }, ground, index) => {
    const count = ground.counts[0]!.length;
    const long = beats[index]!;
    const singles = Array.from({ length: long * ground.parts }, (_, note) =>
      stroke(alternating(note), 'snare', mul(div(count, frac(ground.parts)), frac(note))),
    );
    const doubles = Array.from({ length: 2 * long * ground.parts }, (_, note) =>
      stroke(
        alternating(Math.floor(note / 2)),
        'snare',
        add(mul(count, frac(long)), mul(div(count, frac(2 * ground.parts)), frac(note))),
      ),
    );
    return {
      say: `${long} and ${long}`,
      bars: barsToFill(mul(count, frac(2 * long)), ground.meter),
      strokes: [...singles, ...doubles],
      alone: true,
    };
  },
});
