import type { Height } from '../../groove/limbs';
import type { Decibels } from '../../time/units';
import { shiftOf } from '../detect/align';
import { FilterBank } from '../dsp/bands';
import { candidatesIn, listened } from '../detect/candidates';
import { standsOut } from '../detect/fit';
import { asHeard, inOrder } from './hearing';
import type { Kit, LearntSurface } from '../kit/kit';
import type { Expected } from '../kit/scoreSurfaces';
import { inHops } from '../dsp/resample';
import { slicesFrom } from '../dsp/slices';
import { stretches } from '../dsp/chunks';

/** A stroke stands so far above what was recorded in its third-best band, or it could not have been told there. */
const STANDS_DB = 4;
/** How far under the loudest stroke of its surface each height usually is. */
const UNDER_DB: Record<Height, Decibels> = { accent: 0, tap: 8, ghost: 20 };
/** A player may strike so far from the written place: the quietest there decides. */
const ABOUT_HOPS = [-12, 0, 12];

/**
 * For each written stroke, whether it would have stood out in this recording, had it been played as strokes of its
 * height usually are. What could not have is not to be called left out. A surface that was not learnt could not.
 */
export function isAudible(
  samples: Float32Array,
  sampleRate: number,
  kit: Kit,
  expected: readonly Expected[],
): boolean[] {
  const heard = expected.map(() => false);
  let shift: number | undefined;
  for (const { stretch, startMs, fromMs, toMs } of stretches(samples, sampleRate)) {
    const powers = new FilterBank().feed(inHops(stretch));
    const { novelty } = listened(powers);
    const near = inOrder(expected)
      .filter(({ ms }) => ms > startMs - 400 && ms < startMs + powers.hops + 400)
      .map((one) => ({ ...one, ms: one.ms - startMs }));
    shift = shiftOf(candidatesIn(stretch, novelty).map(asHeard), near, shift);
    for (const [index, { ms, surface, height }] of expected.entries()) {
      const learnt = kit.surfaces.find((one) => one.surface === surface);
      if (!learnt || ms < fromMs || ms >= toMs) continue;
      const hop = Math.round(ms - startMs + (shift ?? 0));
      heard[index] = ABOUT_HOPS.some((by) => standsAt(learnt, height, slicesFrom(powers, hop + by)));
    }
  }
  return heard;
}

function standsAt({ templates, loudestDb }: LearntSurface, height: Height, recorded: ArrayLike<number>): boolean {
  // Soft strokes sound like the softer half it was learnt from.
  const template = height === 'accent' ? templates.at(-1)! : templates[0]!;
  const gain = 10 ** ((loudestDb - UNDER_DB[height]) / 10);
  return standsOut(template.ring, gain, recorded) >= STANDS_DB;
}
