import { z } from 'zod';
import { fail, ok, type Result } from '../../result';
import { USUAL_SURFACES } from '../../groove/limbs';
import { barsToRealign, family, isBackbeat, limbShape, slotFrom, stroke } from '../family';
import { add, frac, mul } from '../../time/fraction';
import { barLength } from '../../grid/meter';
import { textShape } from '../../documents/shapes';
import type { FreeStroke } from '../../groove/place';
import { saidSlots, type SaidSlots } from '../said';

const shape = z.object({
  lengths: z
    .array(z.union([z.literal(3), z.literal(5), z.literal(7)]))
    .min(1)
    .max(3)
    .default([3, 5, 7])
    .describe('Slots of the figure'),
  figures: z
    .array(textShape(200))
    .max(8, 'At most 8 figures.')
    .default([])
    .describe('Or slot by slot, a line each: R floor tom loud, L snare, rest'),
  limb: limbShape.default('left hand').describe('Which limb plays it'),
  keeps: limbShape.default('right foot').describe('Which limb keeps the count'),
  on: z.enum(['every count', '2 and 4']).default('every count').describe('Where it keeps it'),
});

type Params = z.output<typeof shape>;

/** Figures as they are said slot by slot, or why one cannot be. */
function saidFigures({ figures, limb }: Params): Result<SaidSlots[]> {
  const said: SaidSlots[] = [];
  for (const [index, line] of figures.entries()) {
    if (!line) continue;
    const one = saidSlots(line, limb);
    if (!one.ok) return fail({ ...one.problems[0]!, path: ['figures'], where: `line ${index + 1}` });
    said.push(one.value);
  }
  return ok(said);
}

/** The figures in their order: those that are said, or a plain line of each length where none is. */
function figuresOf(params: Params): SaidSlots[] {
  const said = saidFigures(params);
  if (said.ok && said.value.length) return said.value;
  const { lengths, limb } = params;
  return lengths.map((length) => ({
    length,
    strokes: Array.from({ length }, (_, slot) => ({
      slot,
      limb,
      surface: USUAL_SURFACES[limb],
      height: slot ? 'tap' : 'accent',
    })),
  }));
}

export const overlay = family<Params>({
  name: 'overlay',
  wish: 'threes, fives or sevens over the bar',
  version: 2,
  order: 'as generated',
  shape,
  trains: ({ keeps }) =>
    `A figure of its own length over the bar while the ${keeps} keeps the count, until both meet on 1.`,
  total: (params, { slots }) => {
    const said = saidFigures(params);
    if (!said.ok) return said;
    const figures = figuresOf(params);
    if (figures.some(({ strokes }) => strokes.some(({ limb }) => limb === params.keeps)))
      return fail({
        code: 'limb-taken',
        path: ['keeps'],
        where: 'keeps',
        say: 'One limb cannot play the figure and keep the count.',
        remedy: 'Choose another limb to keep it.',
      });
    const long = figures.find(({ length }) => length > slots.length);
    if (!long) return ok(figures.length);
    return fail({
      code: 'longer-than-bar',
      numbers: { slots: slots.length },
      path: [said.value.length ? 'figures' : 'lengths'],
      where: said.value.length ? 'figures' : 'lengths',
      say: `A figure of ${long.length} slots is longer than its bar of ${slots.length}.`,
      remedy: 'Divide the counts further, or leave it out.',
    });
  },
  figure: (params, ground, index) => {
    const { length, strokes: said } = figuresOf(params)[index]!;
    const { keeps, on } = params;
    const bars = barsToRealign(ground, length);
    const line = Array.from({ length: (bars * ground.slots.length) / length }, (_, round) =>
      said.map(({ slot, ...one }): FreeStroke => ({ ...one, at: slotFrom(ground, round * length + slot) })),
    ).flat();
    const kept = Array.from({ length: bars }, (_, bar) =>
      ground.counts
        .filter(({ at }) => on === 'every count' || isBackbeat(ground, at))
        .map(({ at }) => stroke(keeps, USUAL_SURFACES[keeps], add(at, mul(barLength(ground.meter), frac(bar))))),
    ).flat();
    return {
      say: `${length} over ${ground.meter.beats}, home after ${bars} ${bars === 1 ? 'bar' : 'bars'}`,
      bars,
      strokes: [...line, ...kept],
      alone: 'but for free limbs',
    };
  },
});
