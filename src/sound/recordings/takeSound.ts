import type { Ms } from '../../core/time/units';

/** The sound of a take, one channel. */
export interface TakeSound {
  samples: Float32Array<ArrayBufferLike>;
  sampleRate: number;
  /** Where in it a stroke on the first count lies. */
  zeroMs: Ms;
}

/** How long a sound lasts. */
export const lengthOf = ({ samples, sampleRate }: Pick<TakeSound, 'samples' | 'sampleRate'>): Ms =>
  (1000 * samples.length) / sampleRate;
