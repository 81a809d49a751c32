import { z } from 'zod';
import type { FreeStroke } from '../../groove/place';
import { isHand } from '../../groove/limbs';
import { fail, ok } from '../../result';
import { add, frac, mul, type WholeNotes } from '../../time/fraction';
import { binomial, combination } from '../choose';
import { alternating, barsToRealign, family, lengthOfBar, slotFrom, stroke, type DrillGrid } from '../family';
import { figureShape, momentsOf, strokesToMove, unfit } from '../figure';

const shape = z.object({
  figure: figureShape,
  accents: z.number().int().min(1).max(16).default(1).describe('Accents'),
  among: z.number().int().min(2).max(32).default(4).describe('Among so many strokes'),
  walking: z.boolean().default(false).describe('One accent that walks'),
  sticking: z.enum(['alternating', 'right hand', 'left hand']).default('alternating').describe('Sticking'),
});
type Params = z.output<typeof shape>;

/** What is accented, once through, and what goes on beside it. */
interface Line {
  moments: readonly FreeStroke[][];
  beside: readonly FreeStroke[];
  length: WholeNotes;
  bars: number;
  /** How often it is played until the accents are home. */
  rounds: number;
}

/** The line of a groove's hands, or of one of them, or an unbroken one on the snare where no groove is given. */
function lineOf({ figure, sticking, among }: Params, ground: DrillGrid): Line {
  if (!figure) {
    const bars = barsToRealign(ground, among);
    const slots = Array.from({ length: bars * ground.slots.length }, (_, slot) => slot);
    const moments = slots.map((slot) => [
      stroke(sticking === 'alternating' ? alternating(slot) : sticking, 'snare', slotFrom(ground, slot)),
    ]);
    return { moments, beside: [], length: mul(lengthOfBar(ground), frac(bars)), bars, rounds: 1 };
  }
  const { strokes, length, bars } = strokesToMove(figure, ground);
  const moved = strokes.filter(({ limb }) => (sticking === 'alternating' ? isHand(limb) : limb === sticking));
  const moments = momentsOf(moved);
  let rounds = 1;
  while (moments.length && (rounds * moments.length) % among) rounds++;
  return { moments, beside: strokes.filter((one) => !moved.includes(one)), length, bars, rounds };
}

export const accents = family<Params>({
  name: 'accents',
  wish: 'accents moved about in an unbroken line',
  version: 2,
  order: 'easy to hard',
  shape,
  trains: ({ accents: high, among, walking }) =>
    walking
      ? `One accent walks through ${among} strokes while the line stays unbroken.`
      : `${high} ${high === 1 ? 'accent' : 'accents'} among ${among} strokes: high ones and low ones by the height of the stick.`,
  total: (params, ground) => {
    const { figure, accents: high, among, walking, sticking } = params;
    const wrong = unfit(figure, ground);
    if (wrong) return fail(wrong);
    if (!walking && high > among)
      return fail({
        code: 'accents-do-not-fit',
        numbers: { high, among },
        path: ['accents'],
        where: 'accents',
        say: `${high} accents do not fit among ${among} strokes.`,
        remedy: `Choose at most ${among}.`,
      });
    const { moments, bars, rounds } = lineOf(params, ground);
    if (!moments.length)
      return fail({
        code: 'limb-silent',
        path: ['sticking'],
        where: 'sticking',
        say: `The ${sticking === 'alternating' ? 'hands play' : `${sticking} plays`} nothing in “${figure!.title}”.`,
        remedy: 'Choose the other hand, or another groove.',
      });
    if (bars * rounds > Math.max(8, bars))
      return fail({
        code: 'home-too-late',
        numbers: { among },
        path: ['among'],
        where: 'among',
        say: `${among} strokes come home on 1 only after ${bars * rounds} bars.`,
        remedy: `Choose a number that fits ${figure ? moments.length : ground.slots.length} ${figure ? 'strokes' : 'slots'} better.`,
      });
    return ok(walking ? among : binomial(among, high));
  },
  figure: (params, ground, index) => {
    const { accents: high, among, walking } = params;
    const places = walking ? [index] : combination(among, high, index);
    const { moments, beside, length, bars, rounds } = lineOf(params, ground);
    const strokes = Array.from({ length: rounds }, (_, round) => {
      const later = (one: FreeStroke): FreeStroke => ({ ...one, at: add(one.at, mul(length, frac(round))) });
      const line = moments.flatMap((moment, place) =>
        moment.map((one) => ({
          ...later(one),
          height: places.includes((round * moments.length + place) % among) ? ('accent' as const) : low(one),
        })),
      );
      return [...line, ...beside.map(later)];
    }).flat();
    return {
      say: `${places.length} in ${among}: ${places.map((place) => place + 1).join(' ')}`,
      bars: bars * rounds,
      strokes,
      alone: 'but for free limbs',
      cyclic: Array.from({ length: among }, (_, place) => places.includes(place)),
    };
  },
});

/** What is not accented is low; a ghost stays one. */
const low = ({ height }: FreeStroke) => (height === 'ghost' ? height : ('tap' as const));
