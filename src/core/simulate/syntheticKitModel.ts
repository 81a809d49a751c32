import type { Groove } from '../groove/groove';
import type { Surface } from '../groove/limbs';
import { madeSetting } from './madeSetting';
import { calibrationOf, type Setting } from './recording';
import { learnKit } from '../hearing';
import type { Kit } from '../hearing/kit/kit';

/**
 * A made kit in a made room for a groove, and what was learnt of it surface by surface, as one gets heard: all that is
 * needed to play a take as sound and hear it again. The same for a seed.
 */
export function syntheticKitModel(groove: Groove, seed: number, rate: number): { setting: Setting; kit: Kit } {
  const surfaces = [...new Set(groove.bars.flatMap(({ strokes }) => strokes.map(({ surface }): Surface => surface)))];
  const setting = madeSetting(seed, surfaces, rate);
  const heard = surfaces.map((surface) => ({ surface, samples: calibrationOf(surface, setting), sampleRate: rate }));
  return { setting, kit: learnKit(heard) };
}
