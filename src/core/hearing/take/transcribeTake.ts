import type { Take } from '../../documents/take';
import { MOST_HITS } from '../../limits';
import type { Ms } from '../../time/units';
import { recordingQuality, type AboutRecording } from './recordingQuality';
import { isAudible } from './audible';
import { clickDelayIn, findStrokes, type FindOptions } from './find';
import { dueIn, hitsOf, limbsHeard } from './limbForSurface';

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

/**
 * The take with what was heard of it in its recording, whole and knowing what was written. `delayMs` is how much later
 * than sent a click comes back on this device: what the click of this very take says of it goes before.
 */
export function transcribeTake(
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
  const could = kit?.surfaces.length ? isAudible(samples, sampleRate, kit, expected) : [];
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
    about: recordingQuality(samples, sampleRate),
    isClickHeard: cameBackMs !== undefined,
  };
}
