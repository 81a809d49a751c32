import { z } from 'zod';
import { USUAL_SURFACES } from '../../groove/limbs';
import { ok } from '../../result';
import { family, limbShape, stroke } from '../family';

export const placement = family({
  name: 'placement',
  wish: 'one stroke on every place in turn',
  version: 1,
  order: 'as generated',
  shape: z.object({
    limb: limbShape.default('right foot').describe('Which limb goes round'),
    height: z.enum(['ghost', 'tap', 'accent']).default('tap').describe('How high'),
  }),
  trains: ({ limb }) => `The ${limb} finds every place of the grid while the others go on.`,
  total: (_, { slots }) => ok(slots.length),
  figure: ({ limb, height }, { slots }, index) => ({
    say: '',
    bars: 1,
    strokes: [stroke(limb, USUAL_SURFACES[limb], slots[index]!, height)],
  }),
});
