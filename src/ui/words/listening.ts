import { RUNGS } from '@/core/documents/listening';
import type { ListeningFigures } from '@/core/practice/listening';

/** "8 of 10 right, now on step 3 of 5." */
export const figuresInWords = ({ asked, right, rung }: ListeningFigures): string =>
  `${right} of ${asked} right, now on step ${rung + 1} of ${RUNGS}.`;

/** What is taken for what, the two most frequent. */
export function confusedInWords({ confused }: ListeningFigures, words: (choice: string) => string): string {
  if (!confused.length) return 'Nothing was taken for anything else.';
  return confused
    .slice(0, 2)
    .map(
      ({ right, said, times }) =>
        `“${words(right)}” was taken for “${words(said)}” ${times === 1 ? 'once' : `${times} times`}.`,
    )
    .join(' ');
}
