import { z } from 'zod';
import type { Groove } from '../../groove/groove';
import { strokesOf } from '../../groove/place';
import { fail, ok } from '../../result';
import { equal } from '../../time/fraction';
import { barLength } from '../../grid/meter';
import { difficultyOf } from '../difficulty';
import { family, groundOf, type Figure, type DrillGrid } from '../family';
import { figureShape, silent, strokesToMove } from '../figure';

const shape = z.object({ figure: figureShape });
type Params = z.output<typeof shape>;

const WAYS = [
  { say: 'alone', before: 0, after: 0 },
  { say: 'into it', before: 1, after: 0 },
  { say: 'out of it', before: 0, after: 1 },
  { say: 'in its place', before: 1, after: 1 },
] as const;

const difficultyOfBar = ({ bars, reading }: Groove, index: number) => {
  const { meter, strokes, cells } = bars[index]!;
  const ground = groundOf(meter, Math.max(...cells.map(({ counts, parts }) => Math.ceil(parts / counts))), reading);
  return difficultyOf({ say: '', bars: 1, strokes, alone: true }, ground);
};

/** The bar with the most points; of several the first. */
function hardest(groove: Groove): number {
  const scores = groove.bars.map((_, index) => difficultyOfBar(groove, index).score);
  return scores.indexOf(Math.max(...scores));
}

/**
 * The bars from `before` it to `after` it, over the end of the groove to its beginning; undefined where their meters
 * differ.
 */
function around(groove: Groove, { before, after }: (typeof WAYS)[number]): Groove | undefined {
  const many = groove.bars.length;
  if (before + after >= many) return undefined;
  const from = hardest(groove) - before;
  const bars = Array.from({ length: before + 1 + after }, (_, step) => groove.bars[(from + step + many) % many]!);
  return bars.every(({ meter }) => equal(barLength(meter), barLength(bars[0]!.meter)))
    ? { ...groove, bars }
    : undefined;
}

function figures({ figure }: Params, ground: DrillGrid): Figure[] {
  if (!figure) {
    const { strokes, bars } = strokesToMove(undefined, ground);
    return [{ say: 'alone', bars, strokes, alone: true }];
  }
  return WAYS.flatMap((way) => {
    const part = around(figure, way);
    const bar = figure.bars.length > 1 ? `bar ${hardest(figure) + 1} ` : '';
    return part
      ? [
          {
            say: `${bar}${way.say}`,
            bars: part.bars.length,
            strokes: strokesOf(part),
            meter: part.bars[0]!.meter,
            alone: true,
          },
        ]
      : [];
  });
}

export const hardBar = family<Params>({
  name: 'hardest bar',
  wish: 'the hardest bar of a groove by itself',
  version: 1,
  order: 'as generated',
  shape,
  trains: ({ figure }) => {
    if (!figure) return 'The hardest bar alone, then into it and out of it.';
    const why = difficultyOfBar(figure, hardest(figure))
      .reasons.map(({ say }) => say)
      .join(', ');
    if (figure.bars.length === 1) return `Its one bar${why && `: ${why}`}.`;
    return `Bar ${hardest(figure) + 1} is the hardest${why && `: ${why}`}. Alone, then into it and out of it.`;
  },
  total: (params, ground) => {
    const wrong = silent(params.figure);
    return wrong ? fail(wrong) : ok(figures(params, ground).length);
  },
  figure: (params, ground, index) => figures(params, ground)[index]!,
});
