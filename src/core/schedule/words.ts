import { clicks, type ClickedBar } from './clicks';
import type { ClickPlan } from '../time/clickPlan';
import { add, compare, equal, frac, mul, type WholeNotes } from '../time/fraction';
import { barLength, countsIn } from '../grid/meter';
import type { Ms } from '../time/units';
import { labelsOf } from '../counting/labels';
import { syllable, type School } from '../counting/schools';

/** A number or syllable to be said on a place of a bar, before swing. */
export interface CountedWord {
  bar: number;
  written: WholeNotes;
  say: string;
}

/**
 * Syllables nearer than this cannot be told apart or said along: quick speech has about 7 syllables a second.
 * Numbers of up to three syllables ("seven", "eleven") want as long as two.
 */
const SYLLABLE_MS: Ms = 140;
export const NUMBER_MS: Ms = 220;

/**
 * What is said aloud over bars that follow one another, where a plan has it said. Where a count is too fast the
 * inner syllables drop out: first all but its middle one, then all; where the counts are, all but 1 and the first of
 * each group. `msOf` gives when a place sounds. Also says how many words fell out so.
 */
export function spokenCount(
  plan: ClickPlan,
  bars: readonly ClickedBar[],
  school: School,
  msOf: (bar: number, written: WholeNotes) => Ms,
): { words: CountedWord[]; unspoken: number } {
  const wanted = new Map<number, WholeNotes[]>();
  for (const { bar, written } of clicks(plan, bars)) wanted.set(bar, [...(wanted.get(bar) ?? []), written]);
  const words: CountedWord[] = [];
  let unspoken = 0;
  for (const [bar, places] of [...wanted].sort(([a], [b]) => a - b)) {
    const one = bars[bar]!;
    const all = places.flatMap((written) => {
      const say = wordAt(one, written, school);
      return say ? [{ bar, written, say }] : [];
    });
    const said = slowEnough(one, all, (written) => msOf(bar, written));
    unspoken += all.length - said.length;
    words.push(...said);
  }
  return { words, unspoken };
}

/**
 * What is said on a place: its slot's own word; between the slots of a grid that is too wide, the & half-way of a
 * count.
 */
function wordAt(bar: ClickedBar, written: WholeNotes, school: School): string {
  const slot = labelsOf(bar, bar.reading, school).find(({ at }) => equal(at, written));
  if (slot) return slot.say;
  const counts = countsIn(bar, bar.reading);
  const number = counts.find(({ at }) => equal(at, written));
  if (number) return String(number.number);
  return counts.some(({ at, length }) => equal(add(at, mul(length, frac(1, 2))), written))
    ? syllable(school, 2, 1)
    : '';
}

function slowEnough(bar: ClickedBar, words: readonly CountedWord[], msOf: (written: WholeNotes) => Ms): CountedWord[] {
  const { meter, reading } = bar;
  const counts = countsIn(bar, reading);
  const end = msOf(barLength(meter));
  const groups = groupStarts(meter.grouping, counts.length);
  return counts.flatMap(({ at, length, number }, index) => {
    const next = counts[index + 1]?.at ?? barLength(meter);
    const here = words.filter(({ written }) => compare(written, at) >= 0 && compare(written, next) < 0);
    const isNumber = ({ written }: CountedWord) => equal(written, at);
    const half = add(at, mul(length, frac(1, 2)));
    const until = index + 1 < counts.length ? msOf(next) : end;
    for (const keep of [() => true, (word: CountedWord) => isNumber(word) || equal(word.written, half), isNumber]) {
      const kept = here.filter(keep);
      if (!kept.length) continue;
      const times = [...kept.map(({ written }) => msOf(written)), until];
      const gaps = times.slice(1).map((ms, place) => ms - times[place]!);
      const least = kept.length === 1 && isNumber(kept[0]!) ? NUMBER_MS : SYLLABLE_MS;
      if (gaps.every((gap) => gap >= least)) return kept;
    }
    return groups.has(number) ? here.filter(isNumber) : [];
  });
}

/** The numbers a bar of these groups starts its groups on; 1 when it has none. */
function groupStarts(grouping: readonly number[] | undefined, counts: number): ReadonlySet<number> {
  const starts = new Set([1]);
  let from = 1;
  if (grouping?.reduce((total, group) => total + group, 0) === counts)
    for (const group of grouping) starts.add(from).add((from += group));
  return starts;
}
