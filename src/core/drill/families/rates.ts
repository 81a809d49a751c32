import { z } from 'zod';
import { fail, ok } from '../../result';
import { add, div, frac, less, mul, ZERO } from '../../time/fraction';
import { NOTE_VALUES, valuesInWords, type NoteValue } from '../../time/noteValue';
import { alternating, family, lengthOfBar, stroke, type DrillGrid } from '../family';

/** The rates a line goes through, from the slowest. */
export const RATES = [
  'half',
  'half triplet',
  'quarter',
  'quarter triplet',
  '8th',
  '8th triplet',
  '16th',
  '16th triplet',
  '32nd',
] as const satisfies readonly NoteValue[];
export type Rate = (typeof RATES)[number];

const shape = z.object({
  from: z.enum(RATES).default('quarter').describe('From'),
  to: z.enum(RATES).default('16th').describe('To'),
  way: z.enum(['up', 'down', 'up and down', 'to and fro']).default('up and down').describe('Way'),
  among: z
    .array(z.enum(RATES))
    .min(1)
    .default([...RATES])
    .describe('Only through these'),
  bars: z.number().int().min(1).max(8).default(2).describe('Bars of each rate'),
  surface: z.enum(['snare', 'pad', 'floor tom']).default('snare').describe('On'),
});
type Params = z.output<typeof shape>;

function sequence({ from, to, way, among }: Params): NoteValue[] {
  // This way round and no other: from what slips.
  if (way === 'to and fro') return [from, to];
  const [first, last] = [RATES.indexOf(from), RATES.indexOf(to)].sort((a, b) => a - b) as [number, number];
  const up = RATES.slice(first, last + 1).filter((rate) => among.includes(rate));
  if (way === 'up') return up;
  return way === 'down' ? up.toReversed() : [...up, ...up.slice(0, -1).toReversed()];
}

/** Only what fills the bars to their end: half-note triplets in 3/4 would not. */
const fits = (value: NoteValue, { bars }: Params, ground: DrillGrid): boolean =>
  div(mul(lengthOfBar(ground), frac(bars)), NOTE_VALUES[value]).d === 1;

const rates_ = (params: Params, ground: DrillGrid) => sequence(params).filter((value) => fits(value, params, ground));

export const rates = family<Params>({
  name: 'rates',
  wish: 'the same line through all rates',
  version: 2,
  order: 'as generated',
  shape,
  trains: ({ way }) =>
    way === 'to and fro'
      ? 'To and fro between two rates: the first notes after each switch.'
      : 'One line through slower and quicker notes; the switches are what is trained.',
  total: (params, ground) => {
    const found = rates_(params, ground).length;
    return found > 1
      ? ok(found)
      : fail({
          code: 'too-few-rates',
          path: ['to'],
          where: 'to',
          say: 'Fewer than two of these rates fill the bars.',
          remedy: 'Choose rates farther apart, or more bars of each.',
        });
  },
  figure: (params, ground, index) => {
    const value = rates_(params, ground)[index]!;
    const end = mul(lengthOfBar(ground), frac(params.bars));
    const strokes = [];
    for (let at = ZERO, note = 0; less(at, end); at = add(at, NOTE_VALUES[value]), note++)
      strokes.push(stroke(alternating(note), params.surface, at));
    return { say: valuesInWords(value), bars: params.bars, strokes, alone: 'but for free limbs' };
  },
});
