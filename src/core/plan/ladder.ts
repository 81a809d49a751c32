import { LOUDNESSES, type Climb, type Ladder, type Loudness, type Standing } from '../documents/climb';
import { SLOWEST } from '../limits';
import type { Bpm, Ms } from '../time/units';

export const FIRST_STANDING: Standing = { rung: 0, loudness: 0, clean: 0, failed: 0, done: false };

/** The tempos of the rungs, from start to goal; a ladder may also go down, since slower is harder for some. */
export function rungsOf({ start, goal, step }: Pick<Ladder, 'start' | 'goal' | 'step'>): Bpm[] {
  const way = goal >= start ? 1 : -1;
  const between = Math.max(0, Math.ceil(Math.abs(goal - start) / step - 1e-9) - 1);
  // To a thousandth, as tempos are kept.
  const rungs = Array.from(
    { length: between + 1 },
    (_, index) => Math.round((start + way * step * index) * 1000) / 1000,
  );
  return goal === start ? [start] : [...rungs, goal];
}

/** The tempo one stands on. A ladder that was made shorter since puts one on its last rung. */
export function bpmAt(ladder: Ladder, { rung }: Standing): Bpm {
  const rungs = rungsOf(ladder);
  return rungs[Math.min(rung, rungs.length - 1)]!;
}

export const loudnessAt = (ladder: Ladder, { loudness }: Standing): Loudness =>
  ladder.loudnesses ? LOUDNESSES[loudness]! : 'middle';

/** What a take came to on the ladder. */
export interface Step {
  standing: Standing;
  move: 'stays' | 'louder' | 'climbs' | 'falls back' | 'arrived';
}

/** One rung up or down by hand, within the ladder. */
export function move(ladder: Ladder, standing: Standing, by: 1 | -1): Standing {
  const last = rungsOf(ladder).length - 1;
  return { ...FIRST_STANDING, rung: Math.max(0, Math.min(last, Math.min(standing.rung, last) + by)) };
}

/** Where one stands after a take that was clean or not. */
export function afterTake(ladder: Ladder, before: Standing, wasClean: boolean): Step {
  if (ladder.rule.by === 'hand') return { standing: before, move: 'stays' };
  const { climb, fall } = ladder.rule;
  const clean = wasClean ? before.clean + 1 : 0;
  const failed = wasClean ? 0 : before.failed + 1;
  if (clean >= climb) return higher(ladder, before);
  if (failed >= fall) {
    const fallen =
      before.loudness > 0 && ladder.loudnesses
        ? { ...FIRST_STANDING, rung: before.rung, loudness: before.loudness - 1 }
        : move(ladder, before, -1);
    const moved = fallen.rung !== before.rung || fallen.loudness !== before.loudness;
    return { standing: fallen, move: moved ? 'falls back' : 'stays' };
  }
  return { standing: { ...before, clean, failed }, move: 'stays' };
}

function higher(ladder: Ladder, before: Standing): Step {
  if (ladder.loudnesses && before.loudness < LOUDNESSES.length - 1)
    return { standing: { ...FIRST_STANDING, rung: before.rung, loudness: before.loudness + 1 }, move: 'louder' };
  if (before.rung >= rungsOf(ladder).length - 1)
    return { standing: { ...FIRST_STANDING, rung: before.rung, done: true }, move: 'arrived' };
  return { standing: move(ladder, before, 1), move: 'climbs' };
}

/**
 * The ladder a groove begins with: from about two thirds of the tempo up to it, a minute a take, two clean ones to
 * climb.
 */
export const usualClimb = (goal: Bpm): Climb => ({
  version: 1,
  ladder: {
    start: Math.max(SLOWEST, Math.round((goal * 2) / 3)),
    goal,
    step: 4,
    length: { unit: 'minutes', many: 1 },
    rule: { by: 'takes', climb: 2, fall: 2 },
    loudnesses: false,
  },
  standing: FIRST_STANDING,
});

/** The first rung of a ladder that was made for a drill, or of the usual one up to a tempo. */
export const firstClimb = (ladder: Ladder | undefined, goal: Bpm): Climb =>
  ladder ? { version: 1, ladder, standing: FIRST_STANDING } : usualClimb(goal);

/** A pause longer than this ends a practice; what comes after it is the next time. */
const SAME_PRACTICE_MS: Ms = 60 * 60_000;

/** Where one stands so long after the last take: the next time starts one rung below where this one ended. */
export const resumed = (climb: Climb, sinceMs: Ms): Climb =>
  sinceMs <= SAME_PRACTICE_MS ? climb : { ...climb, standing: move(climb.ladder, climb.standing, -1) };
