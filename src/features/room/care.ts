import { isHand } from '@/core/groove/limbs';
import { speeds } from '@/core/schedule/speeds';
import { type SpeedLimits } from '@/core/limits';
import type { Groove } from '@/core/groove/groove';
import type { Limb } from '@/core/groove/limbs';
import type { Bpm, Ms } from '@/core/time/units';

/** How long one plays before a pause is offered, and how long a pause is one: the usual advice for hands and ears. */
const PLAY_MS: Ms = 25 * 60_000;
const REST_MS: Ms = 5 * 60_000;

/** How long there has been playing since the last rest, and when it ended last, as the page's date counts. */
export interface PlayedTime {
  ms: Ms;
  until: Ms;
}

export const NOTHING_PLAYED: PlayedTime = { ms: 0, until: 0 };

/** Playing from one moment to another added; five minutes without any are a rest. */
export function withPlaying(before: PlayedTime, from: Ms, to: Ms): PlayedTime {
  const rested = from - before.until >= REST_MS;
  return { ms: (rested ? 0 : before.ms) + Math.max(0, to - from), until: to };
}

export const wantsRest = ({ ms }: PlayedTime): boolean => ms >= PLAY_MS;

/** A word before what goes beyond a limb's limit; undefined when every limb of the task stays below its own. */
export function speedWord(groove: Groove, bpm: Bpm, task: readonly Limb[], limits: SpeedLimits): string | undefined {
  const beyond = speeds(groove, bpm, limits).filter(({ limb, feel }) => feel === 'beyond' && task.includes(limb));
  if (!beyond.length) return undefined;
  const named = beyond.map(
    ({ limb, perSecond }) =>
      `the ${limb} ${perSecond.toFixed(1)} strokes a second (its limit is ${limits[isHand(limb) ? 'hand' : 'foot'][2]})`,
  );
  return `At ${Math.round(bpm * 100) / 100} this asks ${named.join(' and ')}. Warm up first, climb in small steps, and stop when it hurts.`;
}
