import { format, less, type WholeNotes } from '../time/fraction';
import { schedule, type TimedStroke } from '../schedule/schedule';
import { steady } from '../time/tempoMap';
import { SLOWEST, type Bpm } from '../time/units';
import { beatOf } from './beat';
import type { Groove, Stroke } from '../documents/groove';
import { isHand, LIMBS, otherHand, type Limb } from './limbs';
import type { Place } from './edit';
import { motions, type Motion } from './motion';

/** Something that cannot be played, or hardly: where, why, and what would free it. */
export interface Finding {
  kind: 'conflict' | 'speed';
  severity: 'warning' | 'error';
  place: Place;
  say: string;
  remedy: string;
  /** What one touch can do about it. */
  fix?: { words: string; take: 'ornament' | 'stroke'; place: Place } | { words: string; take: 'tempo'; bpm: Bpm };
}

/** How many strokes a second a limb plays at its most, and how that feels. */
export interface Speed {
  limb: Limb;
  perSecond: number;
  feel: 'comfortable' | 'fast' | 'at the limit' | 'beyond';
}

/** Strokes a second up to which a limb is comfortable, fast, at its limit; beyond that hardly anybody is. A teacher can set others. */
export type Limits = Record<'hand' | 'foot', readonly [number, number, number]>;
export const LIMITS: Limits = { hand: [5, 8, 10], foot: [3.5, 6, 8] };

/** Speed of a limb at a tempo: from the shortest gap between its strokes, doubles written out, round the loop. */
export function speeds(groove: Groove, bpm: Bpm, limits = LIMITS): Speed[] {
  // Two rounds, so that the gap over the bar line counts.
  const { sounds } = schedule({
    groove,
    tempo: steady(bpm, beatOf(groove)),
    click: { kind: 'silent' },
    countIn: 0,
    rounds: 2,
  });
  const struck = sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke' && sound.role !== 'grace');
  return LIMBS.flatMap((limb): Speed[] => {
    const times = struck.filter((stroke) => stroke.limb === limb).map(({ ms }) => ms);
    if (times.length < 2) return [];
    const gap = Math.min(...times.slice(1).map((ms, index) => ms - times[index]!));
    const perSecond = 1000 / gap;
    const [comfortable, fast, most] = limits[isHand(limb) ? 'hand' : 'foot'];
    return [
      {
        limb,
        perSecond,
        feel:
          perSecond <= comfortable
            ? 'comfortable'
            : perSecond <= fast
              ? 'fast'
              : perSecond <= most
                ? 'at the limit'
                : 'beyond',
      },
    ];
  });
}

/** Everything in a groove that cannot be played as written, or is too fast at a tempo. */
export function check(groove: Groove, bpm: Bpm, limits = LIMITS): Finding[] {
  const conflicts = groove.bars.flatMap((bar, index) =>
    bar.strokes.flatMap((stroke) => [
      ...flamOutOfReach(bar.strokes, stroke, index),
      ...pedalUnderOpenHat(bar.strokes, stroke, index),
    ]),
  );
  const tooFast = speeds(groove, bpm, limits)
    .filter(({ feel }) => feel === 'beyond')
    .map(({ limb, perSecond }): Finding => {
      const playable = Math.floor((bpm * limits[isHand(limb) ? 'hand' : 'foot'][2]) / perSecond);
      return {
        kind: 'speed',
        severity: 'warning',
        place: {
          bar: 0,
          limb,
          at: groove.bars[0]!.strokes.find((stroke) => stroke.limb === limb)?.at ?? { n: 0, d: 1 },
        },
        say: `The ${limb} plays ${perSecond.toFixed(1)} strokes a second at ${bpm}: beyond nearly everybody.`,
        remedy: `At ${playable} or below it can be played; or share the line with another limb.`,
        ...(playable >= SLOWEST && { fix: { words: `Set the tempo to ${playable}`, take: 'tempo', bpm: playable } }),
      };
    });
  return [...conflicts, ...tooFast];
}

/** A flam or drag needs the other hand just before it: not while that hand strikes elsewhere. */
function flamOutOfReach(strokes: readonly Stroke[], stroke: Stroke, bar: number): Finding[] {
  if ((stroke.ornament !== 'flam' && stroke.ornament !== 'drag') || !isHand(stroke.limb)) return [];
  const other = strokes.find((one) => one.limb === otherHand(stroke.limb) && sameTime(one.at, stroke.at));
  if (!other) return [];
  const place = { bar, limb: stroke.limb, at: stroke.at };
  return [
    {
      kind: 'conflict',
      severity: 'error',
      place,
      say: `The grace of this ${stroke.ornament} is the ${other.limb}’s, which strikes the ${other.surface} at the same time.`,
      remedy: `Take the ${stroke.ornament} off, or the ${other.limb} out.`,
      fix: { words: `Take the ${stroke.ornament} off`, take: 'ornament', place },
    },
  ];
}

/** The hat cannot ring open while its pedal closes it. */
function pedalUnderOpenHat(strokes: readonly Stroke[], stroke: Stroke, bar: number): Finding[] {
  if (stroke.surface !== 'open hat') return [];
  const pedal = strokes.find((one) => one.surface === 'hat pedal' && sameTime(one.at, stroke.at));
  if (!pedal) return [];
  const place = { bar, limb: pedal.limb, at: pedal.at };
  return [
    {
      kind: 'conflict',
      severity: 'error',
      place,
      say: `The pedal closes the hat at ${format(stroke.at)}, where it is to ring open.`,
      remedy: 'Take the pedal out here, or close the hat.',
      fix: { words: 'Take the pedal out', take: 'stroke', place },
    },
  ];
}

const sameTime = (a: WholeNotes, b: WholeNotes) => !less(a, b) && !less(b, a);

/** The motion of each of a hand's strokes over the groove, which repeats, in playing order. */
export function motionLine(groove: Groove, limb: Limb): { place: Place; motion: Motion }[] {
  const strokes = groove.bars.flatMap((bar, index) =>
    bar.strokes.filter((stroke) => stroke.limb === limb).map((stroke) => ({ bar: index, stroke })),
  );
  const all = motions(strokes.map(({ stroke }) => stroke.height));
  return strokes.map(({ bar, stroke }, index) => ({ place: { bar, limb, at: stroke.at }, motion: all[index]! }));
}
