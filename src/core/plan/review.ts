import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';
import { SLOWEST } from '../limits';
import type { Bpm, Ms } from '../time/units';

/** A day by the workshop's clock, counted from 1970-01-01. */
export type Day = number;

/** One take of an item, as far as a review asks: only takes of the player's own that count. */
export interface Tried {
  day: Day;
  bpm: Bpm;
  clean: boolean;
  spreadMs: Ms | null;
  toleranceMs: Ms;
}

/** Something that was learnt up to a tempo, with every take of it in the order they were played. */
export interface Learnt {
  goal: Bpm;
  /** From rung to rung of its ladder. */
  step: Bpm;
  /** So many clean takes at the goal and it is passed. */
  passTakes: number;
  tries: readonly Tried[];
}

/** How well it came back on a day, from the takes and never from what a player says. */
export type Recalled = 'failed' | 'hard' | 'good' | 'easy';

/** Where something that was passed stands. */
export interface Recall {
  passedOn: Day;
  /** The last day that told something, and what. */
  lastOn: Day;
  last: Recalled;
  /** Days from then until it is due, and that day. */
  gap: number;
  dueOn: Day;
  /** The tempo it is asked at, and how many rungs below its goal that is. */
  bpm: Bpm;
  back: number;
  /** Reviews that failed, one after another. */
  failed: number;
}

/** What is passed is passed by two clean takes, where nothing else was asked. */
export const USUAL_PASS = 2;
/** The step between rungs where no ladder was made: that of `usualClimb`. */
export const USUAL_STEP: Bpm = 4;
/** Nothing is left longer than this: half a season, after which nobody knows what hands still know. */
export const LONGEST_GAP = 60;
/** What failed comes back the next day, what did not never so soon. */
const AGAIN_AFTER = 1;
const LEAST_GAP = 2;
/** How far below its goal a review steps back at most. */
const MOST_BACK = 4;
/** Clean with half the spread that would still do: too easy to come back soon. */
const EASY_SHARE = 0.5;
const DAY_MS = 86_400_000;

/**
 * The distances grow by FSRS (Ye et al. 2022, "A Stochastic Shortest Path Algorithm for Optimizing Spaced Repetition
 * Scheduling", with the package's own weights), without chance and in whole days. The weights were found with words
 * to be remembered; that they fit hands is an assumption, which is why gaps are held short.
 */
const SCHEDULER = fsrs({
  enable_fuzz: false,
  enable_short_term: false,
  maximum_interval: LONGEST_GAP,
  request_retention: 0.9,
});
const RATING: Record<Recalled, Grade> = {
  failed: Rating.Again,
  hard: Rating.Hard,
  good: Rating.Good,
  easy: Rating.Easy,
};

/** Tempos that are the same to within what is kept of one. */
const reaches = (bpm: Bpm, asked: Bpm) => bpm >= asked - 0.001;

/** The tempo so many rungs below a goal. */
const rungsBelow = ({ goal, step }: Pick<Learnt, 'goal' | 'step'>, back: number): Bpm =>
  Math.max(Math.min(SLOWEST, goal), goal - step * back);

/**
 * What the takes of one day say of an item that is asked at a tempo; nothing where none of them was as quick, since
 * slow practice is no failed review.
 */
export function recalledOn(tries: readonly Tried[], asked: Bpm): Recalled | undefined {
  const asAsked = tries.filter(({ bpm }) => reaches(bpm, asked));
  if (!asAsked.length) return undefined;
  const clean = asAsked.findIndex(({ clean: isClean }) => isClean);
  if (clean < 0) return 'failed';
  if (clean > 0) return 'hard';
  const { spreadMs, toleranceMs } = asAsked[0]!;
  return spreadMs !== null && spreadMs <= toleranceMs * EASY_SHARE ? 'easy' : 'good';
}

/**
 * Where an item stands by its takes; nothing while it is not passed. From the day it was passed each later day that
 * asks enough of it is a review: a failed one takes it a rung back and brings it again the next day, a passed one
 * takes it a rung up again or, at the goal, farther away. The same takes give the same.
 */
export function recallOf(learnt: Learnt): Recall | undefined {
  let clean = 0;
  const passing = learnt.tries.findIndex((one) => {
    clean += Number(one.clean && reaches(one.bpm, learnt.goal));
    return clean >= learnt.passTakes;
  });
  if (passing < 0) return undefined;
  const passedOn = learnt.tries[passing]!.day;
  let card: Card = SCHEDULER.next(createEmptyCard(passedOn * DAY_MS), passedOn * DAY_MS, Rating.Good).card;
  let stands = { lastOn: passedOn, last: 'good' as Recalled, back: 0, failed: 0 };
  const later = learnt.tries.slice(passing + 1).filter(({ day }) => day > passedOn);
  for (const [day, tries] of byDay(later)) {
    const recalled = recalledOn(tries, rungsBelow(learnt, stands.back));
    if (!recalled) continue;
    const hasFailed = recalled === 'failed';
    // What came back slower than it was learnt is not yet as good as it was.
    const counted = !hasFailed && stands.back > 0 ? 'hard' : recalled;
    card = SCHEDULER.next(card, day * DAY_MS, RATING[counted]).card;
    stands = {
      lastOn: day,
      last: counted,
      back: hasFailed ? Math.min(MOST_BACK, stands.back + 1) : Math.max(0, stands.back - 1),
      failed: hasFailed ? stands.failed + 1 : 0,
    };
  }
  const gap = gapAfter(stands, card);
  return { passedOn, ...stands, gap, dueOn: stands.lastOn + gap, bpm: rungsBelow(learnt, stands.back) };
}

function gapAfter({ last, back }: { last: Recalled; back: number }, card: Card): number {
  if (last === 'failed') return AGAIN_AFTER;
  // On the way back up to its goal it stays near.
  if (back > 0) return LEAST_GAP;
  return Math.min(LONGEST_GAP, Math.max(LEAST_GAP, card.scheduled_days));
}

function byDay(tries: readonly Tried[]): Map<Day, Tried[]> {
  const days = new Map<Day, Tried[]>();
  for (const one of tries) days.set(one.day, [...(days.get(one.day) ?? []), one]);
  return days;
}
