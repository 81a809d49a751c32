import { z } from 'zod';
import { USUAL_SURFACES } from '../../groove/limbs';
import { fail, ok } from '../../result';
import { family, isBackbeat, limbShape, stroke } from '../family';

export const pairs = family({
  name: 'pairs',
  wish: 'two neighbours together, starting everywhere',
  version: 1,
  order: 'as generated',
  shape: z.object({ limb: limbShape.default('left hand').describe('Which limb plays the pair') }),
  trains: ({ limb }) => `Two strokes of the ${limb} side by side, low but for the backbeat.`,
  total: (_, { slots }) =>
    slots.length < 2
      ? fail({
          code: 'one-slot',
          path: ['parts'],
          where: 'parts',
          say: 'One slot a bar has no neighbour.',
          remedy: 'Divide the counts further.',
        })
      : ok(slots.length),
  // The last pair goes over the bar line, to 1 of the same bar, as it is played round and round.
  figure: ({ limb }, ground, index) => ({
    say: '',
    bars: 1,
    strokes: [index, (index + 1) % ground.slots.length].map((slot) => {
      const at = ground.slots[slot]!;
      return stroke(limb, USUAL_SURFACES[limb], at, isBackbeat(ground, at) ? 'accent' : 'ghost');
    }),
  }),
});
