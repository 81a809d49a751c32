import type { Hit } from '@/core/documents/take';
import { factorOf, smallestAudibleMs, type Tolerance } from '@/core/judging/types/figures';
import { errorInWords, kindOf, WIDENED, type Bead } from '@/ui/strip/beads';
import type { Performance } from './performance';

/** So many beads are shown at once while playing. */
const MOST_SHOWN = 200;

/** The beads with one more: where a hit fell beside the stroke it is nearest to. */
export function withBead(
  before: readonly Bead[],
  hit: Hit,
  near: NonNullable<ReturnType<Performance['nearest']>>,
  tolerance: Tolerance,
): Bead[] {
  const number = before.length ? Number(before.at(-1)!.key) + 1 : 0;
  return [...before.slice(1 - MOST_SHOWN), beadOf(hit, near, tolerance, number)];
}

function beadOf(
  hit: Hit,
  { stroke, startMs, endMs }: NonNullable<ReturnType<Performance['nearest']>>,
  tolerance: Tolerance,
  number: number,
): Bead {
  const errorMs = hit.ms - stroke.ms;
  const due = (100 * (stroke.ms - startMs)) / (endMs - startMs);
  const offset = Math.max(-12, Math.min(12, (100 * WIDENED * errorMs) / (endMs - startMs)));
  return {
    key: String(number),
    limb: hit.limb ?? stroke.limb,
    bar: stroke.bar,
    round: stroke.round,
    percent: due + offset,
    ms: hit.ms,
    // What can be heard depends on the gap; while playing the least of it does for the colour.
    kind: kindOf(errorMs, factorOf(tolerance) * smallestAudibleMs(0)),
    title: errorInWords(errorMs),
  };
}
