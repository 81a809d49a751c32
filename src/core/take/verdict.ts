import { isOnCount, placeInWords } from '../count/placeInWords';
import { exerciseAt } from '../form/exercises';
import { SCHOOLS, type School } from '../count/schools';
import { isHand, type Limb } from '../groove/limbs';
import type { ClickPlanName } from '../time/clickPlan';
import type { WholeNotes } from '../time/fraction';
import { FASTEST, SLOWEST, type Bpm, type Ms } from '../time/units';
import { wholeTask, type Take } from '../documents/take';
import type { Figures } from './figures';
import type { PlaceFigures } from './judge';

/** What to practise next, as settings of the room. */
export interface Practice {
  say: string;
  bpm: Bpm;
  click: ClickPlanName;
  limbs: Limb[];
}

/** The one thing to fix first: a sentence, its evidence, and what trains it. */
export interface Verdict {
  about:
    | 'nothing heard'
    | 'missed'
    | 'extra'
    | 'drift'
    | 'off-beats'
    | 'limb'
    | 'place'
    | 'behind or ahead'
    | 'spread'
    | 'clean';
  say: string;
  evidence: string;
  practise: Practice;
  /** The limb it is about, when it is about one. */
  limb?: Limb;
  /** The place it is about, when it is about one. */
  place?: { limb: Limb; bar: number; written: WholeNotes };
}

interface Evidence {
  take: Take;
  figures: Figures;
  byLimb: (Figures & { limb: Limb })[];
  byPlace: PlaceFigures[];
  toleranceMs: Ms;
  playedMs: Ms;
  /** The error the trend gives for the beginning and the end of the take. */
  trendMs?: [Ms, Ms];
}

/** A fault with how many times over what is tolerated it goes; 1 or less is no fault. */
interface Fault extends Verdict {
  weight: number;
}

/** One stroke in twenty may be missed, one in twelve extra, before that is what to fix: below, timing says more. */
const MISSED_SHARE = 1 / 20;
const EXTRA_SHARE = 1 / 12;

/** "the e of 3 in bar 2"; in a drill "the e of 3 in exercise 5". */
function placeSaid({ groove, parts }: Take, bar: number, written: WholeNotes, school: School): string {
  const part = parts && exerciseAt(parts, bar);
  if (!part) return placeInWords(groove, bar, written, school);
  return `${placeInWords({ ...groove, bars: [groove.bars[bar]!] }, 0, written, school)} in exercise ${part.index + 1}`;
}

/** The verdict on a take: its heaviest fault, or that there is none. */
export function verdictOf(evidence: Evidence, school: School = SCHOOLS[0]): Verdict {
  if (evidence.figures.matched === 0) return nothingHeard(evidence);
  const faults = [missed, extra, drift, offBeats, limb, place, offset, spread].flatMap(
    (find) => find(evidence, school) ?? [],
  );
  const heaviest = faults
    .filter(({ weight }) => weight > 1)
    .reduce<Fault | undefined>((worst, fault) => (worst && worst.weight >= fault.weight ? worst : fault), undefined);
  if (!heaviest) return clean(evidence);
  const { weight: _, ...verdict } = heaviest;
  return verdict;
}

const ms = (value: Ms) => `${Math.round(Math.abs(value))} ms`;
const lateOrEarly = (value: Ms) => (value > 0 ? 'late' : 'early');
const times = (count: number, of: number) => `${count} of ${of}`;
const opening = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const lastBpm = (take: Take) => take.tempo.at(-1)!.bpm;

/** A step back that makes room to listen: a seventh slower, in whole beats a minute. */
const slower = (take: Take): Bpm => Math.max(SLOWEST, Math.round((lastBpm(take) * 6) / 7));

function practise(take: Take, click: ClickPlanName, bpm: Bpm, limbs: Limb[] = wholeTask(take)): Practice {
  const who = limbs.length === wholeTask(take).length ? 'all limbs of the task' : limbs.join(' and ');
  return { bpm, click, limbs, say: `${opening(who)} at ${bpm}, click on ${click}.` };
}

function nothingHeard({ take, figures }: Evidence): Verdict {
  return {
    about: 'nothing heard',
    say: figures.extra ? 'None of the hits fell near a stroke of the groove.' : 'No stroke was heard.',
    evidence: `${figures.missed} strokes were due, ${figures.extra} hits came.`,
    practise: practise(take, 'every slot', slower(take), wholeTask(take).slice(0, 1)),
  };
}

function missed({ take, figures, byLimb, byPlace }: Evidence, school: School): Fault | undefined {
  const due = figures.matched + figures.missed;
  const worstLimb = mostBy(byLimb, (one) => one.missed);
  if (!worstLimb?.missed) return undefined;
  const worst = mostBy(
    byPlace.filter((one) => one.limb === worstLimb.limb),
    (one) => one.missed,
  )!;
  const limbDue = worstLimb.matched + worstLimb.missed;
  const oftenest = worst.missed >= 2 ? `, most often ${placeSaid(take, worst.bar, worst.written, school)}` : '';
  return {
    about: 'missed',
    weight: figures.missed / due / MISSED_SHARE,
    say: `The ${worstLimb.limb} leaves strokes out${oftenest}.`,
    evidence: `${times(worstLimb.missed, limbDue)} of its strokes were missed, ${times(figures.missed, due)} in all.`,
    practise: practise(take, 'every slot', slower(take), [worstLimb.limb]),
    limb: worstLimb.limb,
    place: worst.missed >= 2 ? { limb: worst.limb, bar: worst.bar, written: worst.written } : undefined,
  };
}

function extra({ take, figures, byLimb }: Evidence): Fault | undefined {
  const worst = mostBy(byLimb, (one) => one.extra);
  if (!worst?.extra) return undefined;
  const due = figures.matched + figures.missed;
  return {
    about: 'extra',
    weight: figures.extra / due / EXTRA_SHARE,
    say: `The ${worst.limb} strikes where nothing is written.`,
    evidence: `${worst.extra} of ${figures.extra} extra hits are its own, beside ${due} strokes due.`,
    practise: practise(take, 'counts', slower(take), [worst.limb]),
    limb: worst.limb,
  };
}

function drift({ take, figures, toleranceMs, playedMs }: Evidence): Fault | undefined {
  if (figures.tempoDriftPercent === null) return undefined;
  const percent = figures.tempoDriftPercent;
  const over = (Math.abs(percent) / 100) * playedMs;
  return {
    about: 'drift',
    // From the middle of the take the trend reaches half its width to both sides.
    weight: over / 2 / toleranceMs,
    say: `The tempo ${percent > 0 ? 'runs ahead of' : 'drags behind'} the click from beginning to end.`,
    evidence: `${Math.abs(percent).toFixed(1)} % ${percent > 0 ? 'fast' : 'slow'}: ${ms(over)} over the take; round that trend the spread is ${ms(figures.sdAroundTrendMs ?? 0)}.`,
    practise: practise(take, '8ths', lastBpm(take)),
  };
}

/**
 * A limb or a group of places explains many strokes at once, so it is named before one place that is
 * only a little farther out.
 */
const EXPLAINS_MORE = 1.25;

/** A fault must both stand out from the rest and be off the click: what is on time is never to blame. */
const standsOut = (by: Ms, mean: Ms): Ms => (by * mean > 0 ? Math.min(Math.abs(by), Math.abs(mean)) : 0);

function limb({ take, byLimb, toleranceMs }: Evidence): Fault | undefined {
  const heard = byLimb.filter((one) => one.matched >= 4);
  if (heard.length < 2) return undefined;
  const apart = heard.map((one) => {
    const by = one.meanErrorMs! - meanOf(heard.filter((other) => other !== one))!;
    return { one, by, out: standsOut(by, one.meanErrorMs!) };
  });
  const worst = mostBy(apart, ({ out }) => out)!;
  return {
    about: 'limb',
    weight: (EXPLAINS_MORE * worst.out) / toleranceMs,
    say: `The ${worst.one.limb} comes ${ms(worst.by)} ${worst.by > 0 ? 'after' : 'before'} the other limbs.`,
    evidence: `On average over ${worst.one.matched} strokes; ${ms(toleranceMs)} would pass at this level.`,
    practise: practise(take, 'counts', slower(take), together(take, worst.one.limb)),
    limb: worst.one.limb,
  };
}

/** What falls between the counts, against what falls on them. */
function offBeats({ take, byPlace, toleranceMs }: Evidence): Fault | undefined {
  const [on, off] = [true, false].map((wanted) =>
    byPlace.filter((one) => isOnCount(take.groove, one.bar, one.written) === wanted),
  );
  const [onMean, offMean] = [meanOf(on!), meanOf(off!)];
  if (onMean === undefined || offMean === undefined || off!.length < 2) return undefined;
  const by = offMean - onMean;
  return {
    about: 'off-beats',
    weight: (EXPLAINS_MORE * standsOut(by, offMean)) / toleranceMs,
    say: `What falls between the counts comes ${ms(by)} ${lateOrEarly(by)}.`,
    evidence: `${ms(offMean)} ${lateOrEarly(offMean)} between the counts, ${ms(onMean)} ${lateOrEarly(onMean)} on them.`,
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

function place({ take, byPlace, toleranceMs }: Evidence, school: School): Fault | undefined {
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
    say: `${opening(placeSaid(take, worst.bar, worst.written, school))} in the ${worst.limb} comes ${ms(worst.meanErrorMs!)} ${lateOrEarly(worst.meanErrorMs!)}.`,
    evidence: `${worst.matched} times, spread ${ms(worst.sdErrorMs!)}; ${ms(toleranceMs)} would pass at this level.`,
    practise: practise(take, 'every slot', slower(take), [worst.limb]),
    limb: worst.limb,
    place: { limb: worst.limb, bar: worst.bar, written: worst.written },
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
  const mean = figures.meanErrorMs!;
  // Only what the trend keeps from beginning to end is an offset; the rest of the mean is drift.
  const [start, end] = trendMs ?? [mean, mean];
  const kept = start * end > 0 ? Math.min(Math.abs(start), Math.abs(end)) : 0;
  return {
    about: 'behind or ahead',
    weight: kept / toleranceMs,
    say: `The whole take sits ${ms(mean)} ${mean > 0 ? 'behind' : 'ahead of'} the click.`,
    evidence: `The spread is ${ms(figures.sdErrorMs ?? 0)}, so it is steady; if it is the same on every take, it is the device's delay.`,
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
    say: 'The strokes are uneven: they fall now early, now late.',
    evidence: `Spread ${ms(figures.sdAroundTrendMs)}${worst ? `, widest in the ${worst.limb} (${ms(worst.sdAroundTrendMs ?? 0)})` : ''}; ${ms(toleranceMs)} would pass at this level.`,
    practise: practise(take, 'every slot', slower(take)),
  };
}

function clean({ take, figures, toleranceMs }: Evidence): Verdict {
  const thinner: Partial<Record<string, ClickPlanName>> = { slots: '8ths', value: 'counts', every: '2 and 4' };
  const next = thinner[take.click.kind];
  const practice = next
    ? practise(take, next, lastBpm(take))
    : practise(take, 'counts', Math.min(FASTEST, lastBpm(take) + 4));
  return {
    about: 'clean',
    say: `Nothing to fix at this tempo: ${next ? 'let the click thin out' : 'go up 4'}.`,
    evidence: `${figures.matched} strokes, ${ms(figures.meanErrorMs!)} ${lateOrEarly(figures.meanErrorMs!)} on average, spread ${ms(figures.sdErrorMs ?? 0)}; ${ms(toleranceMs)} would pass at this level.`,
    practise: practice,
  };
}

function mostBy<T>(all: readonly T[], of: (one: T) => number): T | undefined {
  return all.reduce<T | undefined>((most, one) => (most !== undefined && of(most) >= of(one) ? most : one), undefined);
}
