import { z } from 'zod';
import { fail, ok } from '../../result';
import { binomial, combination } from '../choose';
import { alternating, barsUntilHome, family, slotFrom, stroke } from '../family';

const shape = z.object({
  accents: z.number().int().min(1).max(16).default(1).describe('Accents'),
  among: z.number().int().min(2).max(32).default(4).describe('Among so many strokes'),
  walking: z.boolean().default(false).describe('One accent that walks'),
  sticking: z.enum(['alternating', 'right hand', 'left hand']).default('alternating').describe('Sticking'),
});
type Params = z.output<typeof shape>;

export const accents = family<Params>({
  name: 'accents',
  wish: 'accents moved about in an unbroken line',
  version: 1,
  shape,
  trains: ({ accents: high, among, walking }) =>
    walking
      ? `One accent walks through ${among} strokes while the line stays unbroken.`
      : `${high} accents among ${among} strokes: high ones and low ones by the height of the stick.`,
  total: (params, ground) => {
    const { accents: high, among, walking } = params;
    if (!walking && high > among)
      return fail({ path: ['accents'], where: 'accents', say: `${high} accents do not fit among ${among} strokes.`, remedy: `Choose at most ${among}.` });
    if (barsUntilHome(ground, among) > 8)
      return fail({
        path: ['among'],
        where: 'among',
        say: `${among} strokes come home on 1 only after ${barsUntilHome(ground, among)} bars.`,
        remedy: `Choose a number that fits ${ground.slots.length} slots better.`,
      });
    return ok(walking ? among : binomial(among, high));
  },
  figure: (params, ground, index) => {
    const { accents: high, among, walking, sticking } = params;
    const places = walking ? [index] : combination(among, high, index);
    const bars = barsUntilHome(ground, among);
    const strokes = Array.from({ length: bars * ground.slots.length }, (_, slot) =>
      stroke(sticking === 'alternating' ? alternating(slot) : sticking, 'snare', slotFrom(ground, slot), places.includes(slot % among) ? 'accent' : 'tap'),
    );
    return {
      say: places.map((place) => place + 1).join(' '),
      bars,
      strokes,
      alone: true,
      cyclic: Array.from({ length: among }, (_, place) => places.includes(place)),
    };
  },
});
