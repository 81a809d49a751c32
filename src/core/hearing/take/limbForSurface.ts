import { formOfTake, type Hit, type Take } from '../../documents/take';
import { limbsBySurface } from '../../groove/kit';
import { isHand, type Limb, type Surface } from '../../groove/limbs';
import { MOST_HITS } from '../../limits';
import { schedule } from '../../schedule/schedule';
import type { Decibels, Ms } from '../../time/units';
import type { HeardStroke } from './hearing';
import type { Expected } from '../kit/scoreSurfaces';

/** The loudest stroke that was learnt lies so far under the loudest an input can tell: a louder one may come. */
const ACCENT_DB: Decibels = -3;
/** Where nothing was learnt, this share of the strokes is no louder than an accent. */
const ACCENT_SHARE = 0.9;

/** What has to be known of a kit to say who struck, and how loud: of one that was learnt, and as it is stored. */
export interface KnownKit {
  surfaces: readonly { surface: Surface; loudestDb: Decibels }[];
}

/** A written stroke as it is listened for. */
export interface Due extends Expected {
  limb: Limb;
}

/**
 * The strokes of a take on the clock of the first bar, as this kit can hear them: on one learnt surface alone
 * everything is struck there, and what was not learnt is not listened for.
 */
export function dueIn(take: Take, kit: KnownKit | undefined): Due[] {
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

const onlySurface = (kit: KnownKit | undefined): Surface | undefined =>
  kit?.surfaces.length === 1 ? kit.surfaces[0]!.surface : undefined;

/**
 * The limbs whose strokes can be heard at all: on one surface those of the hands, unless feet alone play; on a kit
 * those that strike what was learnt; all of them where nothing was.
 */
export function limbsHeard({ task, groove }: Pick<Take, 'task' | 'groove'>, kit: KnownKit | undefined): Limb[] {
  if (!kit?.surfaces.length) return task;
  if (onlySurface(kit)) return task.some(isHand) ? task.filter(isHand) : task;
  const learnt = new Set(kit.surfaces.map(({ surface }) => surface));
  const strikes = (limb: Limb) =>
    groove.bars.some(({ strokes }) => strokes.some((stroke) => stroke.limb === limb && learnt.has(stroke.surface)));
  return task.filter(strikes);
}

/**
 * Who struck, by what was struck; on one surface alone, or where no kit was learnt, only a limb that plays alone is
 * known.
 */
export function limbForSurface(
  take: Pick<Take, 'task' | 'groove'>,
  kit: KnownKit | undefined,
): (surface?: Surface) => Limb | undefined {
  const heard = limbsHeard(take, kit);
  if (heard.length === 1) return () => heard[0];
  if (!kit || onlySurface(kit)) return () => undefined;
  const bySurface = limbsBySurface(take.groove);
  return (surface) => surface && bySurface(surface);
}

/** How loud each of some strokes is, from 0 to 1, against the loudest of its surface. */
export function loudnessOf(
  strokes: readonly HeardStroke[],
  kit: KnownKit | undefined,
): (stroke: HeardStroke) => number {
  const levels = strokes.map(({ levelDb }) => levelDb).sort((a, b) => a - b);
  const usual = levels[Math.floor(ACCENT_SHARE * (levels.length - 1))] ?? 0;
  const loudest = new Map(kit?.surfaces.map(({ surface, loudestDb }) => [surface, loudestDb]));
  return ({ surface, levelDb }) => {
    const accentDb = (surface && loudest.get(surface)) ?? usual;
    return Math.max(0, Math.min(1, 10 ** ((levelDb - accentDb + ACCENT_DB) / 20)));
  };
}

/** Strokes that were heard as hits of a take, its first bar at `firstBarMs` of their clock. */
export function hitsOf(strokes: readonly HeardStroke[], take: Take, kit: KnownKit | undefined, firstBarMs: Ms): Hit[] {
  const [who, loudness] = [limbForSurface(take, kit), loudnessOf(strokes, kit)];
  return strokes.slice(0, MOST_HITS).map((stroke) => {
    const limb = who(stroke.surface);
    return {
      ms: Math.max(-60_000, Math.round(1000 * (stroke.ms - firstBarMs)) / 1000),
      ...(limb && { limb }),
      loudness: loudness(stroke),
    };
  });
}
