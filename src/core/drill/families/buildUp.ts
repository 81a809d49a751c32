import { z } from 'zod';
import { fail, ok } from '../../result';
import { LIMBS, type Limb } from '../../groove/limbs';
import { combination, binomial } from '../choose';
import { family, limbShape, type DrillGrid } from '../family';
import { figureShape, strokesToMove, unfit } from '../figure';

const shape = z.object({
  figure: figureShape,
  way: z.enum(['limb by limb', 'take one out', 'pairs, then all']).default('limb by limb').describe('How'),
  order: z.array(limbShape).max(4).default(['right foot', 'left hand', 'right hand', 'left foot']).describe('Order'),
});
type Params = z.output<typeof shape>;

/** The limbs that play, in the order asked for; those the order leaves out come last. */
function playing({ figure, order }: Params, ground: DrillGrid): Limb[] {
  const limbs = new Set(
    figure
      ? strokesToMove(figure, ground).strokes.map(({ limb }) => limb)
      : [...strokesToMove(figure, ground).strokes, ...ground.ostinato].map(({ limb }) => limb),
  );
  return [...new Set([...order, ...LIMBS])].filter((limb) => limbs.has(limb));
}

function limbsAt(params: Params, ground: DrillGrid, index: number): Limb[] {
  const all = playing(params, ground);
  if (params.way === 'limb by limb') return all.slice(0, index + 1);
  if (params.way === 'take one out') return index === 0 ? all : all.filter((_, at) => at !== index - 1);
  return index < binomial(all.length, 2) ? combination(all.length, 2, index).map((at) => all[at]!) : all;
}

/** What each way trains, and how many steps it has for so many limbs. */
const WAYS: Record<Params['way'], { trains: string; steps: (limbs: number) => number }> = {
  'limb by limb': {
    trains: 'One limb, then the next with it, until all are there.',
    steps: (limbs) => limbs,
  },
  'take one out': {
    trains: 'One limb is left out and put back: each knows its own line.',
    steps: (limbs) => limbs + 1,
  },
  'pairs, then all': {
    trains: 'Two limbs at a time, then all of them.',
    steps: (limbs) => binomial(limbs, 2) + (limbs > 2 ? 1 : 0),
  },
};

export const buildUp = family<Params>({
  name: 'build-up',
  wish: 'a groove limb by limb',
  version: 1,
  order: 'as generated',
  shape,
  trains: ({ way }) => WAYS[way].trains,
  total: (params, ground) => {
    const wrong = unfit(params.figure, ground);
    if (wrong) return fail(wrong);
    const limbs = playing(params, ground).length;
    if (limbs < 2)
      return fail({
        code: 'one-limb',
        path: ['figure'],
        where: 'figure',
        say: 'One limb alone has nothing to be built up from.',
        remedy: 'Choose a groove for two limbs or more, or an ostinato.',
      });
    return ok(WAYS[params.way].steps(limbs));
  },
  figure: (params, ground, index) => {
    const limbs = limbsAt(params, ground, index);
    const { strokes, bars } = strokesToMove(params.figure, ground);
    const all = params.figure
      ? strokes
      : [...strokes, ...ground.ostinato.filter((one) => !strokes.some((other) => other.limb === one.limb))];
    return { say: limbs.join(', '), bars, strokes: all.filter(({ limb }) => limbs.includes(limb)), alone: true };
  },
});
