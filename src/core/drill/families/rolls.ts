import { z } from 'zod';
import { fail, ok } from '../../result';
import { add, div, frac, mul, toNumber } from '../../time/fraction';
import { alternating, barsToRealign, family, lengthOfBar, stroke } from '../family';

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
  version: 2,
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
    const slot = div(count, frac(ground.parts));
    const notes = long * ground.parts;
    const singles = Array.from({ length: notes }, (_, note) =>
      stroke(alternating(note), 'snare', mul(slot, frac(note))),
    );
    const doubles = Array.from({ length: 2 * notes }, (_, note) =>
      stroke(
        alternating(Math.floor(note / 2)),
        'snare',
        add(mul(count, frac(long)), mul(div(slot, frac(2)), frac(note))),
      ),
    );
    // Singles and doubles in turn until they end with a bar.
    const both = mul(count, frac(2 * long));
    const bars = barsToRealign(ground, 2 * notes);
    const rounds = toNumber(div(mul(lengthOfBar(ground), frac(bars)), both));
    return {
      say: `${long} and ${long}`,
      bars,
      strokes: Array.from({ length: rounds }, (_, round) =>
        [...singles, ...doubles].map((one) => ({ ...one, at: add(one.at, mul(both, frac(round))) })),
      ).flat(),
      alone: 'but for free limbs',
    };
  },
});
