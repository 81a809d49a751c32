import { z } from 'zod';
import { fail, ok } from '../../result';
import type { Height, Surface } from '../../groove/limbs';
import type { FreeStroke } from '../../groove/place';
import { bits } from '../choose';
import { alternating, family, stroke, type Figure } from '../family';
import { add, frac } from '../../time/fraction';

/** What keeps the 8ths, and which surface that is. */
const HAND = { 'on the hat': 'closed hat', 'on the ride': 'ride' } as const;

const shape = z.object({
  what: z
    .enum(['kick on single hats', 'every kick on the hats', 'fills', 'beat and fill'])
    .default('kick on single hats')
    .describe('What moves'),
  hand: z.enum(['on the hat', 'on the ride']).default('on the hat').describe('The right hand'),
  accents: z.boolean().default(true).describe('Accents on the pulses and the backbeat'),
  kick: z.string().trim().max(60).default('1 6 7').describe('The kick of the beat, counted 1 to 12'),
  beats: z.number().int().min(1).max(7).default(3).describe('Bars of beat before the fill'),
});
type Params = z.output<typeof shape>;

const TWELVE = { beats: 12, unit: 8 as const };
const at = (eighth: number) => frac(eighth, 8);
const EIGHTHS = Array.from({ length: 12 }, (_, eighth) => eighth);
/** Three notes a drum, round the kit from each drum in turn. */
const DRUMS: Surface[] = ['snare', 'high tom', 'mid tom', 'floor tom'];

const height = ({ accents }: Params, eighth: number): Height => (accents && eighth % 3 === 0 ? 'accent' : 'tap');

/** The hand on every 8th, the snare on the second and fourth pulse. */
const hands = (params: Params): FreeStroke[] => [
  ...EIGHTHS.map((eighth) => stroke('right hand', HAND[params.hand], at(eighth), height(params, eighth))),
  ...[3, 9].map((eighth) => stroke('left hand', 'snare', at(eighth), height(params, eighth))),
];

const kicks = (eighths: readonly number[]) => eighths.map((eighth) => stroke('right foot', 'kick', at(eighth)));

const roundTheKit = (params: Params, start: number): FreeStroke[] =>
  EIGHTHS.map((eighth) =>
    stroke(
      alternating(eighth),
      DRUMS[(start + Math.floor(eighth / 3)) % DRUMS.length]!,
      at(eighth),
      height(params, eighth),
    ),
  );

/** The 8ths that are named, from 0; undefined where one is none of the twelve. */
function eighthsOf({ kick }: Params): number[] | undefined {
  const named = kick.replaceAll(/\band\b/g, ' ').split(/[\s,]+/);
  const eighths = named.filter(Boolean).map((word) => Number(word) - 1);
  return eighths.every((eighth) => EIGHTHS.includes(eighth)) ? [...new Set(eighths)] : undefined;
}

function beatAndFill(params: Params): Figure {
  const beat = [...hands(params), ...kicks(eighthsOf(params)!)];
  const fill = [...roundTheKit(params, 0), ...kicks([0, 3, 6, 9])];
  const bars = [...Array.from({ length: params.beats }, () => beat), fill];
  return {
    say: `${params.beats === 1 ? 'a bar' : `${params.beats} bars`} of the beat, a fill round the kit`,
    bars: bars.length,
    strokes: bars.flatMap((strokes, bar) => strokes.map((one) => ({ ...one, at: add(one.at, frac(bar * 3, 2)) }))),
    meter: TWELVE,
    alone: 'but for free limbs',
  };
}

export const compound = family<Params>({
  name: 'compound',
  wish: 'three to a pulse: 12/8',
  version: 2,
  order: ({ what }) => (what === 'every kick on the hats' ? 'easy to hard' : 'as generated'),
  ground: { meter: '12/8', reading: 'pulse', parts: 3, ostinato: '', goal: 60 },
  shape,
  trains: ({ what }) =>
    what === 'fills' || what === 'beat and fill'
      ? 'Three notes a drum round the kit, one pulse each.'
      : 'The kick lands on 8ths of the 12/8 pattern, never between them.',
  total: (params) => {
    if (params.what === 'fills') return ok(DRUMS.length);
    if (params.what === 'kick on single hats') return ok(12);
    if (params.what === 'every kick on the hats') return ok(2 ** 12 - 1);
    return eighthsOf(params)
      ? ok(1)
      : fail({
          code: 'no-such-place',
          path: ['kick'],
          where: 'kick',
          say: `“${params.kick}” names a count that 12/8 has not.`,
          remedy: 'Write numbers from 1 to 12: 1 6 7.',
        });
  },
  figure: (params, _, index) => {
    const { what } = params;
    if (what === 'beat and fill') return beatAndFill(params);
    const whole = { bars: 1, meter: TWELVE, alone: 'but for free limbs' } as const;
    if (what === 'fills') return { ...whole, say: `from the ${DRUMS[index]}`, strokes: roundTheKit(params, index) };
    const eighths = what === 'kick on single hats' ? [index] : bits(index + 1, 12);
    return {
      ...whole,
      say: `kick on ${eighths.map((eighth) => eighth + 1).join(' ')}`,
      strokes: [...hands(params), ...kicks(eighths)],
    };
  },
});
