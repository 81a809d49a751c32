import type { Figures } from '@/core/judging/types/figures';
import { lateOrEarly } from '../words/figures';

/** What is wrong with an exercise in a few words; empty when nothing is. */
export function faultsOf({ matched, missed, extra, meanErrorMs, sdErrorMs }: Figures, toleranceMs: number): string {
  return [
    missed && `${missed} of ${matched + missed} missed`,
    extra && `${extra} extra`,
    Math.abs(meanErrorMs ?? 0) > toleranceMs && lateOrEarly(meanErrorMs),
    (sdErrorMs ?? 0) > toleranceMs && 'uneven',
  ]
    .filter(Boolean)
    .join(', ');
}
