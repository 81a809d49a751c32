import type { Hit } from '../documents/take';
import type { Form } from '../form/form';
import { LIMBS, type Height, type Limb } from '../groove/limbs';
import { normal, randomFrom } from '../random';
import type { Schedule, TimedStroke } from '../schedule/timed';
import { GRACE_MS } from '../schedule/strokes';
import { format } from '../time/fraction';
import type { Ms } from '../time/units';
import { factsOf, limbsTogether, switchesOf } from '../judging/faults/strokeFacts';

/** How the simulated kit plays. All that is left out is 0: a flawless kit. */
export interface Playing {
  /** Behind the click (+) or ahead (−). */
  offsetMs?: Ms;
  spreadMs?: Ms;
  /** Beside the spread that anybody has. */
  unevenMs?: Ms;
  /** Faster (+) or slower (−) than the click. */
  driftPercent?: number;
  /** Shares from 0 to 1 of the strokes due. */
  missedShare?: number;
  extraShare?: number;
  /** Limbs apart from the others. */
  limbMs?: Partial<Record<Limb, Ms>>;
  /** One written place apart from the others: a limb's last one in the groove. */
  placeMs?: Partial<Record<Limb, Ms>>;
  /** The strokes that are on no count, apart from those that are. */
  offCountMs?: Ms;
  /** Limbs that are more uneven, or leave a share of their own strokes out. */
  unevenLimbMs?: Partial<Record<Limb, Ms>>;
  missingLimb?: Partial<Record<Limb, number>>;
  /** Faster within every four bars by so much from their beginning to their end, then caught up. */
  phraseMs?: Ms;
  /** All of it late by this part of a count. */
  countsLate?: number;
  /** How much of the swing is left out: 1 is straight. */
  straightened?: number;
  /** The first moment after the division of the counts changes. */
  switchMs?: Ms;
  /** A limb's figure so many of its slots late in every fourth bar. */
  slotsLate?: Partial<Record<Limb, number>>;
  /** Of every eight bars, so many are left out. */
  barsOut?: number;
  /** How much farther than is right graces come before their strokes. */
  graceMs?: Ms;
  /** The second strokes of doubles. */
  secondMs?: Ms;
  /** A limb where another is written with it. */
  togetherMs?: Partial<Record<Limb, Ms>>;
  /** Loudness is told: accents, taps and ghosts as they are meant, but for what follows. */
  isLoud?: boolean;
  /** How much of what is between accents and the rest of their limb is left out: at 1 they are alike. */
  flattened?: number;
  /** By how much second strokes are too soft, and everything wanders, in decibels. */
  weakSecondDb?: number;
  wanderDb?: number;
}

/**
 * A well played stroke of each height, in decibels under the loudest that an input can tell, and how much that
 * varies.
 */
const LOUD_DB: Record<Height, number> = { accent: -3, tap: -11, ghost: -20 };
const STEADY_DB = 1;
/** Where no other bar is left out, this one of every eight is. */
const BAR_OUT = 5;

/**
 * What the kit strikes when it plays the task's limbs of a schedule, in order; the task may be another from bar to
 * bar of the run. `form` is what the schedule was made from. A fault of a limb that plays nothing here is the last
 * limb's that does. The same seed gives the same hits, whatever is in the task.
 */
export function simulateKit(
  { form, timed }: { form: Form; timed: Schedule },
  task: readonly Limb[] | ((barInRun: number) => readonly Limb[]),
  playing: Playing,
  seed: number,
): Hit[] {
  const random = randomFrom(seed);
  // Drawn apart, so that telling loudness changes no time.
  const randomLoud = randomFrom(seed + 1);
  const due = timed.sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke');
  const plays = ({ barInRun, limb }: TimedStroke) =>
    (typeof task === 'function' ? task(barInRun) : task).includes(limb);
  const lateMs = lateness({ form, timed }, due, playing);
  const own = ofLimbs(due);
  const hasTaps = new Set(due.flatMap(({ limb, height }) => (height === 'tap' ? [limb] : [])));
  const restDb = (limb: Limb) => LOUD_DB[hasTaps.has(limb) ? 'tap' : 'ghost'];
  const { missedShare = 0, extraShare = 0, spreadMs = 0, unevenMs = 0 } = playing;
  const hits = due.flatMap((stroke): Hit[] => {
    // Every draw is made whatever becomes of it, so that one fault does not change where another falls.
    const [miss, more, wobble, loud] = [random(), random(), normal(random), normal(randomLoud)];
    const spread = own(playing.unevenLimbMs, stroke) || Math.hypot(spreadMs, unevenMs);
    const ms = toMicro(lateMs(stroke) + spread * wobble);
    const loudness = playing.isLoud ? loudnessOf(stroke, playing, restDb(stroke.limb), loud) : undefined;
    const hit = { limb: stroke.limb, ms, ...(loudness !== undefined && { loudness }) };
    const extra = more < extraShare ? [{ ...hit, ms: toMicro(ms + 70) }] : [];
    if (!plays(stroke) || isOut(stroke, playing)) return [];
    return miss < (own(playing.missingLimb, stroke) || missedShare) ? extra : [hit, ...extra];
  });
  return hits.sort((a, b) => a.ms - b.ms);
}

/** What a fault of single limbs is for a stroke; 0 where it is none of this limb's. */
function ofLimbs(due: readonly TimedStroke[]) {
  const played = LIMBS.filter((limb) => due.some((stroke) => stroke.limb === limb && stroke.role !== 'grace'));
  return (values: Partial<Record<Limb, number>> | undefined, { limb }: TimedStroke): number => {
    if (!values) return 0;
    const isTheirs = LIMBS.some((one) => values[one] !== undefined && played.includes(one));
    if (!isTheirs && limb === played.at(-1)) return Object.values(values)[0] ?? 0;
    return values[limb] ?? 0;
  };
}

const isOut = ({ barInRun }: TimedStroke, { barsOut = 0 }: Playing): boolean => {
  const inEight = barInRun % 8;
  return inEight >= BAR_OUT && inEight < BAR_OUT + barsOut;
};

/** When the kit strikes each stroke, but for its spread. */
function lateness(
  { form, timed }: { form: Form; timed: Schedule },
  due: readonly TimedStroke[],
  playing: Playing,
): (stroke: TimedStroke) => Ms {
  const facts = factsOf(form, timed);
  const own = ofLimbs(due);
  const main = due.filter(({ role }) => role !== 'grace');
  const [since, together] = [switchesOf(main, form), limbsTogether(due)];
  const countMs = (timed.countsMs[1] ?? 0) - (timed.countsMs[0] ?? 0);
  const bars = timed.bars.filter(({ barInRun }) => barInRun >= 0);
  const [first, fifth] = [bars[0]?.startMs ?? 0, bars[4]?.startMs ?? Infinity];
  const phraseAt = (ms: Ms): number => (fifth === Infinity ? 0 : ((ms - first) / (fifth - first)) % 1);
  const placeOf = ({ limb, bar, written }: TimedStroke) => `${limb} ${bar} ${format(written)}`;
  const lastPlace = new Map<Limb, string>();
  for (const stroke of main) if (stroke.round === 0) lastPlace.set(stroke.limb, placeOf(stroke));
  return (stroke) => {
    const { ms, limb, role, barInRun } = stroke;
    const isMain = role !== 'grace';
    const switched = since.get(ms);
    return (
      ms / (1 + (playing.driftPercent ?? 0) / 100) +
      (playing.offsetMs ?? 0) +
      own(playing.limbMs, stroke) +
      (placeOf(stroke) === lastPlace.get(limb) ? own(playing.placeMs, stroke) : 0) +
      (isMain && !facts.isOnCount(stroke) ? (playing.offCountMs ?? 0) : 0) +
      (playing.countsLate ?? 0) * countMs +
      (playing.phraseMs ?? 0) * phraseAt(ms) -
      Math.min(1, playing.straightened ?? 0) * facts.swungMs(stroke) +
      (switched && switched.moments === 0 ? (playing.switchMs ?? 0) : 0) +
      (barInRun % 4 === 2 ? Math.round(own(playing.slotsLate, stroke)) * facts.slotMs(stroke) : 0) +
      (role === 'second' ? (playing.secondMs ?? 0) : 0) +
      (isMain && together(ms) > 1 ? own(playing.togetherMs, stroke) : 0) -
      (role === 'grace' ? Math.max(-GRACE_MS, playing.graceMs ?? 0) : 0)
    );
  };
}

/** From 0 to 1. */
function loudnessOf({ height, role }: TimedStroke, playing: Playing, restDb: number, wobble: number): number {
  const meant = LOUD_DB[height];
  const flat = height === 'accent' ? Math.min(1, playing.flattened ?? 0) * (meant - restDb) : 0;
  const weak = role === 'second' ? 1 + (playing.weakSecondDb ?? 0) : 0;
  const db = meant - flat - weak + Math.hypot(STEADY_DB, playing.wanderDb ?? 0) * wobble;
  return Math.round(1000 * Math.min(1, Math.max(0.01, 10 ** (db / 20)))) / 1000;
}

const toMicro = (ms: Ms) => Math.round(ms * 1000) / 1000;
