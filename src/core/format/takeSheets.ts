import { countedInWords } from '../counting/placeInWords';
import type { School } from '../counting/schools';
import type { Take } from '../documents/take';
import { figureInWords } from '../wording/figuresInWords';
import type { Judgement } from '../judging/types/judgement';
import { figuresOfTake } from '../judging/report/takeFigures';
import { placeJudged } from '../judging/verdict/verdict';

/** A table as a file of values: its heading, and a line each. */
export interface Sheet {
  heading: string[];
  rows: (string | number | null)[][];
}

const rounded = (value: number | null | undefined): number | null =>
  value === null || value === undefined ? null : Math.round(value * 1000) / 1000;

/** Every figure of a take with its 95 % interval: what it is called, and the numbers as they are worked out. */
export function figureSheet(take: Take, judgement: Judgement): Sheet {
  return {
    heading: ['figure', 'of', 'called', 'from', 'value', 'low (95 %)', 'high (95 %)', 'meant', 'in words'],
    rows: figuresOfTake(take, judgement).map((figure) => {
      const { name, value, range } = figureInWords(figure);
      return [
        figure.kind,
        figure.of,
        name,
        figure.n,
        rounded(figure.value),
        rounded(figure.low),
        rounded(figure.high),
        rounded(figure.meant),
        `${value} (${range})`,
      ];
    }),
  };
}

/** Every stroke that was due, one a line: where it is written and counted, when it was due and struck, how late. */
export function strokeSheet(take: Take, { strokes }: Judgement, school: School): Sheet {
  return {
    heading: [
      'bar played',
      'bar written',
      'count',
      'limb',
      'surface',
      'height',
      'part',
      'due (ms)',
      'struck (ms)',
      'late (ms)',
      'outcome',
    ],
    rows: strokes.map(({ stroke, outcome, hitMs, errorMs }) => [
      stroke.barInRun + 1,
      stroke.bar + 1,
      countedInWords(placeJudged(take, stroke.limb, stroke.bar, stroke.written), school),
      stroke.limb,
      stroke.surface,
      stroke.height,
      stroke.role === 'main' ? '' : stroke.role,
      rounded(stroke.ms),
      rounded(hitMs),
      rounded(errorMs),
      outcome,
    ]),
  };
}
