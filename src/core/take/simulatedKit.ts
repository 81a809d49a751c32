import { normal, randomFrom } from '../random';
import type { Schedule, TimedStroke } from '../schedule/timed';
import type { Limb } from '../groove/limbs';
import type { Ms } from '../time/units';
import type { Hit } from '../documents/take';
import { GRACE_MS } from '../schedule/strokes';

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
  /** One limb that is more uneven, or leaves a share of its own strokes out. */
  unevenLimb?: { limb: Limb; spreadMs: Ms };
  missingLimb?: { limb: Limb; share: number };
  /** Faster within every four bars by so much from their beginning to their end, then caught up. */
  phraseMs?: Ms;
  /** All of it late by this part of a count. */
  countsLate?: number;
  /** How far graces come before their strokes, in place of what is right. */
  graceMs?: Ms;
  /** How loud strokes are from 0 to 1: accents, and all others. Not told when left out. */
  loudness?: { accent: number; other: number };
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
  'foot left out': { spreadMs: 6, missingLimb: { limb: 'right foot', share: 0.25 } },
  'uneven foot': { spreadMs: 5, unevenLimb: { limb: 'right foot', spreadMs: 45 } },
  'rushing in phrases': { spreadMs: 5, phraseMs: -70 },
  'half a count late': { spreadMs: 5, countsLate: 0.5 },
  'flat flams': { spreadMs: 3, graceMs: 2 },
  'wide flams': { spreadMs: 4, graceMs: 85 },
  'weak accents': { spreadMs: 5, loudness: { accent: 0.42, other: 0.36 } },
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
  const countMs = (timed.countsMs[1] ?? 0) - (timed.countsMs[0] ?? 0);
  const bars = timed.bars.filter(({ barInRun }) => barInRun >= 0);
  const phraseAt = (ms: Ms): number => {
    const [first, fifth] = [bars[0]?.startMs ?? 0, bars[4]?.startMs ?? Infinity];
    return fifth === Infinity ? 0 : ((ms - first) / (fifth - first)) % 1;
  };
  const hits = due.flatMap((stroke): Hit[] => {
    // Every draw is made whatever becomes of it, so that one fault does not change where another falls.
    const [miss, more, wobble] = [random(), random(), normal(random)];
    const ownMs = playing.limb?.limb === stroke.limb ? playing.limb.offsetMs : 0;
    const offMs = onCount.has(Math.round(stroke.ms)) ? 0 : offCountMs;
    const spread = playing.unevenLimb?.limb === stroke.limb ? playing.unevenLimb.spreadMs : spreadMs;
    const late = (playing.countsLate ?? 0) * countMs + (playing.phraseMs ?? 0) * phraseAt(stroke.ms);
    const grace = stroke.role === 'grace' && playing.graceMs !== undefined ? GRACE_MS - playing.graceMs : 0;
    const ms = toMicro(
      stroke.ms / (1 + driftPercent / 100) + offsetMs + ownMs + offMs + late + grace + spread * wobble,
    );
    const loudness = playing.loudness?.[stroke.height === 'accent' ? 'accent' : 'other'];
    const hit = { limb: stroke.limb, ms, ...(loudness !== undefined && { loudness }) };
    const extra = more < extraShare ? [{ limb: stroke.limb, ms: toMicro(ms + 70) }] : [];
    if (!plays(stroke)) return [];
    const own = playing.missingLimb?.limb === stroke.limb ? playing.missingLimb.share : missedShare;
    return miss < own ? extra : [hit, ...extra];
  });
  return hits.sort((a, b) => a.ms - b.ms);
}

const toMicro = (ms: Ms) => Math.round(ms * 1000) / 1000;
