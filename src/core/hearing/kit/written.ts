import type { Height } from '../../groove/limbs';
import type { Decibels } from '../../time/units';
import { HOP } from '../dsp/bands';
import { bounded, type Expected, type SurfaceScore } from './scoreSurfaces';

/** How many facts there are, of what is heard alone and of what is written with it. */
const HEARD_FACTS = 18;
const ALL_FACTS = 23;

/** So near to its place a stroke is the written one, about. */
const NEAR_MS = 14;
/** How loud each height usually is against the loudest. */
const USUAL_DB: Record<Height, Decibels> = { accent: 0, tap: -8, ghost: -20 };

/** The facts of a look and, behind them, how it lies to what is written about it. */
export function withWritten(
  { facts, surface, sample, underDb }: SurfaceScore,
  written: readonly Expected[],
): Float64Array {
  const ms = sample / HOP;
  const near = (isOwn: boolean) =>
    written.reduce<Expected | undefined>(
      (best, one) =>
        (one.surface === surface) === isOwn && (!best || Math.abs(one.ms - ms) < Math.abs(best.ms - ms)) ? one : best,
      undefined,
    );
  const [own, other] = [near(true), near(false)];
  const closeness = (one?: Expected) => (one ? Math.exp(-(((one.ms - ms) / NEAR_MS) ** 2)) : 0);
  const all = new Float64Array(ALL_FACTS);
  all.set(facts);
  all.set(
    [
      closeness(own),
      closeness(other),
      own ? Math.exp(-Math.abs(own.ms - ms) / 60) : 0,
      own ? closeness(own) * bounded((underDb - USUAL_DB[own.height]) / 10, 2) : 0,
      own?.height === 'ghost' ? closeness(own) : 0,
    ],
    HEARD_FACTS,
  );
  return all;
}
