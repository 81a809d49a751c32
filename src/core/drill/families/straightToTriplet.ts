import { z } from 'zod';
import { fail, ok } from '../../result';
import { add, equal, exact, frac, less, modulo, mul, ZERO, type WholeNotes } from '../../time/fraction';
import type { FreeStroke } from '../../groove/place';
import { alternating, family, lengthOfBar, stroke, type DrillGrid } from '../family';

const EXTENTS = ['first two beats', 'all'] as const;
const INTO = ['shuffle', 'full triplets', 'triplets first, shuffle after'] as const;
const LINES = { 'hands in turn': 'snare', 'on the hat': 'closed hat', 'on the ride': 'ride' } as const;
const shape = z.object({
  extents: z
    .array(z.enum(EXTENTS))
    .min(1)
    .default([...EXTENTS])
    .describe('How much of the bar'),
  into: z.array(z.enum(INTO)).min(1).default(['shuffle', 'full triplets']).describe('Into'),
  line: z
    .enum(Object.keys(LINES) as [keyof typeof LINES, ...(keyof typeof LINES)[]])
    .default('hands in turn')
    .describe('The line'),
});
type Params = z.output<typeof shape>;

const QUARTER = exact('1/4');

/** The line in 8ths that is made into triplets: hands in turn, 1 an accent; or one hand, even. */
function inEighths({ line }: Params, ground: DrillGrid): FreeStroke[] {
  const inTurn = line === 'hands in turn';
  const strokes: FreeStroke[] = [];
  for (let index = 0, at = frac(0); less(at, lengthOfBar(ground)); at = mul(exact('1/8'), frac(++index)))
    strokes.push(
      stroke(inTurn ? alternating(index) : 'right hand', LINES[line], at, inTurn && !index ? 'accent' : 'tap'),
    );
  return strokes;
}

/** Half of a stretch, in whole beats. */
const halfOf = (length: WholeNotes) => mul(QUARTER, frac(Math.ceil((2 * length.n) / length.d)));

const variants = ({ extents, into }: Params) => extents.flatMap((extent) => into.map((what) => ({ extent, what })));

export const straightToTriplet = family<Params>({
  name: 'straight to triplet',
  wish: 'from straight 8ths into triplets and back',
  version: 2,
  order: 'as generated',
  shape,
  trains: () => '8ths, then the same as triplets, bar against bar: where the second note goes.',
  total: (params, ground) =>
    ground.meter.unit === 4
      ? ok(variants(params).length)
      : fail({
          code: 'meter-not-in-quarters',
          path: ['meter'],
          where: 'meter',
          say: '8ths in pairs want a meter in quarters.',
          remedy: 'Choose 4/4, 3/4 or another over 4.',
        }),
  figure: (params, ground, index) => {
    const { extent, what } = variants(params)[index]!;
    const end = extent === 'all' ? lengthOfBar(ground) : exact('1/2');
    const fullUntil = { shuffle: ZERO, 'full triplets': end, 'triplets first, shuffle after': halfOf(end) }[what];
    const straight = inEighths(params, ground);
    const changed = straight.flatMap((one): FreeStroke[] => {
      const within = modulo(one.at, QUARTER);
      if (!less(one.at, end)) return [one];
      if (equal(within, exact('1/8'))) return [{ ...one, at: add(one.at, exact('1/24')) }];
      return less(one.at, fullUntil) ? [one, { ...one, at: add(one.at, exact('1/12')), height: 'tap' }] : [one];
    });
    const hands =
      what === 'shuffle' || params.line !== 'hands in turn'
        ? changed
        : changed.map((one, at) => ({ ...one, limb: alternating(at) }));
    const second = hands.map((one) => ({ ...one, at: add(one.at, lengthOfBar(ground)) }));
    return { say: `${what}, ${extent}`, bars: 2, strokes: [...straight, ...second], alone: 'but for free limbs' };
  },
});
