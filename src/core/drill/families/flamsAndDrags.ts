import { z } from 'zod';
import { fail, ok } from '../../result';
import { add, div, frac, less, mul, ZERO, type WholeNotes } from '../../time/fraction';
import { NOTE_VALUES } from '../../time/noteValue';
import { alternating, family, isBackbeat, lengthOfBar, stroke, type Figure, type DrillGrid } from '../family';

const WHAT = ['flams on quarters', 'flams on half-note triplets', 'two bars of each', 'a drag for each ghost'] as const;
const shape = z.object({
  what: z
    .array(z.enum(WHAT))
    .min(1)
    .default([...WHAT])
    .describe('Which'),
});
type Params = z.output<typeof shape>;

function flams(ground: DrillGrid, step: WholeNotes, say: string): Figure[] {
  if (div(lengthOfBar(ground), step).d !== 1) return [];
  const strokes = [];
  for (let at = ZERO, note = 0; less(at, lengthOfBar(ground)); at = add(at, step), note++)
    strokes.push({ ...stroke(alternating(note), 'snare', at, 'accent'), ornament: 'flam' as const });
  // An odd number of flams begins the next bar with the other hand, so both begin one.
  const other = strokes.map((one, note) => ({
    ...one,
    limb: alternating(note + strokes.length),
    at: add(one.at, lengthOfBar(ground)),
  }));
  return strokes.length % 2
    ? [{ say, bars: 2, strokes: [...strokes, ...other], alone: 'but for free limbs' }]
    : [{ say, bars: 1, strokes, alone: 'but for free limbs' }];
}

/** Two bars of quarters, then two of half-note triplets, from hand to hand through the change. */
function both(ground: DrillGrid): Figure[] {
  const halves = [NOTE_VALUES.quarter, NOTE_VALUES['half triplet']];
  const two = mul(lengthOfBar(ground), frac(2));
  if (halves.some((step) => div(two, step).d !== 1)) return [];
  const places = halves.flatMap((step, half) =>
    Array.from({ length: div(two, step).n }, (_, note) => add(mul(two, frac(half)), mul(step, frac(note)))),
  );
  const strokes = places.map((at, note) => ({
    ...stroke(alternating(note), 'snare', at, 'accent'),
    ornament: 'flam' as const,
  }));
  return [
    { say: 'flams, two bars quarters, two bars half-note triplets', bars: 4, strokes, alone: 'but for free limbs' },
  ];
}

/** The left hand ghosts on every slot but the backbeat; one ghost after another becomes a drag. */
function drags(ground: DrillGrid): Figure[] {
  const ghosts = ground.slots.filter((at) => !isBackbeat(ground, at));
  const line = ground.slots.map((at) => stroke('left hand', 'snare', at, isBackbeat(ground, at) ? 'accent' : 'ghost'));
  return ghosts.map((at) => ({
    say: '',
    places: [at],
    bars: 1,
    strokes: line.map((one) => (one.at === at ? { ...one, ornament: 'drag' as const } : one)),
    alone: 'but for free limbs',
  }));
}

const figures = ({ what }: Params, ground: DrillGrid): Figure[] =>
  what.flatMap((one) => {
    if (one === 'a drag for each ghost') return drags(ground);
    if (one === 'two bars of each') return both(ground);
    return one === 'flams on quarters'
      ? flams(ground, NOTE_VALUES.quarter, 'flams on quarters')
      : flams(ground, NOTE_VALUES['half triplet'], 'flams on half-note triplets');
  });

export const flamsAndDrags = family<Params>({
  name: 'flams and drags',
  wish: 'flams from both hands, drags among ghosts',
  version: 3,
  order: 'as generated',
  shape,
  trains: () => 'Grace strokes low and close: played together they are flat, too early they are two notes.',
  total: (params, ground) => {
    const found = figures(params, ground).length;
    return found
      ? ok(found)
      : fail({
          code: 'notes-do-not-fill',
          path: ['what'],
          where: 'what',
          say: 'These notes do not fill this meter.',
          remedy: 'Choose 4/4, or drags.',
        });
  },
  figure: (params, ground, index) => figures(params, ground)[index]!,
});
