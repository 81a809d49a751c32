import { countedPlace } from '../../counting/placeInWords';
import { lastBpm, wholeTask, type Take } from '../../documents/take';
import type { FaultFound, FaultName, PlaceJudged, Practice, Verdict } from '../../documents/verdict';
import { exerciseOfBar } from '../../form/exercises';
import { limbsIn } from '../../groove/kit';
import { isHand, type Limb } from '../../groove/limbs';
import { FASTEST, SLOWEST } from '../../limits';
import type { ClickPlan, ClickPlanName } from '../../time/clickPlan';
import type { WholeNotes } from '../../time/fraction';
import type { Bpm, Ms } from '../../time/units';
import type { Figures } from '../types/figures';
import { LEAST_SCORE, LEAST_SIZE } from '../faults/explain';
import type { Found } from '../faults/scoreFaults';
import type { PlaceFigures } from '../types/judgement';

/** What a verdict is drawn from. */
interface Evidence {
  take: Take;
  figures: Figures;
  byPlace: readonly PlaceFigures[];
  toleranceMs: Ms;
  /** Every explanation of what was heard, the best first. */
  found: readonly Found[];
}

/** So many beats a minute faster when nothing is left to fix. */
const FASTER: Bpm = 4;

/** A place as the verdict names it. */
export function placeJudged(
  { groove, passages, exercises }: Pick<Take, 'groove' | 'passages' | 'exercises'>,
  limb: Limb,
  bar: number,
  written: WholeNotes,
): PlaceJudged {
  const of = exerciseOfBar(passages, bar);
  const section = of && exercises?.[of.exercise]?.section;
  return {
    limb,
    bar,
    bars: groove.bars.length,
    ...(of && { exercise: of.exercise }),
    ...(section !== undefined && { section }),
    ...countedPlace(groove.bars[bar]!, groove.reading, written),
  };
}

/** The verdict on a take: the explanation that explains most and is large enough to matter, or that there is none. */
export function verdictOf(evidence: Evidence): Verdict {
  const { take, figures, found } = evidence;
  if (take.input === 'nothing') return notHeard(take);
  if (figures.matched === 0) return nothingHeard(evidence);
  const [first, ...others] = found
    .filter(({ score, size }) => size >= LEAST_SIZE && score > LEAST_SCORE)
    .toSorted((a, b) => b.score - a.score);
  if (!first) return clean(evidence);
  const second = others.find((one) => isOther(first, one));
  const next = second && faultOf(evidence, second);
  return { version: 2, ...faultOf(evidence, first), ...(next && { next }), practise: practiceFor(take, first) };
}

/** What is wrong with which strokes were struck or how loud, rather than with when. */
const OF_STROKES: readonly FaultName[] = ['missed', 'extra', 'flam', 'accents', 'loudness'];
/** Where these are, strokes seem left out or extra that are none. */
const DISPLACES: readonly FaultName[] = ['shifted', 'behind or ahead', 'displaced', 'bars left out'];

/** Whether a second fault is one of its own: not the same seen otherwise, as one place is of its limb. */
function isOther(first: Found, second: Found): boolean {
  if (first.about === second.about) return false;
  if (DISPLACES.includes(first.about)) return ['flam', 'accents', 'loudness'].includes(second.about);
  if (OF_STROKES.includes(first.about) !== OF_STROKES.includes(second.about)) return true;
  return first.limb !== undefined && second.limb !== undefined && first.limb !== second.limb;
}

function faultOf({ take, byPlace }: Evidence, { about, limb, place, numbers }: Found): FaultFound {
  const named = about === 'missed' ? mostMissed(byPlace, limb) : place;
  return {
    about,
    ...(limb && { limb }),
    ...(named && { place: placeJudged(take, named.limb, named.bar, named.written) }),
    numbers,
  };
}

/** Where a limb leaves out most, if it does so twice or more. */
function mostMissed(byPlace: readonly PlaceFigures[], limb: Limb | undefined): PlaceFigures | undefined {
  const worst = mostBy(
    byPlace.filter((one) => one.limb === limb),
    (one) => one.missed,
  );
  return worst && worst.missed >= 2 ? worst : undefined;
}

/** What trains it: which limbs, to which click, at which tempo. */
function practiceFor(take: Take, { about, limb, size }: Found): Practice {
  const alone = limb && [limb];
  const back = slower(take, size);
  switch (about) {
    case 'drift':
    case 'phrase':
      return practise(take, 'thin out and back', lastBpm(take));
    case 'behind or ahead':
    case 'shifted':
      return practise(take, '2 bars on, 2 silent', lastBpm(take));
    case 'bars left out':
      return practise(take, 'counts', lastBpm(take));
    case 'extra':
    case 'displaced':
      return practise(take, 'counts', back, alone);
    case 'limb':
    case 'apart':
      return practise(take, size > FAR ? 'every slot' : 'counts', back, limb && together(take, limb));
    case 'missed':
    case 'place':
    case 'limb uneven':
      return practise(take, 'every slot', back, alone);
    default:
      return practise(take, 'every slot', back);
  }
}

/** From this many times what passes on, something is far off. */
const FAR = 2.5;

/** A step back that makes room to listen: a seventh slower, a quarter where it is far off; in whole beats a minute. */
const slower = (take: Take, size = 1): Bpm =>
  Math.max(SLOWEST, Math.round(lastBpm(take) * (size > FAR ? 3 / 4 : 6 / 7)));

function practise(take: Take, click: ClickPlanName, bpm: Bpm, limbs: Limb[] = wholeTask(take)): Practice {
  return { step: 'listen', bpm, click, limbs, isWholeTask: limbs.length === wholeTask(take).length };
}

function nothingHeard({ take, figures }: Evidence): Verdict {
  return {
    version: 2,
    about: 'nothing heard',
    numbers: { due: figures.missed, extra: figures.extra },
    practise: practise(take, 'every slot', slower(take), wholeTask(take).slice(0, 1)),
  };
}

/** Nothing listened, so there is nothing to say but what may be played next: the same. */
const notHeard = (take: Take): Verdict => ({
  version: 2,
  about: 'not heard',
  numbers: {},
  practise: practise(take, 'counts', lastBpm(take)),
});

/** The limb and one to line it up with: a foot with the first hand, a hand with the first foot. */
function together(take: Take, one: Limb): Limb[] {
  const task = wholeTask(take);
  const partner = task.find((other) => isHand(other) !== isHand(one)) ?? task.find((other) => other !== one);
  return task.filter((each) => each === one || each === partner);
}

function clean({ take, figures, toleranceMs }: Evidence): Verdict {
  return {
    version: 2,
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

/**
 * The way back up: first the limbs that were left out, then the tempo it is practised towards, then a thinner click.
 */
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
