import { z } from 'zod';
import { isHand, USUAL_SURFACES } from '../../groove/limbs';
import { fail, ok } from '../../result';
import { equal } from '../../time/fraction';
import { family, isBackbeat, limbShape, stroke, type DrillGrid } from '../family';

const shape = z.object({
  limb: limbShape.default('left hand').describe('Which limb plays the pair'),
  halves: z.enum(['one half', 'both halves']).default('one half').describe('In the bar'),
  backbeat: z.boolean().default(true).describe('With the backbeat kept'),
});
type Params = z.output<typeof shape>;

/** How many slots the pair walks through before it begins again: the bar, or half of it. */
const walk = ({ halves }: Params, { slots }: DrillGrid): number =>
  halves === 'both halves' ? slots.length / 2 : slots.length;

export const pairs = family<Params>({
  name: 'pairs',
  wish: 'two neighbours together, starting everywhere',
  version: 2,
  order: 'as generated',
  shape,
  trains: ({ limb, backbeat }) =>
    `Two strokes of the ${limb} side by side${backbeat && isHand(limb) ? ', low, round the backbeat' : ''}.`,
  total: (params, ground) => {
    if (ground.slots.length < 2)
      return fail({
        code: 'one-slot',
        path: ['parts'],
        where: 'parts',
        say: 'One slot a bar has no neighbour.',
        remedy: 'Divide the counts further.',
      });
    if (params.halves === 'both halves' && ground.counts.length % 2)
      return fail({
        code: 'no-halves',
        path: ['halves'],
        where: 'halves',
        say: `A bar of ${ground.counts.length} counts has no halves.`,
        remedy: 'Choose one half, or a meter of even counts.',
      });
    return ok(walk(params, ground));
  },
  // The last pair goes over the bar line, to 1 of the same bar, as it is played round and round.
  figure: (params, ground, index) => {
    const { limb, backbeat } = params;
    const starts = params.halves === 'both halves' ? [index, index + walk(params, ground)] : [index];
    const pair = starts.flatMap((start) => [start, start + 1].map((slot) => ground.slots[slot % ground.slots.length]!));
    const isKept = (at: DrillGrid['slots'][number]) => isHand(limb) && backbeat && isBackbeat(ground, at);
    const kept = ground.slots.filter((at) => isKept(at) && !pair.some((one) => equal(one, at)));
    const low = isHand(limb) ? 'ghost' : 'tap';
    return {
      say: '',
      places: pair,
      bars: 1,
      strokes: [...pair, ...kept].map((at) => stroke(limb, USUAL_SURFACES[limb], at, isKept(at) ? 'accent' : low)),
    };
  },
});
