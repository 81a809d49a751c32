import { z } from 'zod';
import { countsInWords } from '../../grid/meter';
import { ratePlanInWords, readRatePlan } from '../../phrase/ratePlan';
import { textShape } from '../../documents/shapes';
import { fail, ok, type Result } from '../../result';
import { compare, format, frac, mul, sub } from '../../time/fraction';
import type { NoteValue } from '../../time/noteValue';
import { barsFrom, barsToFill, spanOnsets, type RateSpan } from '../../groove/place';
import { family, lengthOfBar, stroke, type DrillGrid } from '../family';
import { figureShape, momentsOf, silent, strokesToMove, unfit } from '../figure';

const VALUES = [
  'quarter',
  'quarter triplet',
  '8th',
  '8th triplet',
  '16th',
  '16th triplet',
] as const satisfies readonly NoteValue[];

const shape = z.object({
  figure: figureShape,
  values: z
    .array(z.enum(VALUES))
    .min(1)
    .max(VALUES.length)
    .default(['8th', '8th triplet', '16th'])
    .describe('Written in'),
  mixed: z.boolean().default(true).describe('And in two halves of different values'),
  plans: z
    .array(textShape(200))
    .max(16, 'At most 16 plans.')
    .default([])
    .describe('And as you say it, a line each: 3 quarter triplets, the rest in 8ths'),
});
type Params = z.output<typeof shape>;

const momentsIn = ({ figure }: Params, ground: DrillGrid): string[] =>
  momentsOf(strokesToMove(figure, ground).strokes.toSorted((a, b) => compare(a.at, b.at))).map(([one]) =>
    format(one!.at),
  );

/** What the lines come to, or the first that cannot be written. */
function saidPlans({ plans: lines }: Params, notes: number, ground: DrillGrid): Result<RateSpan[][]> {
  const said: RateSpan[][] = [];
  for (const [index, line] of lines.entries()) {
    if (!line) continue;
    const plan = readRatePlan(line, notes);
    const at = { path: ['plans'], where: `line ${index + 1}` };
    if (!plan.ok) return fail({ ...plan.problems[0]!, ...at });
    if (!isWritable(plan.value, ground))
      return fail({
        ...at,
        code: 'no-grid',
        say: 'A switch comes where no grid holds it.',
        remedy: 'Switch on a count, or after another number of notes.',
      });
    said.push(plan.value);
  }
  return ok(said);
}

function plans(params: Params, ground: DrillGrid): RateSpan[][] {
  const notes = momentsIn(params, ground).length;
  const said = saidPlans(params, notes, ground);
  return [...madePlans(params, notes, ground), ...(said.ok ? said.value : [])];
}

function madePlans(params: Params, notes: number, ground: DrillGrid): RateSpan[][] {
  const whole = params.values.map((value): RateSpan[] => [{ value, notes }]);
  if (!params.mixed || notes < 2) return whole.filter((plan) => isWritable(plan, ground));
  const half = Math.floor(notes / 2);
  const halves = params.values.flatMap((first) =>
    params.values.flatMap((second) =>
      first === second
        ? []
        : [
            [
              { value: first, notes: half },
              { value: second, notes: notes - half },
            ],
          ],
    ),
  );
  // A switch in the middle of a count may leave places that no grid holds.
  return [...whole, ...halves].filter((plan) => isWritable(plan, ground));
}

function isWritable(plan: RateSpan[], ground: DrillGrid): boolean {
  const { onsets, endsAt } = spanOnsets(plan);
  const bars = Array.from({ length: barsToFill(endsAt, ground.meter) }, () => ({ meter: ground.meter }));
  return (
    barsFrom(
      onsets.map((at) => stroke('left hand', 'snare', at)),
      bars,
      ground.reading,
    ) !== undefined
  );
}

export const reRate = family<Params>({
  name: 're-rate',
  wish: 'one phrase written in other notes',
  version: 2,
  order: 'as generated',
  shape,
  trains: () => 'The same order of strokes in another value: what the hands know comes at other places of the count.',
  total: (params, ground) => {
    const wrong = unfit(params.figure, ground) ?? silent(params.figure);
    if (wrong) return fail(wrong);
    const said = saidPlans(params, momentsIn(params, ground).length, ground);
    if (!said.ok) return said;
    const found = plans(params, ground).length;
    if (found) return ok(found);
    return fail({
      code: 'no-value-fits',
      path: ['values'],
      where: 'values',
      say: 'None of these values can be written in this meter.',
      remedy: 'Choose others, or a groove with strokes.',
    });
  },
  figure: (params, ground, index) => {
    const plan = plans(params, ground)[index]!;
    const { onsets, endsAt } = spanOnsets(plan);
    const place = new Map(momentsIn(params, ground).map((at, moment) => [at, onsets[moment]!]));
    const bars = barsToFill(endsAt, ground.meter);
    const rest = sub(mul(lengthOfBar(ground), frac(bars)), endsAt);
    const ends = rest.n
      ? `, ends ${countsInWords(rest, ground.counts[0]!.length)} before the bar line`
      : ', ends on the bar line';
    return {
      say: `${ratePlanInWords(plan)}${ends}`,
      bars,
      strokes: strokesToMove(params.figure, ground).strokes.map((one) => ({ ...one, at: place.get(format(one.at))! })),
      alone: true,
    };
  },
});
