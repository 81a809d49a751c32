/** Recordings that are made, with what is truly in them: kits to learn by and kits to measure on, apart in kind. */
import type { Surface } from '../../src/core/groove/limbs';
import { BANDS, FilterBank, HOP, RATE } from '../../src/core/hearing/dsp/bands';
import { madeKit, MAKES, type MadeKit } from '../../src/core/simulate/drumSounds';
import { calibrationOf, withNoise, type Setting } from '../../src/core/simulate/recording';
import { NOISES, roomResponse, ROOMS } from '../../src/core/simulate/room';
import { otherKit } from './otherKits';
import { madeGroove, recordedTake, type RecordedTake } from '../../src/core/testing/recordedTakes';

/** Mean power of each band over the first hundredths of a second behind 20 ms of lead. */
export function firstBands(samples: Float32Array): number[] {
  const { narrow, hops } = new FilterBank().feed(samples.subarray(0, samples.length - (samples.length % HOP)));
  return Array.from({ length: BANDS }, (_, band) => {
    let sum = 0;
    for (let hop = 20; hop < Math.min(hops, 55); hop++) sum += narrow[hop * BANDS + band]!;
    return sum;
  });
}

export interface Recorded extends RecordedTake {
  calibration: { surface: Surface; samples: Float32Array; sampleRate: number }[];
  noiseDb: number;
}

const calibrations = new Map<string, { surface: Surface; samples: Float32Array }[]>();

/** The strokes a kit is learnt from, without noise; those of the last kit are kept. */
function quietCalibration(seed: number, kit: MadeKit, setting: Setting) {
  const key = `${seed} ${kit.name}`;
  if (!calibrations.has(key)) {
    calibrations.clear();
    const samples = (surface: Surface) => calibrationOf(surface, { ...setting, noiseDb: Infinity, seed });
    calibrations.set(
      key,
      kit.surfaces.map((surface) => ({ surface, samples: samples(surface) })),
    );
  }
  return calibrations.get(key)!;
}

/** Kits, rooms and noise of recordings that are learnt from. */
export const learning = (seed: number, noiseDb: number): Setting => ({
  kit: madeKit(seed, MAKES[seed % MAKES.length]!, RATE),
  room: roomResponse(seed, ROOMS[seed % 3]!, RATE),
  noise: NOISES[Math.floor(seed / 2) % 2]!,
  noiseDb,
  rate: RATE,
  seed: seed * 3 + noiseDb,
});

/** And of those that are measured on: kits of another make, every kind of room, every noise. */
export const measuring = (seed: number, noiseDb: number, surfaces?: Surface[]): Setting => ({
  kit: otherKit(seed, surfaces),
  room: roomResponse(seed, ROOMS[(seed + 1) % ROOMS.length]!, RATE),
  noise: NOISES[seed % NOISES.length]!,
  noiseDb,
  rate: RATE,
  seed: seed * 5 + noiseDb,
});

/** One groove on one kit in one room, with the strokes the kit is learnt from, recorded there. */
export function recordedGroove(
  setting: Setting,
  seed: number,
  seconds: number,
  scatterMs?: number,
  leftOut?: number,
): Recorded {
  const { kit } = setting;
  const calibration = quietCalibration(seed, kit, setting).map(({ surface, samples }) => ({
    surface,
    samples: withNoise(samples, setting),
    sampleRate: RATE,
  }));
  return {
    ...recordedTake(madeGroove(seed, seconds, scatterMs, leftOut), setting, firstBands),
    calibration,
    noiseDb: setting.noiseDb,
  };
}
