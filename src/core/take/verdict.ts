import { countedPlace, isOnCount } from '../count/placeInWords';
import { lastBpm, wholeTask, type Take } from '../documents/take';
import type { PlaceJudged, Practice, Verdict } from '../documents/verdict';
import { exerciseOfBar } from '../form/exercises';
import { limbsIn } from '../groove/kit';
import { isHand, type Limb } from '../groove/limbs';
import { FASTEST, SLOWEST } from '../limits';
import type { ClickPlan, ClickPlanName } from '../time/clickPlan';
import type { WholeNotes } from '../time/fraction';
import type { Bpm, Ms } from '../time/units';
import type { Figures } from './figures';
import type { PlaceFigures } from './judge';

interface Evidence {
  take: Take;
  figures: Figures;
  byLimb: (Figures & { limb: Limb })[];
  byPlace: PlaceFigures[];
  toleranceMs: Ms;
  /** How long what is judged lasted. */
  lengthMs: Ms;
  /** The error the trend gives for the beginning and the end of what is judged. */
  trendMs?: [Ms, Ms];
}

/** A fault with how many times over what is tolerated it goes; 1 or less is no fault. */
interface Fault extends Omit<Verdict, 'version'> {
  weight: number;
}

/** One stroke in twenty may be missed, one in twelve extra, before that is what to fix: below, timing says more. */
const MISSED_SHARE = 1 / 20;
const EXTRA_SHARE = 1 / 12;

/**
 * A limb or a group of places explains many strokes at once, so it is named before one place that is
 * only a little farther out.
 */
const EXPLAINS_MORE = 1.25;

/** So many beats a minute faster when nothing is left to fix. */
const FASTER: Bpm = 4;

/** A place as the verdict names it. */
export function placeJudged(
  { groove, passages }: Pick<Take, 'groove' | 'passages'>,
  limb: Limb,
  bar: number,
  written: WholeNotes,
): PlaceJudged {
  const of = exerciseOfBar(passages, bar);
  return {
    limb,
    bar,
    bars: groove.bars.length,
    ...(of && { exercise: of.exercise }),
    ...countedPlace(groove.bars[bar]!, groove.reading, written),
  };
}

/** The verdict on a take: its heaviest fault, or that there is none. */
export function verdictOf(evidence: Evidence): Verdict {
  if (evidence.figures.matched === 0) return nothingHeard(evidence);
  const faults = [missed, extra, drift, offBeats, limb, place, offset, spread].flatMap((find) => find(evidence) ?? []);
  const heaviest = faults
    .filter(({ weight }) => weight > 1)
    .reduce<Fault | undefined>((worst, fault) => (worst && worst.weight >= fault.weight ? worst : fault), undefined);
  if (!heaviest) return clean(evidence);
  const { weight: _, ...verdict } = heaviest;
  return { version: 1, ...verdict };
}

/** A step back that makes room to listen: a seventh slower, in whole beats a minute. */
const slower = (take: Take): Bpm => Math.max(SLOWEST, Math.round((lastBpm(take) * 6) / 7));

function practise(take: Take, click: ClickPlanName, bpm: Bpm, limbs: Limb[] = wholeTask(take)): Practice {
  return { step: 'listen', bpm, click, limbs, isWholeTask: limbs.length === wholeTask(take).length };
}

function nothingHeard({ take, figures }: Evidence): Verdict {
  return {
    version: 1,
    about: 'nothing heard',
    numbers: { due: figures.missed, extra: figures.extra },
    practise: practise(take, 'every slot', slower(take), wholeTask(take).slice(0, 1)),
  };
}

function missed({ take, figures, byLimb, byPlace }: Evidence): Fault | undefined {
  const due = figures.matched + figures.missed;
  const worstLimb = mostBy(byLimb, (one) => one.missed);
  if (!worstLimb?.missed) return undefined;
  const worst = mostBy(
    byPlace.filter((one) => one.limb === worstLimb.limb),
    (one) => one.missed,
  )!;
  return {
    about: 'missed',
    weight: figures.missed / due / MISSED_SHARE,
    numbers: {
      missedOfLimb: worstLimb.missed,
      dueOfLimb: worstLimb.matched + worstLimb.missed,
      missed: figures.missed,
      due,
    },
    practise: practise(take, 'every slot', slower(take), [worstLimb.limb]),
    limb: worstLimb.limb,
    ...(worst.missed >= 2 && { place: placeJudged(take, worst.limb, worst.bar, worst.written) }),
  };
}

function extra({ take, figures, byLimb }: Evidence): Fault | undefined {
  const worst = mostBy(byLimb, (one) => one.extra);
  if (!worst?.extra) return undefined;
  const due = figures.matched + figures.missed;
  return {
    about: 'extra',
    weight: figures.extra / due / EXTRA_SHARE,
    numbers: { extraOfLimb: worst.extra, extra: figures.extra, due },
    practise: practise(take, 'counts', slower(take), [worst.limb]),
    limb: worst.limb,
  };
}

function drift({ take, figures, toleranceMs, lengthMs }: Evidence): Fault | undefined {
  if (figures.tempoDriftPercent === null) return undefined;
  const percent = figures.tempoDriftPercent;
  const overMs = (Math.abs(percent) / 100) * lengthMs;
  return {
    about: 'drift',
    // From the middle of the take the trend reaches half its width to both sides.
    weight: overMs / 2 / toleranceMs,
    numbers: { percent, overMs, spreadMs: figures.sdAroundTrendMs ?? 0 },
    practise: practise(take, '8ths', lastBpm(take)),
  };
}

/** A fault must both stand out from the rest and be off the click: what is on time is never to blame. */
const standsOut = (by: Ms, mean: Ms): Ms => (by * mean > 0 ? Math.min(Math.abs(by), Math.abs(mean)) : 0);

function limb({ take, byLimb, toleranceMs }: Evidence): Fault | undefined {
  const heard = byLimb.filter((one) => one.matched >= 4);
  if (heard.length < 2) return undefined;
  const apart = heard.map((one) => {
    const by = one.meanErrorMs! - meanOf(heard.filter((other) => other !== one))!;
    return { one, by, out: standsOut(by, one.meanErrorMs!) };
  });
  const { one: worst, by, out } = mostBy(apart, (each) => each.out)!;
  return {
    about: 'limb',
    weight: (EXPLAINS_MORE * out) / toleranceMs,
    numbers: { byMs: by, strokes: worst.matched, toleranceMs },
    practise: practise(take, 'counts', slower(take), together(take, worst.limb)),
    limb: worst.limb,
  };
}

/** What falls between the counts, against what falls on them. */
function offBeats({ take, byPlace, toleranceMs }: Evidence): Fault | undefined {
  const [on, off] = [true, false].map((wanted) =>
    byPlace.filter((one) => isOnCount(take.groove, one.bar, one.written) === wanted),
  );
  const [onMs, offMs] = [meanOf(on!), meanOf(off!)];
  if (onMs === undefined || offMs === undefined || off!.length < 2) return undefined;
  const byMs = offMs - onMs;
  return {
    about: 'off-beats',
    weight: (EXPLAINS_MORE * standsOut(byMs, offMs)) / toleranceMs,
    numbers: { byMs, offMs, onMs },
    practise: practise(take, 'every slot', slower(take)),
  };
}

/** The mean error of several rows of figures, each stroke counting once. */
function meanOf(rows: readonly Figures[]): Ms | undefined {
  const strokes = rows.reduce((total, { matched }) => total + matched, 0);
  return strokes
    ? rows.reduce((total, { matched, meanErrorMs }) => total + (meanErrorMs ?? 0) * matched, 0) / strokes
    : undefined;
}

/** The limb and one to line it up with: a foot with the first hand, a hand with the first foot. */
function together(take: Take, one: Limb): Limb[] {
  const task = wholeTask(take);
  const partner = task.find((other) => isHand(other) !== isHand(one)) ?? task.find((other) => other !== one);
  return task.filter((each) => each === one || each === partner);
}

function place({ take, byPlace, toleranceMs }: Evidence): Fault | undefined {
  const heard = byPlace.filter(({ matched }) => matched >= 3);
  const apart = heard.map((one) => {
    const by = one.meanErrorMs! - restOf(heard, one);
    // Twice the standard error away, so that chance alone is not blamed on a place.
    const sure = Math.abs(by) > (2 * one.sdErrorMs!) / Math.sqrt(one.matched);
    return { one, out: sure ? standsOut(by, one.meanErrorMs!) : 0 };
  });
  const found = mostBy(apart, ({ out }) => out);
  if (!found?.out) return undefined;
  const { one: worst, out } = found;
  return {
    about: 'place',
    weight: out / toleranceMs,
    numbers: { meanMs: worst.meanErrorMs!, strokes: worst.matched, spreadMs: worst.sdErrorMs!, toleranceMs },
    practise: practise(take, 'every slot', slower(take), [worst.limb]),
    limb: worst.limb,
    place: placeJudged(take, worst.limb, worst.bar, worst.written),
  };
}

/** Where the places beside this one sit: of the same limb when it has two more, else of all; the median, so that one fault does not hide another. */
function restOf(places: readonly PlaceFigures[], one: PlaceFigures): Ms {
  const others = places.filter((other) => other !== one);
  const own = others.filter(({ limb: of }) => of === one.limb);
  const means = (own.length >= 2 ? own : others).map(({ meanErrorMs }) => meanErrorMs!).sort((a, b) => a - b);
  return means[Math.floor(means.length / 2)] ?? 0;
}

function offset({ take, figures, trendMs, toleranceMs }: Evidence): Fault {
  const meanMs = figures.meanErrorMs!;
  // Only what the trend keeps from beginning to end is an offset; the rest of the mean is drift.
  const [start, end] = trendMs ?? [meanMs, meanMs];
  const kept = start * end > 0 ? Math.min(Math.abs(start), Math.abs(end)) : 0;
  return {
    about: 'behind or ahead',
    weight: kept / toleranceMs,
    numbers: { meanMs, spreadMs: figures.sdErrorMs ?? 0, toleranceMs },
    practise: practise(take, 'counts', lastBpm(take)),
  };
}

function spread({ take, figures, toleranceMs, byLimb }: Evidence): Fault | undefined {
  if (figures.sdAroundTrendMs === null) return undefined;
  const worst = mostBy(
    byLimb.filter((one) => one.matched > 2),
    (one) => one.sdAroundTrendMs ?? 0,
  );
  return {
    about: 'spread',
    weight: figures.sdAroundTrendMs / toleranceMs,
    numbers: {
      spreadMs: figures.sdAroundTrendMs,
      ...(worst && { spreadOfLimbMs: worst.sdAroundTrendMs ?? 0 }),
      toleranceMs,
    },
    practise: practise(take, 'every slot', slower(take)),
    ...(worst && { limb: worst.limb }),
  };
}

function clean({ take, figures, toleranceMs }: Evidence): Verdict {
  return {
    version: 1,
    about: 'clean',
    numbers: {
      strokes: figures.matched,
      meanMs: figures.meanErrorMs!,
      spreadMs: figures.sdErrorMs ?? 0,
      toleranceMs,
    },
    practise: nextStep(take),
  };
}

/** The plan a click thins to, by the kind it has now; from the thinnest there is no way on. */
const THINNER: Partial<Record<ClickPlan['kind'], ClickPlanName>> = { slots: '8ths', value: 'counts', every: '2 and 4' };

/** The way back up: first the limbs that were left out, then the tempo it is practised towards, then a thinner click. */
function nextStep(take: Take): Practice {
  const all = limbsIn(take.groove);
  const bpm = lastBpm(take);
  const click = take.changes?.findLast((change) => change.click)?.click ?? take.click;
  if (wholeTask(take).length < all.length)
    return { step: 'all limbs', bpm, click: 'counts', limbs: all, isWholeTask: false };
  const goal = take.goal ?? take.groove.tempo;
  const same = practise(take, 'counts', bpm);
  if (bpm < goal) return { ...same, step: 'up to tempo', bpm: Math.min(goal, undoneStep(bpm)) };
  const thinner = THINNER[click.kind];
  if (thinner) return { ...same, step: 'thinner click', click: thinner };
  return { ...same, step: 'faster', bpm: Math.min(FASTEST, bpm + FASTER) };
}

/** The tempo a step back was taken from, in whole beats a minute. */
const undoneStep = (bpm: Bpm): Bpm => Math.round((bpm * 7) / 6);

function mostBy<T>(all: readonly T[], of: (one: T) => number): T | undefined {
  return all.reduce<T | undefined>((most, one) => (most !== undefined && of(most) >= of(one) ? most : one), undefined);
}
