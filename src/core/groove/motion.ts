import type { Height } from './limbs';

/** What the hand does after a stroke: from its own height to that of its next one. */
export type Motion = 'full' | 'down' | 'tap' | 'up';

/**
 * The motion of each stroke of one hand over a line that repeats: high to high is full, high to low
 * down, low to low tap, low to high up. Ghost and tap are both low.
 */
export function motions(heights: readonly Height[]): Motion[] {
  return heights.map((height, index) => {
    const next = heights[(index + 1) % heights.length];
    if (height === 'accent') return next === 'accent' ? 'full' : 'down';
    return next === 'accent' ? 'up' : 'tap';
  });
}
