import type { SightPlan } from '../documents/sightPlan';
import type { Cell } from '../grid/cells';
import { countsOf, isCompound, type Meter, type Reading } from '../grid/meter';
import type { Bar, Groove, Stroke } from '../groove/groove';
import { randomFrom } from '../random';
import { add, div, frac, mul } from '../time/fraction';
import { figuresFor, isFor, type Figure } from './figures';

/** How many strokes of an advanced line are accents. */
const ACCENTS = 0.2;

/**
 * A line for the snare, hands in turn, the same for the same seed. It goes as phrases do: a bar, the same with one
 * count changed, a bar of its own, and one that comes to rest on its last count; so it can be read ahead. Accents
 * come from the advanced on.
 */
export function sightLine(
  plan: SightPlan,
  { title, tempo, seed }: { title: string; tempo: number; seed: number },
): Groove {
  const random = randomFrom(seed);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const reading: Reading = isCompound(plan.meter) ? 'pulse' : 'numbers';
  const counts = countsOf(plan.meter, reading).length;
  const figures = figuresFor(plan);
  const opening = figures.find((figure) => figure.startsWith('x')) ?? 'x';
  const sounding = (bar: Figure[]) => (bar.some((figure) => figure.includes('x')) ? bar : [opening, ...bar.slice(1)]);
  const fresh = () => sounding(Array.from({ length: counts }, () => pick(figures)));
  const changed = (bar: readonly Figure[]) => {
    const at = Math.floor(random() * counts);
    return sounding(bar.map((figure, index) => (index === at ? pick(figures) : figure)));
  };
  const phrase: Figure[][] = [];
  for (let bar = 0; bar < plan.bars; bar++) {
    const place = bar % 4;
    if (place === 1) phrase.push(changed(phrase[bar - 1]!));
    else if (place === 3) phrase.push([...changed(phrase[bar - 3]!).slice(0, -1), 'x']);
    else phrase.push(fresh());
  }
  const hasAccents = isFor('advanced', plan.level);
  let struck = 0;
  const next = (): Omit<Stroke, 'at'> => ({
    limb: struck++ % 2 ? 'left hand' : 'right hand',
    surface: 'snare',
    height: hasAccents && random() < ACCENTS ? 'accent' : 'tap',
  });
  return { version: 1, title, reading, tempo, bars: phrase.map((bar) => barOf(bar, plan.meter, reading, next)) };
}

/** A bar of figures, one a count. */
function barOf(figures: readonly Figure[], meter: Meter, reading: Reading, next: () => Omit<Stroke, 'at'>): Bar {
  const cells: Cell[] = figures.map((figure) => ({ counts: 1, parts: figure.length }));
  const strokes = countsOf(meter, reading).flatMap(({ at, length }, count) => {
    const figure = figures[count]!;
    const part = div(length, frac(figure.length));
    return [...figure].flatMap((letter, index): Stroke[] =>
      letter === 'x' ? [{ ...next(), at: add(at, mul(part, frac(index))) }] : [],
    );
  });
  return { meter, cells, strokes };
}
