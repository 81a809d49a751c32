import { slotsOfBar, type Cell } from '../grid/cells';
import { barLength, countsIn, type CountedMeter, type Reading } from '../grid/meter';
import { randomFrom } from '../random';
import type { BasePlan, ClickPlan } from '../time/clickPlan';
import { add, compare, exact, floor, frac, less, mul, sub, ZERO, type WholeNotes } from '../time/fraction';
import { NOTE_VALUES } from '../time/noteValue';

/** The three click voices: the first count of a bar, the other counts, and what lies between counts. */
export type ClickVoice = 'one' | 'count' | 'division';

/** A bar as the click needs it: its grid. */
export interface ClickedBar extends CountedMeter {
  reading: Reading;
  cells: readonly Cell[];
}

/** `written` is the place before swing, `bar` the index of its bar. */
export interface Click {
  bar: number;
  written: WholeNotes;
  voice: ClickVoice;
}

/** Every click of a plan over bars that follow one another, in order; places from the start of each bar. */
export function clicks(plan: ClickPlan, bars: readonly ClickedBar[]): Click[] {
  switch (plan.kind) {
    case 'silent':
      return [];
    case 'every':
      return clicksEvery(exact(plan.counts), exact(plan.from), bars);
    case 'gaps':
      return clicks(plan.of, bars).filter(({ bar }) => bar % (plan.on + plan.off) < plan.on);
    case 'drops': {
      const random = randomFrom(plan.seed);
      return clicks(plan.of, bars).filter(() => random() * 100 >= plan.percent);
    }
    case 'thinning':
      return plan.stages
        .flatMap((stage, index) => clicks(stage, bars).filter(({ bar }) => stageOf(plan, bar) === index))
        .sort((a, b) => a.bar - b.bar);
    default:
      return bars.flatMap((one, bar) => {
        const counts = countsIn(one, one.reading);
        return placesInBar(plan, one).map((written) => {
          const number = counts.find((count) => compare(count.at, written) === 0)?.number;
          return { bar, written, voice: voiceOf(number) };
        });
      });
  }
}

/** Which stage a bar is in: there and back, each end once (0 1 2 3 2 1 0 1 …). */
function stageOf({ stages, bars }: Extract<ClickPlan, { kind: 'thinning' }>, bar: number): number {
  const step = Math.floor(bar / bars) % (2 * stages.length - 2);
  return step < stages.length ? step : 2 * stages.length - 2 - step;
}

function voiceOf(count: number | undefined): ClickVoice {
  if (count === undefined) return 'division';
  return count === 1 ? 'one' : 'count';
}

function placesInBar(
  plan: Extract<BasePlan, { kind: 'slots' | 'value' | 'on' | 'offBeats' }>,
  bar: ClickedBar,
): WholeNotes[] {
  const { meter, reading, cells } = bar;
  if (plan.kind === 'slots') return slotsOfBar(meter, reading, cells).map((slot) => slot.at);
  const counts = countsIn(bar, reading);
  if (plan.kind === 'on') return counts.filter((count) => plan.counts.includes(count.number)).map((count) => count.at);
  if (plan.kind === 'offBeats') return counts.map((count) => add(count.at, mul(count.length, frac(1, 2))));
  const step = NOTE_VALUES[plan.value];
  const length = barLength(meter);
  const places: WholeNotes[] = [];
  for (let at = ZERO; less(at, length); at = add(at, step)) places.push(at);
  return places;
}

function clicksEvery(step: WholeNotes, from: WholeNotes, bars: readonly ClickedBar[]): Click[] {
  const counts = bars.flatMap((one, bar) => countsIn(one, one.reading).map((count) => ({ ...count, bar })));
  const found: Click[] = [];
  for (let place = from; less(place, frac(counts.length)); place = add(place, step)) {
    const count = counts[floor(place)]!;
    const into = sub(place, frac(floor(place)));
    found.push({
      bar: count.bar,
      written: add(count.at, mul(count.length, into)),
      voice: voiceOf(into.n === 0 ? count.number : undefined),
    });
  }
  return found;
}
