import { formOf } from '../form/form';
import { conflictsIn, type Finding } from '../groove/conflicts';
import type { Groove } from '../groove/groove';
import { isHand, LIMBS, type Limb } from '../groove/limbs';
import { SLOWEST, SPEED_LIMITS, type SpeedLimits } from '../limits';
import { ZERO } from '../time/fraction';
import type { Bpm } from '../time/units';
import { schedule } from './schedule';
import type { TimedStroke } from './timed';

/** How many strokes a second a limb plays at its most, and how that feels. */
export interface Speed {
  limb: Limb;
  perSecond: number;
  feel: 'comfortable' | 'fast' | 'at the limit' | 'beyond';
}

/** Speed of a limb at a tempo: from the shortest gap between its strokes, doubles written out, round the loop. */
export function speeds(groove: Groove, bpm: Bpm, limits = SPEED_LIMITS): Speed[] {
  // Two rounds, so that the gap over the bar line counts.
  const { sounds } = schedule(formOf({ groove, bpm, click: { kind: 'silent' }, countIn: 0, rounds: 2 }));
  const struck = sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke' && sound.role !== 'grace');
  return LIMBS.flatMap((limb): Speed[] => {
    const times = struck.filter((stroke) => stroke.limb === limb).map(({ ms }) => ms);
    if (times.length < 2) return [];
    const gap = Math.min(...times.slice(1).map((ms, index) => ms - times[index]!));
    const perSecond = 1000 / gap;
    return [{ limb, perSecond, feel: feelOfSpeed(perSecond, limits[isHand(limb) ? 'hand' : 'foot']) }];
  });
}

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
        say: `The ${limb} plays ${perSecond.toFixed(1)} strokes a second at ${bpm}: beyond nearly everybody.`,
        remedy: `At ${playable} or below it can be played; or share the line with another limb.`,
        ...(playable >= SLOWEST && { fix: { words: `Set the tempo to ${playable}`, take: 'tempo', bpm: playable } }),
      };
    });
  return [...conflictsIn(groove), ...tooFast];
}
