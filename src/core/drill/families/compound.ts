import { z } from 'zod';
import { ok } from '../../result';
import type { Surface } from '../../groove/limbs';
import { bits } from '../choose';
import { alternating, family, stroke, type Figure } from '../family';
import { frac } from '../../time/fraction';

const shape = z.object({
  what: z
    .enum(['kick on single hats', 'every kick on the hats', 'fills'])
    .default('kick on single hats')
    .describe('What moves'),
});

const TWELVE = { beats: 12, unit: 8 as const };
const at = (eighth: number) => frac(eighth, 8);
/** Hat on every 8th, snare on the second and fourth pulse. */
const HANDS = [
  ...Array.from({ length: 12 }, (_, eighth) =>
    stroke('right hand', 'closed hat', at(eighth), eighth % 3 ? 'tap' : 'accent'),
  ),
  stroke('left hand', 'snare', at(3), 'accent'),
  stroke('left hand', 'snare', at(9), 'accent'),
];
/** Three notes a drum, round the kit from each drum in turn. */
const DRUMS: Surface[] = ['snare', 'high tom', 'mid tom', 'floor tom'];

function fill(start: number): Figure {
  const strokes = Array.from({ length: 12 }, (_, eighth) =>
    stroke(
      alternating(eighth),
      DRUMS[(start + Math.floor(eighth / 3)) % DRUMS.length]!,
      at(eighth),
      eighth % 3 ? 'tap' : 'accent',
    ),
  );
  return { say: `from the ${DRUMS[start]}`, bars: 1, strokes, meter: TWELVE, alone: true };
}

export const compound = family<z.output<typeof shape>>({
  name: 'compound',
  wish: 'three to a pulse: 12/8',
  version: 1,
  order: ({ what }) => (what === 'every kick on the hats' ? 'easy to hard' : 'as generated'),
  shape,
  trains: ({ what }) =>
    what === 'fills'
      ? 'Three notes a drum round the kit, one pulse each.'
      : 'The kick lands on hats of the 12/8 pattern, never between them.',
  total: ({ what }) => {
    if (what === 'fills') return ok(DRUMS.length);
    return ok(what === 'kick on single hats' ? 12 : 2 ** 12 - 1);
  },
  figure: ({ what }, _, index) => {
    if (what === 'fills') return fill(index);
    const kicks = what === 'kick on single hats' ? [index] : bits(index + 1, 12);
    return {
      say: `kick on ${kicks.map((eighth) => eighth + 1).join(' ')}`,
      bars: 1,
      strokes: [...HANDS, ...kicks.map((eighth) => stroke('right foot', 'kick', at(eighth)))],
      meter: TWELVE,
      alone: true,
    };
  },
});
