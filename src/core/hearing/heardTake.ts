import { formOfTake, type Hit, type Take } from '../documents/take';
import { limbsBySurface } from '../groove/kit';
import { isHand, type Limb, type Surface } from '../groove/limbs';
import { MOST_HITS } from '../limits';
import { schedule } from '../schedule/schedule';
import type { Decibels, Ms } from '../time/units';
import { aboutRecording, type AboutRecording } from './about';
import { couldBeHeard } from './audible';
import { clickDelayIn, findStrokes, type FindOptions } from './find';
import type { HeardStroke } from './hearing';
import type { Kit } from './kit';
import type { Expected } from './look';

/** The loudest stroke that was learnt lies so far under the loudest an input can tell: a louder one may come. */
const ACCENT_DB: Decibels = -3;
/** Where nothing was learnt, this share of the strokes is no louder than an accent. */
const ACCENT_SHARE = 0.9;

/** A recording of a take, on its own clock. */
export interface TakeRecording {
  samples: Float32Array;
  sampleRate: number;
  /** When the first bar was sent to the loudspeaker or headphones, in milliseconds from the first sample. */
  firstBarMs: Ms;
}

/** What came of hearing a take's recording. */
export interface TakeHeard {
  take: Take;
  about: AboutRecording;
  /** Whether the click came back into the microphone, so that the delay is known from this take itself. */
  isClickHeard: boolean;
}

/** A written stroke as it is listened for. */
export interface Due extends Expected {
  limb: Limb;
}

/**
 * The strokes of a take on the clock of the first bar, as this kit can hear them: on one learnt surface alone
 * everything is struck there, and what was not learnt is not listened for.
 */
export function dueIn(take: Take, kit: Kit | undefined): Due[] {
  const only = onlySurface(kit);
  const learnt = new Set(kit?.surfaces.map(({ surface }) => surface));
  const limbs = limbsHeard(take, kit);
  return schedule(formOfTake(take)).sounds.flatMap((sound): Due[] => {
    if (sound.kind !== 'stroke' || !limbs.includes(sound.limb)) return [];
    const { ms, height, limb } = sound;
    const surface = only ?? sound.surface;
    return kit && !learnt.has(surface) ? [] : [{ ms, surface, height, limb }];
  });
}

const onlySurface = (kit: Kit | undefined): Surface | undefined =>
  kit?.surfaces.length === 1 ? kit.surfaces[0]!.surface : undefined;

/**
 * The limbs whose strokes can be heard at all: on one surface those of the hands, unless feet alone play; on a kit those
 * that strike what was learnt; all of them where nothing was.
 */
export function limbsHeard({ task, groove }: Pick<Take, 'task' | 'groove'>, kit: Kit | undefined): Limb[] {
  if (!kit?.surfaces.length) return task;
  if (onlySurface(kit)) return task.some(isHand) ? task.filter(isHand) : task;
  const learnt = new Set(kit.surfaces.map(({ surface }) => surface));
  const strikes = (limb: Limb) =>
    groove.bars.some(({ strokes }) => strokes.some((stroke) => stroke.limb === limb && learnt.has(stroke.surface)));
  return task.filter(strikes);
}

/** Who struck, by what was struck; on one surface alone, or where no kit was learnt, only a limb that plays alone is known. */
export function whoStruck(
  take: Pick<Take, 'task' | 'groove'>,
  kit: Kit | undefined,
): (surface?: Surface) => Limb | undefined {
  const heard = limbsHeard(take, kit);
  if (heard.length === 1) return () => heard[0];
  if (!kit || onlySurface(kit)) return () => undefined;
  const bySurface = limbsBySurface(take.groove);
  return (surface) => surface && bySurface(surface);
}

/** How loud each of some strokes is, from 0 to 1, against the loudest of its surface. */
export function loudnessOf(strokes: readonly HeardStroke[], kit: Kit | undefined): (stroke: HeardStroke) => number {
  const levels = strokes.map(({ levelDb }) => levelDb).sort((a, b) => a - b);
  const usual = levels[Math.floor(ACCENT_SHARE * (levels.length - 1))] ?? 0;
  const loudest = new Map(kit?.surfaces.map(({ surface, loudestDb }) => [surface, loudestDb]));
  return ({ surface, levelDb }) => {
    const accentDb = (surface && loudest.get(surface)) ?? usual;
    return Math.max(0, Math.min(1, 10 ** ((levelDb - accentDb + ACCENT_DB) / 20)));
  };
}

/**
 * The take with what was heard of it in its recording, whole and knowing what was written. `delayMs` is how much later
 * than sent a click comes back on this device: what the click of this very take says of it goes before.
 */
export function hearTake(
  take: Take,
  { samples, sampleRate, firstBarMs }: TakeRecording,
  { kit, clicks, delayMs, onShare }: Pick<FindOptions, 'kit' | 'clicks' | 'onShare'> & { delayMs: Ms },
): TakeHeard {
  const cameBackMs = clickDelayIn(samples, sampleRate, { clicks });
  const later = cameBackMs ?? delayMs;
  const due = dueIn(take, kit);
  const expected = due.map((one) => ({ ...one, ms: one.ms + firstBarMs + later }));
  const strokes = findStrokes(samples, sampleRate, {
    expected,
    ...(kit?.surfaces.length && { kit }),
    ...(clicks && { clicks }),
    ...(onShare && { onShare }),
  });
  const hears = limbsHeard(take, kit);
  const could = kit?.surfaces.length ? couldBeHeard(samples, sampleRate, kit, expected) : [];
  const unheard = due
    .filter(({ ms }, index) => could[index] === false && ms >= 0)
    .map(({ limb, ms }) => ({ limb, ms }))
    .slice(0, MOST_HITS);
  return {
    take: {
      ...take,
      hits: hitsOf(strokes, take, kit, firstBarMs + later),
      ...(hears.length < take.task.length && { hears }),
      ...(unheard.length && { unheard }),
      calibrationMs: later,
    },
    about: aboutRecording(samples, sampleRate),
    isClickHeard: cameBackMs !== undefined,
  };
}

/** Strokes that were heard as hits of a take, its first bar at `firstBarMs` of their clock. */
export function hitsOf(strokes: readonly HeardStroke[], take: Take, kit: Kit | undefined, firstBarMs: Ms): Hit[] {
  const [who, loudness] = [whoStruck(take, kit), loudnessOf(strokes, kit)];
  return strokes.slice(0, MOST_HITS).map((stroke) => {
    const limb = who(stroke.surface);
    return {
      ms: Math.max(-60_000, Math.round(1000 * (stroke.ms - firstBarMs)) / 1000),
      ...(limb && { limb }),
      loudness: loudness(stroke),
    };
  });
}
