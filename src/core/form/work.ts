import { barsThrough, wholeOf, type Plan } from './form';
import { slotsOfBar } from '../grid/cells';
import { barLength, countsOf } from '../grid/meter';
import type { Bar } from '../groove/groove';
import type { Ornament } from '../groove/limbs';
import { MOST_PLAYED_BARS, MOST_SOUNDS } from '../limits';
import { problemAt, type Problem } from '../result';
import type { ClickPlan } from '../time/clickPlan';
import { exact, toNumber } from '../time/fraction';
import { NOTE_VALUES } from '../time/noteValue';

type Asked = Pick<Plan, 'groove' | 'passages' | 'rounds' | 'click' | 'changes'>;

/** How much a plan asks to be worked out: its bars, and at most how many strokes and clicks sound in them. */
export interface Work {
  bars: number;
  sounds: number;
}

/** A flam or drag strikes up to three times, a double twice. */
const STRUCK: Record<Ornament, number> = { flam: 2, drag: 3, double: 2, buzz: 1 };

/**
 * How much a plan comes to, worked out in the size of its groove and its lists, never of what they come to: it is asked
 * before anything is scheduled. Clicks are counted for the thickest plan that is set anywhere.
 */
export function workOf({ groove, passages = wholeOf(groove), rounds, click, changes = [] }: Asked): Work {
  const plans = [click, ...changes.flatMap((change) => change.click ?? [])];
  const inBar = groove.bars.map(
    (bar) =>
      bar.strokes.reduce((total, { ornament }) => total + (ornament ? STRUCK[ornament] : 1), 0) +
      Math.max(...plans.map((plan) => clicksIn(plan, bar, groove.reading))),
  );
  const upTo = [0];
  for (const sounds of inBar) upTo.push(upTo.at(-1)! + sounds);
  const once = passages.reduce((total, { from, bars, times }) => total + (upTo[from + bars]! - upTo[from]!) * times, 0);
  return { bars: barsThrough(passages) * rounds, sounds: once * rounds };
}

/** At most how many clicks of a plan are worked out for one bar, those that then fall silent among them. */
function clicksIn(plan: ClickPlan, bar: Bar, reading: Plan['groove']['reading']): number {
  const counts = countsOf(bar.meter, reading).length;
  switch (plan.kind) {
    case 'silent':
      return 0;
    case 'slots':
      return slotsOfBar(bar.meter, reading, bar.cells).length;
    case 'value':
      return Math.ceil(toNumber(barLength(bar.meter)) / toNumber(NOTE_VALUES[plan.value]));
    case 'every':
      return Math.ceil(counts / toNumber(exact(plan.counts)));
    case 'on':
    case 'offBeats':
      return counts;
    case 'gaps':
    case 'drops':
      return clicksIn(plan.of, bar, reading);
    case 'thinning':
      return plan.stages.reduce((total, stage) => total + clicksIn(stage, bar, reading), 0);
  }
}

/** What of a plan is more than is worked out in one go; empty when it may be scheduled. */
export function tooMuchWork(plan: Asked): Problem[] {
  const { bars, sounds } = workOf(plan);
  if (bars > MOST_PLAYED_BARS)
    return [
      problemAt(
        'rounds',
        'too-many-bars',
        `These are ${bars.toLocaleString('en')} bars, more than are played in one go.`,
        `Play at most ${MOST_PLAYED_BARS.toLocaleString('en')}: fewer rounds.`,
        { bars, most: MOST_PLAYED_BARS },
      ),
    ];
  if (sounds > MOST_SOUNDS)
    return [
      problemAt(
        'rounds',
        'too-many-sounds',
        `${sounds.toLocaleString('en')} strokes and clicks are more than are worked out in one go.`,
        `At most ${MOST_SOUNDS.toLocaleString('en')}: fewer rounds, or a thinner click.`,
        { sounds, most: MOST_SOUNDS },
      ),
    ];
  return [];
}
