import { z } from 'zod';
import { fail, ok } from '../../result';
import { LIMBS } from '../../groove/limbs';
import { add, compare, div, frac, modulo, mul, toNumber, type WholeNotes } from '../../time/fraction';
import { family, limbShape, type Ground } from '../family';
import { figureShape, strokesToMove, unfit } from '../figure';

const shape = z.object({
  figure: figureShape,
  by: z.enum(['one slot', 'half a beat']).default('one slot').describe('How far it moves'),
  moves: z
    .array(limbShape)
    .min(1)
    .default([...LIMBS])
    .describe('Which limbs move'),
  everyBars: z.number().int().min(1).max(8).default(1).describe('Bars before it moves'),
});
type Params = z.output<typeof shape>;

/** A slot is the count over its parts; a phrase moves by half a count. */
const stepOf = ({ by }: Params, { counts, parts }: Ground): WholeNotes =>
  div(counts[0]!.length, frac(by === 'one slot' ? parts : 2));

export const displacement = family<Params>({
  name: 'displacement',
  wish: 'a figure that starts somewhere else each time',
  version: 1,
  order: 'as generated',
  shape,
  trains: ({ by }) =>
    `The same figure ${by} later each time, until it is home: the ear stays on 1, the figure does not.`,
  total: (params, ground) => {
    const wrong = unfit(params.figure, ground);
    if (wrong) return fail(wrong);
    if (!strokesToMove(params.figure, ground).strokes.some(({ limb }) => params.moves.includes(limb)))
      return fail({
        code: 'limb-silent',
        path: ['moves'],
        where: 'moves',
        say: 'These limbs play nothing in the figure.',
        remedy: 'Choose a limb that plays in it.',
      });
    const moves = div(strokesToMove(params.figure, ground).length, stepOf(params, ground));
    if (moves.d !== 1)
      return fail({
        code: 'never-home',
        path: ['by'],
        where: 'by',
        say: 'The figure never comes home by this step.',
        remedy: 'Move it by one slot.',
      });
    if (moves.n > 256)
      return fail({
        code: 'home-too-late',
        numbers: { n: moves.n },
        path: ['figure'],
        where: 'figure',
        say: `It takes ${moves.n} moves until it is home.`,
        remedy: 'Take a shorter figure, or move it by half a beat.',
      });
    return ok(moves.n);
  },
  figure: (params, ground, index) => {
    const { strokes, length, bars } = strokesToMove(params.figure, ground);
    const shift = mul(stepOf(params, ground), frac(index));
    const moved = strokes
      .map((stroke) =>
        params.moves.includes(stroke.limb) ? { ...stroke, at: modulo(add(stroke.at, shift), length) } : stroke,
      )
      .sort((a, b) => compare(a.at, b.at));
    const rounds = Array.from({ length: params.everyBars }, (_, round) =>
      moved.map((stroke) => ({ ...stroke, at: add(stroke.at, mul(length, frac(round))) })),
    ).flat();
    const counts = toNumber(div(shift, ground.counts[0]!.length));
    return {
      say: index ? `${Math.round(counts * 1000) / 1000} counts later` : 'home',
      bars: bars * params.everyBars,
      strokes: rounds,
    };
  },
});
