import type { ReadValue, SightPlan } from '../documents/sightPlan';
import { countsOf, formatMeter, type Meter } from '../grid/meter';
import type { Level } from '../limits';
import { randomFrom } from '../random';
import { isFor } from './figures';

/** Syllables of a count that a hit may stand on, by value and the level from which on they are read. */
type Syllables = readonly [value: ReadValue, syllables: readonly string[], from: Level][];
const SYLLABLES: Syllables = [
  ['8ths', ['&'], 'first year'],
  ['16ths', ['a'], 'second year'],
  ['16ths', ['e'], 'concert'],
  ['triplets', ['let'], 'second year'],
  ['triplets', ['trip'], 'advanced'],
];
/** Where 8ths are counted, only 16ths lie between the counts. */
const SYLLABLES_OF_8THS: Syllables = [['16ths', ['&'], 'second year']];

/** What a beat of a meter is called. */
const BEATS: Record<Meter['unit'], string> = { 2: 'half', 4: 'quarter', 8: '8th', 16: '16th' };

const DYNAMICS = ['p', 'mf', 'f'];

/** Bars of a section; the fewest bars of a chart that jumps. */
const SECTION = 8;
const JUMPS_FROM = 12;

/** The lengths of the sections: eight bars each and what is left; two of a chart that is no longer than one. */
function lengthsOf(bars: number): number[] {
  const each = bars > SECTION ? SECTION : Math.ceil(bars / 2);
  return Array.from({ length: Math.ceil(bars / each) }, (_, index) => Math.min(each, bars - index * each));
}

/** Draws hits for the bars of a section. */
function hitsDrawn({ level, values, meter }: SightPlan, random: () => number) {
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const counts = countsOf(meter).length;
  const known = meter.unit >= 8 ? SYLLABLES_OF_8THS : SYLLABLES;
  const groups = known.flatMap(([value, all, from]) => (values.includes(value) && isFor(from, level) ? [all] : []));
  /** One or two hits on counts of their own, in the order they are played; between the counts they are of one kind. */
  const bar = (): string => {
    const group = groups.length && random() < 0.7 ? pick(groups) : undefined;
    const on = new Set(Array.from({ length: 1 + Math.floor(random() * 2) }, () => 1 + Math.floor(random() * counts)));
    return [...on]
      .sort((a, b) => a - b)
      .map((count) => {
        const short = isFor('second year', level) && random() < 0.3 ? 'short ' : '';
        return `${short}${group && random() < 0.75 ? `${pick(group)} of ` : ''}${count}`;
      })
      .join(', ');
  };
  /** In about every second bar, and in the last one always, so that there is something to wait for. */
  return (bars: number, but?: number): string[] =>
    Array.from({ length: bars }, (_, index) => index + 1).flatMap((at) =>
      at !== but && (at === bars || random() < 0.5) ? [`hits: ${bar()} in bar ${at}`] : [],
    );
}

/**
 * A short chart as it is typed, the same for the same seed: sections with hits on named counts. Repeats, short hits
 * and bars that are played again come from the second year on, first and second endings and dynamics from the
 * advanced, a sign and the jump to a coda for concert players. `tempo` is in beats of the meter a minute.
 */
export function sightChart(plan: SightPlan, { tempo, seed }: { tempo: number; seed: number }): string {
  const random = randomFrom(seed);
  const hits = hitsDrawn(plan, random);
  const isRead = (from: Level) => isFor(from, plan.level);
  const lengths = lengthsOf(plan.bars);
  const last = lengths.length - 1;
  const jumps = isRead('concert') && plan.bars >= JUMPS_FROM;
  const sections = lengths.map((bars, index): string => {
    const isCoda = jumps && index === last;
    const repeats = isRead('second year') && !jumps && random() < 0.6;
    const ending = repeats && isRead('advanced') && bars >= 4 && random() < 0.6 ? Math.floor(bars / 4) : 0;
    const own = bars - 2 * ending;
    const again = isRead('second year') && own > 2 && random() < 0.5 ? 2 + Math.floor(random() * (own - 2)) : undefined;
    const said = [isCoda ? `coda ${own}` : `${String.fromCharCode(65 + index)} ${own}`];
    if (isCoda) said.push('coda');
    if (jumps && index === 0) said.push('sign');
    if (isRead('advanced')) said.push(DYNAMICS[Math.floor(random() * DYNAMICS.length)]!);
    if (again) said.push(`same in bar ${again}`);
    said.push(...hits(own, again));
    if (jumps && index === 0) said.push(`to coda in bar ${own}`);
    if (jumps && index === last - 1) said.push(`D.S. al Coda in bar ${own}`);
    if (repeats) said.push('2 times');
    if (ending) for (const name of ['first', 'second']) said.push(`${name} ending ${ending}`, ...hits(ending));
    return said.join(', ');
  });
  return [headOf(plan.meter, tempo), ...sections].join('\n');
}

const headOf = (meter: Meter, tempo: number): string => `${formatMeter(meter)}, ${BEATS[meter.unit]} at ${tempo}`;
