import type { FreeStroke } from '../groove/place';
import { compare, equal, format, modulo, sub, type WholeNotes } from '../time/fraction';
import { barLength, countsOf } from '../grid/meter';
import type { Figure, DrillGrid } from './family';

/** One thing that makes an exercise harder, and by how much. */
export interface Reason {
  say: string;
  points: number;
}

/** How hard an exercise is against the others of its drill, and why: the points of its reasons added up. */
export interface Difficulty {
  score: number;
  reasons: Reason[];
}

/** Raised whenever a rule may choose or order its exercises otherwise than before. */
export const CHOOSING_VERSION = 1;

/** What the figure adds to the ostinato is compared with it; what is whole by itself, with the counts. */
export function difficultyOf(figure: Figure, ground: DrillGrid): Difficulty {
  const meter = figure.meter ?? ground.meter;
  const counts = figure.meter ? countsOf(figure.meter, ground.reading) : ground.counts;
  const against = (figure.alone ? counts : ground.ostinato).map(({ at }) => at);
  const isBetween = (at: WholeNotes, others: readonly WholeNotes[]) =>
    !others.some((other) => equal(modulo(at, barLength(meter)), other));
  const moments = [...new Map(figure.strokes.map((one) => [format(one.at), one.at])).values()];
  const between = moments.filter((at) => isBetween(at, against)).length;
  const onCounts = counts.map(({ at }) => at);
  const offAccents = figure.strokes.filter(({ at, height }) => height === 'accent' && isBetween(at, onCounts)).length;
  const run = longestRun(figure.strokes, ground);
  const ornaments = figure.strokes.filter(({ ornament }) => ornament).length;
  const limbs = new Set(figure.strokes.map(({ limb }) => limb)).size;
  const reasons: Reason[] = [
    {
      say: `${count(between, 'stroke')} between ${figure.alone ? 'the counts' : 'those of the ostinato'}`,
      points: between,
    },
    { say: `${count(offAccents, 'accent')} off the counts`, points: offAccents },
    { say: `${run.length} in a row on the ${run.limb}`, points: run.length > 1 ? (run.length - 1) * 2 : 0 },
    { say: `${count(ornaments, 'grace or double', 'graces or doubles')}`, points: ornaments },
    { say: `${limbs} limbs`, points: limbs > 1 ? limbs - 1 : 0 },
    { say: `${figure.bars} bars long`, points: figure.bars > 1 ? figure.bars - 1 : 0 },
  ].filter(({ points }) => points > 0);
  return { score: reasons.reduce((total, { points }) => total + points, 0), reasons };
}

const count = (many: number, one: string, more = `${one}s`) => `${many} ${many === 1 ? one : more}`;

/** The most strokes one limb has on neighbouring slots. */
function longestRun(strokes: readonly FreeStroke[], ground: DrillGrid): { limb: string; length: number } {
  const slot = ground.slots[1] ?? ground.counts[0]!.length;
  const last = new Map<string, { at: WholeNotes; length: number }>();
  let longest = { limb: '', length: 0 };
  for (const { limb, at } of strokes.toSorted((a, b) => compare(a.at, b.at))) {
    const before = last.get(limb);
    const length = before && compare(sub(at, before.at), slot) <= 0 ? before.length + 1 : 1;
    last.set(limb, { at, length });
    if (length > longest.length) longest = { limb, length };
  }
  return longest;
}

/** How many strokes of two exercises are not the same. */
export function distance(one: Pick<Figure, 'strokes'>, other: Pick<Figure, 'strokes'>): number {
  const keys = ({ strokes }: Pick<Figure, 'strokes'>) =>
    new Set(
      strokes.map(
        ({ limb, at, height, surface, ornament }) => `${limb} ${format(at)} ${height} ${surface} ${ornament ?? ''}`,
      ),
    );
  const [a, b] = [keys(one), keys(other)];
  return [...a].filter((key) => !b.has(key)).length + [...b].filter((key) => !a.has(key)).length;
}
