import { formOf, inTurn, type Plan } from '@/core/form/form';
import { beatOf } from '@/core/groove/beat';
import type { Groove } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import { LIMBS } from '@/core/groove/limbs';
import { limbsIn } from '@/core/groove/kit';
import { lengthOf } from '@/core/groove/place';
import type { Region } from '@/core/groove/region';
import { schedule } from '@/core/schedule/schedule';
import type { Schedule, TimedSound } from '@/core/schedule/timed';
import { add, compare, type WholeNotes } from '@/core/time/fraction';
import { barLength, barStarts } from '@/core/grid/meter';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import { valueMs } from '@/core/time/tempoMap';
import type { Ms } from '@/core/time/units';

/** A stretch of a bar while it is heard: which bar of which side, and from and to where in it, 0 to 1. */
export interface Segment {
  startMs: Ms;
  endMs: Ms;
  side: number;
  bar: number;
  from: number;
  to: number;
}

/** What is heard on the bench, in one list: sounds, and where the playhead is. It begins at 0. */
export interface Loop {
  sounds: { ms: Ms; sound: TimedSound }[];
  segments: Segment[];
  endMs: Ms;
  /** What is heard on each side, one after the other. */
  sides: readonly Plan[];
}

/** About how long a hearing goes round before it ends by itself, in milliseconds. */
const LOOP_MS = 120_000;

/** A groove once, at its own tempo, with a click on the counts. */
export const heardPlan = (groove: Groove, change: Partial<Plan> = {}): Plan => ({
  groove,
  bpm: groove.tempo,
  click: CLICK_PLANS.counts,
  countIn: 0,
  rounds: 1,
  ...change,
});

/** What is heard from one moment to another, as often as it fits into two minutes; at least once, at most 200 times. */
function goingRound(sides: readonly Plan[], timed: Schedule, fromMs: Ms, toMs: Ms): Loop {
  const length = toMs - fromMs;
  const rounds = Math.max(1, Math.min(200, Math.round(LOOP_MS / length)));
  // A grace before the first stroke or a limb pushed ahead belongs to the round, at its very start.
  const sounds = timed.sounds.filter(({ ms }) => ms < toMs - 1e-6 && (ms >= fromMs - 1e-6 || (fromMs === 0 && ms < 0)));
  const segments = timed.bars.flatMap(({ startMs, endMs, side = 0, bar }): Segment[] => {
    const [start, end] = [Math.max(startMs, fromMs), Math.min(endMs, toMs)];
    if (end - start < 1e-6) return [];
    const at = (ms: Ms) => (ms - startMs) / (endMs - startMs);
    return [{ startMs: start - fromMs, endMs: end - fromMs, side, bar, from: at(start), to: at(end) }];
  });
  return {
    sounds: Array.from({ length: rounds }, (_, round) =>
      sounds.map((sound) => ({ ms: sound.ms - fromMs + round * length, sound })),
    ).flat(),
    segments: Array.from({ length: rounds }, (_, round) =>
      segments.map((one) => ({ ...one, startMs: one.startMs + round * length, endMs: one.endMs + round * length })),
    ).flat(),
    endMs: rounds * length,
    sides,
  };
}

/** Plans one after another on the bar line, round and round. */
export function heardInTurn(sides: readonly Plan[]): Loop {
  const timed = schedule(inTurn(sides.map(formOf)));
  return goingRound(sides, timed, 0, timed.endMs);
}

/** The groove round and round; from a place on, the first time. */
export function fromPlace(groove: Groove, place?: Place): Loop {
  const whole = heardInTurn([heardPlan(groove)]);
  if (!place) return whole;
  const starts = barStarts(groove.bars.map((bar) => barLength(bar.meter)));
  const from = msOf(groove, add(starts[place.bar]!, place.at));
  if (from === 0) return whole;
  return {
    ...whole,
    sounds: whole.sounds.filter(({ ms }) => ms >= from - 1e-6).map((one) => ({ ...one, ms: one.ms - from })),
    segments: whole.segments.flatMap((one) => {
      if (one.endMs <= from) return [];
      const cut = Math.max(0, (from - one.startMs) / (one.endMs - one.startMs));
      return [
        {
          ...one,
          from: one.from + cut * (one.to - one.from),
          startMs: Math.max(0, one.startMs - from),
          endMs: one.endMs - from,
        },
      ];
    }),
    endMs: whole.endMs - from,
  };
}

/** A selected stretch round and round: all limbs that are selected. */
export function selectionLoop(groove: Groove, { from, to, limbs }: Region): Loop {
  const plan = heardPlan(groove, { limbs });
  const timed = schedule(formOf(plan));
  const isToTheEnd = compare(to, lengthOf(groove)) >= 0;
  return goingRound([plan], timed, msOf(groove, from), isToTheEnd ? timed.endMs : msOf(groove, to));
}

/** One bar with all its limbs. */
export function barRegion(groove: Groove, bar: number): Region {
  const starts = barStarts(groove.bars.map(({ meter }) => barLength(meter)));
  return { from: starts[bar]!, to: starts[bar + 1]!, limbs: [...LIMBS] };
}

/** Bars of each that stand against each other: enough to settle into, soon enough to compare. */
const COMPARED_BARS = 4;
const roundsOf = (groove: Groove): number => Math.max(1, Math.round(COMPARED_BARS / groove.bars.length));

/** Two grooves, four bars or so of each, round and round: original and transformed. */
export const compared = (one: Groove, other: Groove): Loop =>
  heardInTurn([heardPlan(one, { rounds: roundsOf(one) }), heardPlan(other, { rounds: roundsOf(other) })]);

/** The groove played even, then as it swings. */
export const straightThenSwung = (groove: Groove): Loop =>
  heardInTurn([
    heardPlan(groove, { rounds: roundsOf(groove), swing: 'straight' }),
    heardPlan(groove, { rounds: roundsOf(groove) }),
  ]);

/** One limb, then the next with it, until all are there. */
export function limbByLimb(groove: Groove): Loop {
  const limbs = limbsIn(groove);
  const rounds = Math.max(1, Math.round(2 / groove.bars.length));
  return heardInTurn(limbs.map((_, index) => heardPlan(groove, { rounds, limbs: limbs.slice(0, index + 1) })));
}

const msOf = (groove: Groove, at: WholeNotes): Ms => valueMs(at, { bpm: groove.tempo, beat: beatOf(groove) });

/**
 * Where a moment of a loop is: its side, bar and place in the bar. `from` is the segment to look from, for frame
 * after frame.
 */
export function segmentAt(
  { segments }: Loop,
  ms: Ms,
  from = 0,
): { index: number; segment: Segment; fraction: number } | undefined {
  let index = from;
  while (index < segments.length && ms >= segments[index]!.endMs) index++;
  const segment = segments[index];
  if (!segment || ms < segment.startMs - 1e-6) return undefined;
  const along = (ms - segment.startMs) / (segment.endMs - segment.startMs);
  return { index, segment, fraction: segment.from + along * (segment.to - segment.from) };
}
