import type { ReadValue, SightPlan } from '../documents/sightPlan';
import { isCompound } from '../grid/meter';
import { LEVELS, type Level } from '../limits';

/** One count as it is read, a letter for each of its parts, `x` where it is struck. */
export type Figure = string;

/** Parts of a count by value; in 6/8 and the like a count is a dotted pulse of three 8ths. */
const PARTS: Record<ReadValue, number> = { quarters: 1, '8ths': 2, triplets: 3, '16ths': 4, sextuplets: 6 };
const PULSE_PARTS: Record<ReadValue, number> = { ...PARTS, '8ths': 3, '16ths': 6 };

/** Figures that are read as a whole, by their parts, and the level from which on. */
type Known = readonly [figures: readonly Figure[], from: Level][];

/** Beginners read counts that begin with a stroke; then the second half of a count; then every figure. */
const FIGURES: Record<number, Known> = {
  1: [[['x', '-'], 'first year']],
  2: [
    [['xx'], 'first year'],
    [['-x'], 'second year'],
  ],
  3: [
    [['xxx'], 'second year'],
    [['x-x', 'xx-'], 'advanced'],
    [['-xx', '--x'], 'concert'],
  ],
  4: [
    [['xxxx'], 'first year'],
    [['x-xx', 'xxx-'], 'second year'],
    [['xx-x', 'x--x', '--xx'], 'advanced'],
    [['-xxx', '-x-x', '-xx-', '---x'], 'concert'],
  ],
  6: [
    [['xxxxxx'], 'advanced'],
    [['x-xxxx', 'xxx-x-', 'x-x-xx'], 'concert'],
  ],
};

/** Three 8ths of a dotted pulse are read earlier than a triplet is. */
const PULSE_FIGURES: Known = [
  [['xxx', 'x-x'], 'first year'],
  [['xx-', '-xx'], 'second year'],
  [['--x', '-x-'], 'advanced'],
];

/** Whether what is read from one level on is read at another. */
export const isFor = (from: Level, level: Level): boolean => LEVELS.indexOf(from) <= LEVELS.indexOf(level);

/** All figures that a plan's values and its level allow, plain counts where it allows no others. */
export function figuresFor({ level, values, meter }: Pick<SightPlan, 'level' | 'values' | 'meter'>): Figure[] {
  const isPulsed = isCompound(meter);
  const parts = [...new Set(values.map((value) => (isPulsed ? PULSE_PARTS : PARTS)[value]))];
  const allowed = parts.flatMap((many) => {
    const known = (isPulsed && many === 3 ? PULSE_FIGURES : FIGURES[many]) ?? [];
    return known.flatMap(([figures, from]) => (isFor(from, level) ? figures : []));
  });
  return allowed.some((figure) => figure.includes('x')) ? allowed : ['x', ...allowed];
}
