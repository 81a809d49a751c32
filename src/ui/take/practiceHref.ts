import type { Practice } from '@/core/documents/verdict';

/** The room opened on what a verdict says to practise. */
export function practiceHref(grooveId: string, { bpm, click, limbs }: Practice): string {
  return `/room/${grooveId}?${new URLSearchParams({ bpm: String(bpm), click, limbs: limbs.join(',') })}`;
}
