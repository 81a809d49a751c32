import { formOfTake, type Take } from '../documents/take';
import { schedule } from '../schedule/schedule';
import type { TimedStroke } from '../schedule/timed';
import type { Decibels, Ms } from '../time/units';
import { HEIGHT_DB } from './drumSounds';
import { frameOf, recordingOf, type Setting, type Sounded } from './recording';

/** So loud an input tells an accent that is played as it should be. */
const ACCENT_DB: Decibels = -3;

/**
 * A take as a microphone beside the kit would have heard it: every hit on the surface that its limb plays there, as
 * loud as it was told or, where it was not, as its height is. Hits whose limb is not known, or plays nothing, are left
 * out. With when the first bar begins, in milliseconds from the first sample.
 */
export function soundOfTake(take: Take, setting: Setting): { samples: Float32Array; firstBarMs: Ms } {
  const due = schedule(formOfTake(take)).sounds.filter((sound): sound is TimedStroke => sound.kind === 'stroke');
  const first = Math.min(0, ...take.hits.map(({ ms }) => ms));
  const strokes = take.hits.flatMap(({ ms, limb, loudness }): Sounded[] => {
    const stroke =
      limb &&
      nearest(
        due.filter((one) => one.limb === limb),
        ms,
      );
    if (!stroke) return [];
    const { surface, height } = stroke;
    const db = loudness === undefined ? 0 : 20 * Math.log10(Math.max(1e-3, loudness)) - ACCENT_DB - HEIGHT_DB[height];
    return [{ ms: ms - first, surface, height, db }];
  });
  return {
    samples: recordingOf(strokes, setting, take.playedMs - first).samples,
    firstBarMs: (1000 * frameOf(-first, setting.rate)) / setting.rate,
  };
}

const nearest = (strokes: readonly TimedStroke[], ms: Ms): TimedStroke | undefined =>
  strokes.reduce<TimedStroke | undefined>(
    (best, one) => (best && Math.abs(best.ms - ms) <= Math.abs(one.ms - ms) ? best : one),
    undefined,
  );
