import type { ReactNode } from 'react';
import type { Judgement } from '@/core/judging/types/judgement';
import type { TimedBar } from '@/core/schedule/timed';
import type { Ms } from '@/core/time/units';

/** A take's sound as it is listened to again; times are of the take, from its first bar. */
export interface Back {
  /** See `outlineOf`. */
  outline: Float32Array;
  /** Where in the sound the first bar begins. */
  zeroMs: Ms;
  state: 'silent' | 'getting ready' | 'playing';
  /** How much is made ready, 0 to 1, where that takes a while. */
  share: number;
  /** What went wrong. */
  say?: string;
  speed: number;
  speeds: readonly number[];
  isClicked: boolean;
  loop?: { fromMs: Ms; toMs: Ms };
  play: (fromMs: Ms) => void;
  stop: () => void;
  set: (change: { speed?: number; isClicked?: boolean; loop?: { fromMs: Ms; toMs: Ms } | undefined }) => void;
  /** Which moment is heard now; undefined while nothing is. */
  heardMs: () => Ms | undefined;
}

/** A take's sound, the bars on which something is written, and what can be done with it. */
export interface Listening {
  back: Back;
  noted?: ReadonlySet<number>;
  onBar?: (bar: number) => void;
  actions?: ReactNode;
}

/** How many bars are shown at once. */
export const BARS_SHOWN = [1, 2, 4] as const;

/** The bars of a take that were played. */
export const barsPlayed = ({ schedule, strokes }: Pick<Judgement, 'schedule' | 'strokes'>): TimedBar[] => {
  const last = Math.max(0, ...strokes.map(({ stroke }) => stroke.barInRun));
  return schedule.bars.filter(({ barInRun }) => barInRun >= 0 && barInRun <= last);
};

/** The bars of a window from one on, and what of them is drawn: a little before the first, for what came early. */
export function windowOf(bars: readonly TimedBar[], first: number, shown: number) {
  const seen = bars.slice(first, first + shown);
  const [startMs, endMs] = [seen[0]?.startMs ?? 0, seen.at(-1)?.endMs ?? 1];
  const lead = 0.03 * (endMs - startMs);
  return { seen, startMs, endMs, fromMs: startMs - lead, toMs: endMs + lead / 3 };
}

/** The first bar of the window that shows a moment, where windows follow one another; the last one at the end. */
export function windowAt(bars: readonly TimedBar[], ms: Ms, shown: number): number {
  const at = Math.max(
    0,
    bars.findLastIndex(({ startMs }) => startMs <= ms),
  );
  return Math.min(at - (at % shown), Math.max(0, bars.length - 1));
}
