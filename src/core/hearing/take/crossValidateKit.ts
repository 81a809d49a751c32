import type { SurfaceAccuracy } from '../../documents/ears';
import type { Surface } from '../../groove/limbs';
import type { Ms } from '../../time/units';
import { findStrokes } from './find';
import { learnKit } from '../kit/kit';

/** One surface's strokes, as they were struck for it to be learnt. */
export interface SurfaceRecording {
  surface: Surface;
  samples: Float32Array;
  sampleRate: number;
}

/** A stroke is cut out from so long before it; a pause stands behind the last. */
const BEFORE: Ms = 120;
const LAST: Ms = 900;
const NEAR: Ms = 40;

/**
 * What a kit would tell in this room: each surface's strokes are heard by a kit that was learnt from the others alone,
 * every second one by turns. How many were taken for what they are, and for what else most.
 */
export function crossValidateKit(recordings: readonly SurfaceRecording[]): SurfaceAccuracy[] {
  const halves = [0, 1].map((half) => recordings.map((one) => everySecond(one, half)));
  const told = new Map<Surface, { right: number; of: number; others: Surface[] }>();
  for (const half of [0, 1]) {
    const kit = learnKit(halves[1 - half]!);
    for (const { surface, samples, sampleRate, onsets } of halves[half]!) {
      const heard = findStrokes(samples, sampleRate, { kit });
      const sum = told.get(surface) ?? { right: 0, of: 0, others: [] };
      for (const ms of onsets) {
        const here = heard.filter((one) => Math.abs(one.ms - ms) < NEAR).map((one) => one.surface!);
        sum.of++;
        if (here.length === 1 && here[0] === surface) sum.right++;
        sum.others.push(...here.filter((one) => one !== surface));
      }
      told.set(surface, sum);
    }
  }
  return [...told].map(([surface, { right, of, others }]) => {
    const takenFor = mostIn(others);
    return { surface, right, of, ...(takenFor && { takenFor }) };
  });
}

/** Every second stroke of a recording, from the first or the second on, one after another. */
function everySecond({ samples, sampleRate, surface }: SurfaceRecording, half: number) {
  const at = (ms: Ms) => Math.round((ms * sampleRate) / 1000);
  const found = findStrokes(samples, sampleRate);
  const pieces = found.flatMap(({ ms }, index) => {
    if (index % 2 !== half) return [];
    const end = found[index + 1] ? found[index + 1]!.ms - BEFORE : ms + LAST;
    return [{ from: Math.max(0, at(ms - BEFORE)), to: Math.min(samples.length, at(end)), ms }];
  });
  const joined = new Float32Array(pieces.reduce((sum, { from, to }) => sum + Math.max(0, to - from), 0));
  const onsets: Ms[] = [];
  let filled = 0;
  for (const { from, to, ms } of pieces) {
    if (to <= from) continue;
    joined.set(samples.subarray(from, to), filled);
    onsets.push(ms + ((filled - from) * 1000) / sampleRate);
    filled += to - from;
  }
  return { surface, samples: joined, sampleRate, onsets };
}

const mostIn = (surfaces: readonly Surface[]): Surface | undefined =>
  surfaces.toSorted(
    (a, b) => surfaces.filter((one) => one === b).length - surfaces.filter((one) => one === a).length,
  )[0];
