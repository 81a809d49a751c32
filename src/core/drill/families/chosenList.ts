import { z } from 'zod';
import { textShape } from '../../documents/shapes';
import { fail, ok, problemAt, within } from '../../result';
import { family, limbShape, type DrillGrid } from '../family';
import { saidBar } from '../said';

/** As many exercises as a groove has bars for, each four times. */
const MOST_PHRASES = 32;

const shape = z.object({
  phrases: z
    .array(textShape(200))
    .max(MOST_PHRASES, `At most ${MOST_PHRASES} exercises.`)
    .default(['1 and 3', '1, & of 2', '1, & of 2, & of 3'])
    .describe('The exercises, a line each, as you would say them'),
  limb: limbShape.default('right foot').describe('Which limb, where a line names none'),
});
type Params = z.output<typeof shape>;

/** Lines with something on them. */
const linesOf = ({ phrases }: Params): string[] => phrases.filter(Boolean);

const said = (params: Params, { meter, parts }: DrillGrid, index: number) =>
  saidBar(linesOf(params)[index]!, meter, params.limb, parts);

/** The exercises a teacher writes: each line is a bar, read as Say it reads it. */
export const chosenList = family<Params>({
  name: 'chosen list',
  wish: 'exercises of your own, written as you say them',
  version: 1,
  order: 'as generated',
  shape,
  trains: (params) => {
    const { length } = linesOf(params);
    return `${length === 1 ? 'One figure' : `${length} figures`} of your own, over what the others keep.`;
  },
  total: (params, ground) => {
    const lines = linesOf(params);
    for (const index of lines.keys()) {
      const one = said(params, ground, index);
      if (one.ok) continue;
      const [{ where, say, ...problem }] = one.problems as [(typeof one.problems)[number]];
      return fail(...within(['phrases'], [{ ...problem, where: `line ${index + 1}`, say: `${where}: ${say}` }]));
    }
    return lines.length
      ? ok(lines.length)
      : fail(problemAt('phrases', 'none', 'There is no exercise.', 'Write one: 1 and 3.'));
  },
  figure: (params, ground, index) => {
    const one = said(params, ground, index);
    return { say: linesOf(params)[index]!, bars: 1, strokes: one.ok ? one.value : [] };
  },
});
