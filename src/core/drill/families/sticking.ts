import { z } from 'zod';
import { fail, ok } from '../../result';
import { barsToRealign, family, slotFrom, stroke } from '../family';

/** Stickings of common practice, one round of each; a capital is an accent. */
const STICKINGS = {
  singles: 'r l',
  doubles: 'r r l l',
  'single paradiddle': 'R l r r L r l l',
  'double paradiddle': 'R l r l r r L r l r l l',
  'triple paradiddle': 'R l r l r l r r L r l r l r l l',
  'paradiddle-diddle': 'R l r r l l',
  'inward paradiddle': 'R l l r L r r l',
  'reversed paradiddle': 'R r l r L l r l',
  'three and one': 'R r r l',
  'six-stroke roll': 'R l l r r L',
} as const;
export type Sticking = keyof typeof STICKINGS;

const shape = z.object({
  names: z
    .array(z.enum(Object.keys(STICKINGS) as [Sticking, ...Sticking[]]))
    .min(1)
    .default(Object.keys(STICKINGS) as Sticking[])
    .describe('Which'),
});

export const sticking = family<z.output<typeof shape>>({
  name: 'sticking',
  wish: 'singles, doubles and paradiddles',
  version: 3,
  order: 'easy to hard',
  shape,
  trains: () => 'Which hand comes next, while all strokes stay even.',
  total: ({ names }, ground) => {
    const long = names.find((name) => barsToRealign(ground, STICKINGS[name].split(' ').length) > 8);
    return long
      ? fail({
          code: 'home-too-late',
          path: ['names'],
          where: 'names',
          say: `The ${long} comes home only after more than 8 bars.`,
          remedy: 'Leave it out, or divide the counts otherwise.',
        })
      : ok(names.length);
  },
  figure: ({ names }, ground, index) => {
    const hands = STICKINGS[names[index]!].split(' ');
    const bars = barsToRealign(ground, hands.length);
    const strokes = Array.from({ length: bars * ground.slots.length }, (_, slot) => {
      const hand = hands[slot % hands.length]!;
      return stroke(
        hand.toLowerCase() === 'r' ? 'right hand' : 'left hand',
        'snare',
        slotFrom(ground, slot),
        hand === hand.toUpperCase() ? 'accent' : 'tap',
      );
    });
    return { say: names[index]!, bars, strokes, alone: 'but for free limbs' };
  },
});
