import { countedInWords, type CountedPlace } from '../counting/placeInWords';
import type { School } from '../counting/schools';
import type { TakeFigure } from '../documents/takeFigures';
import type { Limb } from '../groove/limbs';
import { estimatedMean, standardDeviationInterval } from '../stats/estimates';
import { groupBy } from '../stats/groupBy';
import type { ReportWords } from '../documents/verdict';
import { frac } from '../time/fraction';
import type { Bpm, Ms } from '../time/units';
import { rateOf, type Weakness } from './weakness';

/** One take of a student, as its figures are drawn together with the others. */
export interface TakeOfMany {
  tempo: Bpm;
  figures: readonly TakeFigure[];
}

const sure = (figures: readonly TakeFigure[]) =>
  figures.flatMap((one) => (one.value === null ? [] : [{ ...one, value: one.value }]));

const allOf = (takes: readonly TakeOfMany[], kind: TakeFigure['kind']) =>
  takes.flatMap(({ tempo, figures }) =>
    sure(figures.filter((one) => one.kind === kind)).map((one) => ({ ...one, tempo })),
  );

/**
 * Each switch of rate over all takes: the mean of what it was in each, so that a long take weighs no more than a
 * short one.
 */
export const switchesOfMany = (takes: readonly TakeOfMany[]): TakeFigure[] =>
  [...groupBy(allOf(takes, 'switch'), ({ of }) => of)].map(([of, all]) => ({
    kind: 'switch',
    of,
    ...estimatedMean(all.map(({ value }) => value)),
  }));

/** How even each rate is over all takes: their spreads pooled by how many strokes each rests on. */
export const spreadsOfMany = (takes: readonly TakeOfMany[]): TakeFigure[] =>
  [...groupBy(allOf(takes, 'rate spread'), ({ of }) => of)]
    .map(([of, all]): TakeFigure => {
      const freedom = all.reduce((total, { n }) => total + n - 1, 0);
      const squares = all.reduce((total, { n, value }) => total + (n - 1) * value ** 2, 0);
      return {
        kind: 'rate spread',
        of,
        ...standardDeviationInterval(freedom + all.length, Math.sqrt(squares / freedom), all.length),
      };
    })
    .sort((a, b) => Number(a.of) - Number(b.of));

/** Tempos nearer than this are one in a list of them. */
const TEMPO_STEP = 8;

/** The ratio of swing by tempo, in steps, the slowest first: with the tempo each is of. */
export const swingByTempo = (takes: readonly TakeOfMany[]): (TakeFigure & { tempo: Bpm })[] =>
  [...groupBy(allOf(takes, 'swing'), ({ tempo, of }) => `${Math.round(tempo / TEMPO_STEP) * TEMPO_STEP} ${of}`)]
    .map(([, all]) => ({
      kind: 'swing' as const,
      of: all[0]!.of,
      tempo: Math.round(all[0]!.tempo / TEMPO_STEP) * TEMPO_STEP,
      ...estimatedMean(all.map(({ value }) => value)),
      meant: all.reduce((total, { meant = 1 }) => total + meant, 0) / all.length,
    }))
    .sort((a, b) => a.tempo - b.tempo);

/** Errors at one counted place, against where each take as a whole sits, over many takes. */
export interface PlaceOfMany extends CountedPlace {
  limb: Limb;
  matched: number;
  missed: number;
  mean_error_ms: Ms | null;
}

/** A student's takes of late, the newest first, and the errors by place over all of them. */
export interface FiguresOfMany {
  takes: readonly TakeOfMany[];
  heat: readonly PlaceOfMany[];
}

/** So many strokes make a place one that can be called weak. */
const ENOUGH = 16;
const HEARD_MS = 6;

/** The place that lies farthest off, or is left out most, over all takes; nothing where all is well. */
export function weakestPlace(places: readonly PlaceOfMany[]): PlaceOfMany | undefined {
  const cost = ({ matched, missed, mean_error_ms }: PlaceOfMany) =>
    Math.abs(mean_error_ms ?? 0) / HEARD_MS + (10 * missed) / (matched + missed);
  return places
    .filter(({ matched, missed }) => matched + missed >= ENOUGH)
    .filter((one) => cost(one) >= 1)
    .sort((a, b) => cost(b) - cost(a))[0];
}

/** "the & of 3 in the right foot, 24 ms later than the rest over 40 strokes". */
export function placeOfManyInWords(place: PlaceOfMany, school: School, report: ReportWords = 'figures'): string {
  const { limb, matched, missed, mean_error_ms } = place;
  const late = Math.round(mean_error_ms ?? 0);
  return [
    `${countedInWords(place, school)} in the ${limb}`,
    late &&
      `${report === 'figures' ? `${Math.abs(late)} ms ` : ''}${late > 0 ? 'later' : 'earlier'} than the rest over ${matched} strokes`,
    missed && `${missed} of ${matched + missed} left out`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** What a weak place is to a drill: in 4/4, since grooves of any meter have it. */
export const weaknessOfPlace = ({ limb, count, part, parts }: PlaceOfMany, tempo: Bpm): Weakness => ({
  tempo,
  limb,
  ...(count <= 4 && { places: [frac((count - 1) * parts + part, 4 * parts)], parts, meter: '4/4' }),
});

/** The switch that is farthest off so that it can be heard; nothing where all are well. */
export function weakestSwitch(switches: readonly TakeFigure[]): TakeFigure | undefined {
  const off = (one: TakeFigure) => Math.abs(one.value ?? 0);
  return switches.filter((one) => one.low !== null && off(one) >= HEARD_MS).sort((a, b) => off(b) - off(a))[0];
}

export function weaknessOfSwitch({ of }: TakeFigure, tempo: Bpm): Weakness | undefined {
  const [from, to] = of.split('>').map((rate) => rateOf(Number(rate)));
  return from && to ? { tempo, switches: [from, to] } : undefined;
}
