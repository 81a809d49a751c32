import { backToBack, type Passage } from '@/core/backToBack';
import { beatOf } from '@/core/groove/beat';
import type { Groove } from '@/core/groove/groove';
import type { Place } from '@/core/groove/edit';
import { limbsIn } from '@/core/groove/kit';
import { lengthOf } from '@/core/groove/place';
import type { Region } from '@/core/groove/region';
import type { Run } from '@/core/schedule/schedule';
import type { TimedSound } from '@/core/schedule/timed';
import { add, compare, type WholeNotes } from '@/core/time/fraction';
import { barLength, barStarts } from '@/core/grid/meter';
import { clock, steady } from '@/core/time/tempoMap';
import type { Ms } from '@/core/time/units';

/** A stretch of a bar while it is heard: which bar of which run, and from and to where in it, 0 to 1. */
export interface Segment {
  startMs: Ms;
  endMs: Ms;
  run: number;
  bar: number;
  from: number;
  to: number;
}

/** What is heard on the bench, in one list: sounds, and where the playhead is. It begins at 0. */
export interface Loop {
  sounds: { ms: Ms; sound: TimedSound }[];
  segments: Segment[];
  endMs: Ms;
  /** The groove of each run, and how it is played. */
  runs: readonly Run[];
}

/** About how long a hearing goes round before it ends by itself, in milliseconds. */
const LOOP_MS = 120_000;

export const heardRun = (groove: Groove, change: Partial<Run> = {}): Run => ({
  groove,
  tempo: steady(groove.tempo, beatOf(groove)),
  click: { kind: 'every', counts: '1', from: '0' },
  countIn: 0,
  rounds: 1,
  ...change,
});

/** A passage from one moment to another, as often as it fits into two minutes; at least once, at most 200 times. */
function goingRound(runs: readonly Run[], passage: Passage, fromMs: Ms, toMs: Ms, times?: number): Loop {
  const length = toMs - fromMs;
  const rounds = times ?? Math.max(1, Math.min(200, Math.round(LOOP_MS / length)));
  // A grace before the first stroke or a limb pushed ahead belongs to the round, at its very start.
  const sounds = passage.sounds.filter(
    ({ ms }) => ms < toMs - 1e-6 && (ms >= fromMs - 1e-6 || (fromMs === 0 && ms < 0)),
  );
  const segments = passage.bars.flatMap(({ startMs, endMs, run, bar }): Segment[] => {
    const [start, end] = [Math.max(startMs, fromMs), Math.min(endMs, toMs)];
    if (end - start < 1e-6) return [];
    const at = (ms: Ms) => (ms - startMs) / (endMs - startMs);
    return [{ startMs: start - fromMs, endMs: end - fromMs, run, bar, from: at(start), to: at(end) }];
  });
  return {
    sounds: Array.from({ length: rounds }, (_, round) =>
      sounds.map((sound) => ({ ms: sound.ms - fromMs + round * length, sound })),
    ).flat(),
    segments: Array.from({ length: rounds }, (_, round) =>
      segments.map((one) => ({ ...one, startMs: one.startMs + round * length, endMs: one.endMs + round * length })),
    ).flat(),
    endMs: rounds * length,
    runs,
  };
}

/** Runs one after another on the bar line, round and round. */
export function inTurn(runs: readonly Run[]): Loop {
  const passage = backToBack(runs);
  return goingRound(runs, passage, 0, passage.endMs);
}

/** The groove round and round; from a place on, the first time. */
export function fromPlace(groove: Groove, place?: Place): Loop {
  const whole = inTurn([heardRun(groove)]);
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
  const runs = [heardRun(groove, { limbs })];
  const whole = compare(to, lengthOf(groove)) >= 0;
  const passage = backToBack(runs);
  return goingRound(runs, passage, msOf(groove, from), whole ? passage.endMs : msOf(groove, to));
}

/** Bars of each that stand against each other: enough to settle into, soon enough to compare. */
const COMPARED_BARS = 4;
const roundsOf = (groove: Groove): number => Math.max(1, Math.round(COMPARED_BARS / groove.bars.length));

/** Two grooves, four bars or so of each, round and round: original and transformed. */
export const compared = (one: Groove, other: Groove): Loop =>
  inTurn([heardRun(one, { rounds: roundsOf(one) }), heardRun(other, { rounds: roundsOf(other) })]);

/** The groove played even, then as it swings. */
export const straightThenSwung = (groove: Groove): Loop =>
  inTurn([
    heardRun(groove, { rounds: roundsOf(groove), swing: 'straight' }),
    heardRun(groove, { rounds: roundsOf(groove) }),
  ]);

/** One limb, then the next with it, until all are there. */
export function limbByLimb(groove: Groove): Loop {
  const limbs = limbsIn(groove);
  const rounds = Math.max(1, Math.round(2 / groove.bars.length));
  return inTurn(limbs.map((_, index) => heardRun(groove, { rounds, limbs: limbs.slice(0, index + 1) })));
}

const msOf = (groove: Groove, at: WholeNotes): Ms => clock(steady(groove.tempo, beatOf(groove)))(at);

/** Where a moment of a programme is: its run, bar and place in the bar. `from` is the segment to look from, for frame after frame. */
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
