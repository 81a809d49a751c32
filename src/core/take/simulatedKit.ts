import { normal, randomFrom } from '../random';
import type { Schedule, TimedStroke } from '../schedule/timed';
import type { Limb } from '../groove/limbs';
import type { Ms } from '../time/units';
import type { Hit } from '../documents/take';

/** How the simulated kit plays. All that is left out is 0: a flawless kit. */
export interface Playing {
  /** Behind the click (+) or ahead (−). */
  offsetMs?: Ms;
  spreadMs?: Ms;
  /** Faster (+) or slower (−) than the click. */
  driftPercent?: number;
  /** Shares from 0 to 1 of the strokes due. */
  missedShare?: number;
  extraShare?: number;
  /** One limb apart from the others. */
  limb?: { limb: Limb; offsetMs: Ms };
  /** The strokes that are on no count, apart from those that are. */
  offCountMs?: Ms;
}

/** Faults to choose from, each plain enough to be heard and seen. */
export const KIT_FAULTS = {
  steady: { spreadMs: 4 },
  late: { spreadMs: 5, offsetMs: 45 },
  uneven: { spreadMs: 32 },
  rushing: { spreadMs: 6, driftPercent: 1.2 },
  dragging: { spreadMs: 6, driftPercent: -1.2 },
  'late off-beats': { spreadMs: 5, offCountMs: 45 },
  missing: { spreadMs: 6, missedShare: 0.15 },
} as const satisfies Record<string, Playing>;

export type KitFault = keyof typeof KIT_FAULTS;
export const KIT_FAULT_NAMES = Object.keys(KIT_FAULTS) as KitFault[];

/**
 * What the kit strikes when it plays the task's limbs of a schedule, in order; the task may be another from bar to
 * bar of the run. The same seed gives the same hits, whatever is in the task.
 */
export function simulateKit(
  timed: Schedule,
  task: readonly Limb[] | ((barInRun: number) => readonly Limb[]),
  playing: Playing,
  seed: number,
): Hit[] {
  const random = randomFrom(seed);
  const { offsetMs = 0, spreadMs = 0, driftPercent = 0, missedShare = 0, extraShare = 0, offCountMs = 0 } = playing;
  const due = timed.sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke');
  const plays = ({ barInRun, limb }: TimedStroke) =>
    (typeof task === 'function' ? task(barInRun) : task).includes(limb);
  const onCount = new Set(timed.countsMs.map(Math.round));
  const hits = due.flatMap((stroke): Hit[] => {
    // Every draw is made whatever becomes of it, so that one fault does not change where another falls.
    const [miss, more, wobble] = [random(), random(), normal(random)];
    const ownMs = playing.limb?.limb === stroke.limb ? playing.limb.offsetMs : 0;
    const offMs = onCount.has(Math.round(stroke.ms)) ? 0 : offCountMs;
    const ms = toMicro(stroke.ms / (1 + driftPercent / 100) + offsetMs + ownMs + offMs + spreadMs * wobble);
    const extra = more < extraShare ? [{ limb: stroke.limb, ms: toMicro(ms + 70) }] : [];
    if (!plays(stroke)) return [];
    return miss < missedShare ? extra : [{ limb: stroke.limb, ms }, ...extra];
  });
  return hits.sort((a, b) => a.ms - b.ms);
}

const toMicro = (ms: Ms) => Math.round(ms * 1000) / 1000;
