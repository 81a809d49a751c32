import { z } from 'zod';
import { fail, ok } from '../../result';
import { USUAL_SURFACES } from '../../groove/limbs';
import { barsUntilHome, family, isBackbeat, limbShape, slotFrom, stroke } from '../family';
import { add, frac, mul } from '../../time/fraction';
import { barLength } from '../../grid/meter';

const shape = z.object({
  lengths: z
    .array(z.union([z.literal(3), z.literal(5), z.literal(7)]))
    .min(1)
    .max(3)
    .default([3, 5, 7])
    .describe('Slots of the figure'),
  limb: limbShape.default('left hand').describe('Which limb plays it'),
  keeps: limbShape.default('right foot').describe('Which limb keeps the count'),
  on: z.enum(['every count', '2 and 4']).default('every count').describe('Where it keeps it'),
});

export const overlay = family<z.output<typeof shape>>({
  name: 'overlay',
  wish: 'threes, fives or sevens over the bar',
  version: 1,
  order: 'as generated',
  shape,
  trains: ({ limb, keeps }) =>
    `The ${limb} plays its own figure over the bar while the ${keeps} keeps the count, until both meet on 1.`,
  total: ({ lengths, limb, keeps }, { slots }) => {
    if (limb === keeps)
      return fail({
        code: 'limb-taken',
        path: ['keeps'],
        where: 'keeps',
        say: 'One limb cannot play the figure and keep the count.',
        remedy: 'Choose another limb to keep it.',
      });
    const long = lengths.find((length) => length > slots.length);
    return long
      ? fail({
          code: 'longer-than-bar',
          numbers: { slots: slots.length },
          path: ['lengths'],
          where: 'lengths',
          say: `A figure of ${long} slots is longer than its bar of ${slots.length}.`,
          remedy: 'Divide the counts further, or leave it out.',
        })
      : ok(lengths.length);
  },
  figure: ({ lengths, limb, keeps, on }, ground, index) => {
    const long = lengths[index]!;
    const bars = barsUntilHome(ground, long);
    const line = Array.from({ length: bars * ground.slots.length }, (_, slot) =>
      stroke(limb, USUAL_SURFACES[limb], slotFrom(ground, slot), slot % long ? 'tap' : 'accent'),
    );
    const kept = Array.from({ length: bars }, (_, bar) =>
      ground.counts
        .filter(({ at }) => on === 'every count' || isBackbeat(ground, at))
        .map(({ at }) => stroke(keeps, USUAL_SURFACES[keeps], add(at, mul(barLength(ground.meter), frac(bar))))),
    ).flat();
    return {
      say: `${long} over ${ground.meter.beats}, home after ${bars} ${bars === 1 ? 'bar' : 'bars'}`,
      bars,
      strokes: [...line, ...kept],
      alone: true,
    };
  },
});
