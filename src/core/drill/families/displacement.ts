import { z } from 'zod';
import { fail, ok } from '../../result';
import { LIMBS } from '../../groove/limbs';
import type { FreeStroke } from '../../groove/place';
import { add, compare, div, format, frac, modulo, mul, type Fraction, type WholeNotes } from '../../time/fraction';
import { family, limbShape, type DrillGrid } from '../family';
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
const stepOf = ({ by }: Params, { counts, parts }: DrillGrid): WholeNotes =>
  div(counts[0]!.length, frac(by === 'one slot' ? parts : 2));

/** The figure after so many moves, in order. */
function movedBy(params: Params, ground: DrillGrid, moves: number): FreeStroke[] {
  const { strokes, length } = strokesToMove(params.figure, ground);
  const shift = mul(stepOf(params, ground), frac(moves));
  return strokes
    .map((one) => (params.moves.includes(one.limb) ? { ...one, at: modulo(add(one.at, shift), length) } : one))
    .sort((a, b) => compare(a.at, b.at) || LIMBS.indexOf(a.limb) - LIMBS.indexOf(b.limb));
}

/** A clap on every count is home after one count: the first move, a part of all of them, that changes nothing. */
function movesUntilHome(params: Params, ground: DrillGrid, all: number): number {
  const written = (moves: number) => JSON.stringify(movedBy(params, ground, moves));
  const home = written(0);
  for (let moves = 1; moves < all; moves++) if (all % moves === 0 && written(moves) === home) return moves;
  return all;
}

/** "half a count", "1 1/4 counts": a length in counts as it is said. */
function countsInWords(counts: Fraction): string {
  const whole = Math.floor(counts.n / counts.d);
  const rest = format(frac(counts.n % counts.d, counts.d));
  if (!whole) return rest === '1/2' ? 'half a count' : `${rest} of a count`;
  if (rest === '0') return `${whole} ${whole === 1 ? 'count' : 'counts'}`;
  return `${whole} ${rest} counts`;
}

export const displacement = family<Params>({
  name: 'displacement',
  wish: 'a figure that starts somewhere else each time',
  version: 2,
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
    return ok(movesUntilHome(params, ground, moves.n));
  },
  figure: (params, ground, index) => {
    const { length, bars } = strokesToMove(params.figure, ground);
    const moved = movedBy(params, ground, index);
    const rounds = Array.from({ length: params.everyBars }, (_, round) =>
      moved.map((stroke) => ({ ...stroke, at: add(stroke.at, mul(length, frac(round))) })),
    ).flat();
    const shift = mul(stepOf(params, ground), frac(index));
    return {
      say: index ? `${countsInWords(div(shift, ground.counts[0]!.length))} later` : 'home',
      bars: bars * params.everyBars,
      strokes: rounds,
    };
  },
});
