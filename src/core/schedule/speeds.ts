import { formOf } from '../form/form';
import { conflictsIn, type Finding } from '../groove/conflicts';
import type { Groove } from '../groove/groove';
import { isHand, LIMBS, type Limb } from '../groove/limbs';
import { SLOWEST, SPEED_LIMITS, type SpeedLimits } from '../limits';
import { ZERO } from '../time/fraction';
import type { Bpm, Ms } from '../time/units';
import { schedule } from './schedule';
import type { TimedStroke } from './timed';

/** How many strokes a second a limb plays at its most, a double of a hand as one, and how that feels. */
export interface Speed {
  limb: Limb;
  perSecond: number;
  feel: 'comfortable' | 'fast' | 'at the limit' | 'beyond';
}

/**
 * Speed of a limb at a tempo: from the shortest gap between its strokes, round the loop. The two strokes of a hand's
 * double are one motion, however they are written.
 */
export function speeds(groove: Groove, bpm: Bpm, limits = SPEED_LIMITS): Speed[] {
  // Two rounds, so that the gap over the bar line counts.
  const { sounds } = schedule(formOf({ groove, bpm, click: { kind: 'silent' }, countIn: 0, rounds: 2 }));
  const moved = sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke' && isMotion(sound));
  return LIMBS.flatMap((limb): Speed[] => {
    const [first, again] = [0, 1].map((round) =>
      moved.filter((stroke) => stroke.limb === limb && stroke.round === round).map(({ ms }) => ms),
    ) as [Ms[], Ms[]];
    if (!first.length) return [];
    const perSecond = 1000 / shortestGap(first, again[0]! - first[0]!, isHand(limb));
    return [{ limb, perSecond, feel: feelOfSpeed(perSecond, limits[isHand(limb) ? 'hand' : 'foot']) }];
  });
}

/** A grace is no motion of its own, nor is the second of a hand's double. */
const isMotion = ({ role, limb }: TimedStroke) => role === 'main' || (role === 'second' && !isHand(limb));

/**
 * The shortest time between two motions of a limb, over strokes that come again after `round`. A hand's stroke that is
 * at most half as far from the one before it as both are from their other neighbours rebounds from it, as the second
 * of a double does.
 */
function shortestGap(times: readonly Ms[], round: Ms, rebounds: boolean): Ms {
  const gap = (index: number): Ms => {
    const place = (index + times.length) % times.length;
    return place ? times[place]! - times[place - 1]! : times[0]! + round - times.at(-1)!;
  };
  const isRebound = (index: number) => {
    const twice = 2 * gap(index) * (1 - ROUNDING);
    return rebounds && times.length > 1 && gap(index - 1) >= twice && gap(index + 1) >= twice;
  };
  const gaps = times.map((_, index) =>
    isRebound(index) ? Infinity : gap(index) + (isRebound(index - 1) ? gap(index - 1) : 0),
  );
  return Math.min(...gaps);
}
/** Times are rounded: what is written as half may be a hair more. */
const ROUNDING = 1e-6;

function feelOfSpeed(perSecond: number, [comfortable, fast, most]: SpeedLimits['hand']): Speed['feel'] {
  if (perSecond <= comfortable) return 'comfortable';
  if (perSecond <= fast) return 'fast';
  return perSecond <= most ? 'at the limit' : 'beyond';
}

/** Everything in a groove that cannot be played as written, or is too fast at a tempo. */
export function check(groove: Groove, bpm: Bpm, limits = SPEED_LIMITS): Finding[] {
  const tooFast = speeds(groove, bpm, limits)
    .filter(({ feel }) => feel === 'beyond')
    .map(({ limb, perSecond }): Finding => {
      const playable = Math.floor((bpm * limits[isHand(limb) ? 'hand' : 'foot'][2]) / perSecond);
      const bar = Math.max(
        0,
        groove.bars.findIndex(({ strokes }) => strokes.some((stroke) => stroke.limb === limb)),
      );
      return {
        kind: 'speed',
        severity: 'warning',
        place: { bar, limb, at: groove.bars[bar]!.strokes.find((stroke) => stroke.limb === limb)?.at ?? ZERO },
        say: `The ${limb} plays ${perSecond.toFixed(1)} ${isHand(limb) ? 'motions' : 'strokes'} a second at ${bpm}: beyond nearly everybody.`,
        remedy: `At ${playable} or below it can be played; or share the line with another limb.`,
        ...(playable >= SLOWEST && { fix: { words: `Set the tempo to ${playable}`, take: 'tempo', bpm: playable } }),
      };
    });
  return [...conflictsIn(groove), ...tooFast];
}
