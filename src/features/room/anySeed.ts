import { MOST_SEED } from '@/core/limits';

/** A seed for what nobody has heard or read before. */
export const anySeed = (): number => Math.floor(Math.random() * MOST_SEED);
