import type { Place } from './edit';
import type { Groove } from './groove';
import type { Height, Limb } from './limbs';

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

/** The motion of each of a hand's strokes over the groove, which repeats, in playing order. */
export function motionLine(groove: Groove, limb: Limb): { place: Place; motion: Motion }[] {
  const strokes = groove.bars.flatMap((bar, index) =>
    bar.strokes.filter((stroke) => stroke.limb === limb).map((stroke) => ({ bar: index, stroke })),
  );
  const all = motions(strokes.map(({ stroke }) => stroke.height));
  return strokes.map(({ bar, stroke }, index) => ({ place: { bar, limb, at: stroke.at }, motion: all[index]! }));
}
