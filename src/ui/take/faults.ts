import type { PartFigures } from '@/core/take/judge';
import { lateOrEarly } from '../words';

/** What is wrong with an exercise in a few words; empty when nothing is. */
export function faultsOf({ matched, missed, extra, meanErrorMs, sdErrorMs }: PartFigures, toleranceMs: number): string {
  return [
    missed && `${missed} of ${matched + missed} missed`,
    extra && `${extra} extra`,
    Math.abs(meanErrorMs ?? 0) > toleranceMs && lateOrEarly(meanErrorMs),
    (sdErrorMs ?? 0) > toleranceMs && 'uneven',
  ]
    .filter(Boolean)
    .join(', ');
}
