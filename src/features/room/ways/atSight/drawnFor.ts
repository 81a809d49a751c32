import type { WrittenChart } from '@/core/documents/writtenChart';
import type { Groove } from '@/core/groove/groove';
import { turnFor } from '@/core/groove/kit';
import { drawnAtSight, type NamedSight } from '@/core/practice/atSight';
import type { Sight } from '../../RoomContext';

/** What a seed comes to, turned round for the kit of whoever reads. */
export function drawnFor(
  { plan, setup }: Sight,
  named: NamedSight,
  seed: number,
): { groove: Groove; chart: WrittenChart | undefined } {
  const drawn = drawnAtSight(plan, named, seed);
  const groove = turnFor(drawn.groove, setup);
  return { groove, chart: drawn.chart && { ...drawn.chart, groove } };
}
