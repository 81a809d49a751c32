import { countsOf } from '../grid/meter';
import type { ClickPlan } from '../time/clickPlan';
import {
  add,
  compare,
  div,
  exact,
  frac,
  fromDecimal,
  mul,
  sub,
  sum,
  toNumber,
  type WholeNotes,
} from '../time/fraction';
import type { Bpm } from '../time/units';
import { clicks, type ClickedBar } from './clicks';

/** What most plain metronomes can be set to. */
const SLOWEST_METRONOME: Bpm = 30;
const FASTEST_METRONOME: Bpm = 250;

/** What to set a plain metronome to, and whether most can be set there (below 30 or above 250 they cannot). */
export interface PlainMetronome {
  bpm: Bpm;
  outOfRange: boolean;
}

/**
 * Undefined when no plain metronome can play it. Where only some bars or clicks are left out, what it would be
 * set to in between.
 */
export function plainMetronome(plan: ClickPlan, bar: ClickedBar, bpm: Bpm): PlainMetronome | undefined {
  const countsPerClick = spacing(plan, bar);
  if (!countsPerClick) return undefined;
  const set = toNumber(div(fromDecimal(bpm), countsPerClick));
  return { bpm: set, outOfRange: set < SLOWEST_METRONOME || set > FASTEST_METRONOME };
}

/** Counts from one click to the next, where they are the same all along. */
function spacing(plan: ClickPlan, bar: ClickedBar): WholeNotes | undefined {
  switch (plan.kind) {
    case 'thinning':
      return undefined;
    case 'drops':
      return spacing(plan.of, bar);
    // One click every second bar is a slow metronome; two full bars and two empty ones are none, save while it clicks.
    case 'gaps':
      return evenSpacing(plan, bar, plan.on + plan.off) ?? spacing(plan.of, bar);
    case 'every':
      return exact(plan.counts);
    default:
      return evenSpacing(plan, bar, 1);
  }
}

/** Counts from one click to the next when they are the same all round so many bars. */
function evenSpacing(plan: ClickPlan, bar: ClickedBar, bars: number): WholeNotes | undefined {
  const counts = countsOf(bar.meter, bar.reading);
  const barLength = sum(counts.map((count) => count.length));
  const round = Array.from({ length: bars }, () => bar);
  const places = clicks(plan, round).map((click) => add(click.written, mul(barLength, frac(click.bar))));
  if (!places.length) return undefined;
  const length = mul(barLength, frac(bars));
  const gaps = places.map((place, index) => sub(places[index + 1] ?? add(places[0]!, length), place));
  if (!gaps.every((gap) => compare(gap, gaps[0]!) === 0)) return undefined;
  return mul(div(gaps[0]!, barLength), frac(counts.length));
}
