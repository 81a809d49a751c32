import type { Surface } from '../groove/limbs';
import { madeKit } from './drumSounds';
import type { Setting } from './recording';
import { roomResponse } from './room';

/**
 * A kit with these surfaces in a soft room with a little noise, as a microphone in front of it hears it; the same for
 * a seed.
 */
export const madeSetting = (seed: number, surfaces: Surface[], rate: number): Setting => ({
  kit: madeKit(seed, 'rings', rate, surfaces),
  room: roomResponse(seed, 'soft', rate),
  noise: 'pink',
  noiseDb: 34,
  rate,
  seed,
});
