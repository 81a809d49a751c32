import type { Feel } from '@/core/groove/beat';
import { LEVELS, type Level } from '@/core/limits';
import type { GrooveRow } from '@/server/grooves';
import { feelOfFacts, grooveInWords } from '@/ui/words/grooves';

export const SORTS = ['easiest first', 'title', 'slowest first', 'changed last'] as const;
export type Sort = (typeof SORTS)[number];

/** What the library is asked for; an empty word or undefined asks for nothing. */
export interface Wanted {
  words: string;
  meter?: string;
  feel?: Feel;
  level?: Level;
  tag?: string;
  favourites: boolean;
  archived: boolean;
  sort: Sort;
}

export const EVERYTHING: Wanted = { words: '', favourites: false, archived: false, sort: 'easiest first' };

/** Every word is found somewhere in the title, meter, feel, level or tags, and every filter holds. */
export function found(grooves: readonly GrooveRow[], wanted: Wanted): GrooveRow[] {
  const words = wanted.words.toLowerCase().split(/\s+/);
  return grooves
    .filter((one) => {
      const all =
        `${one.title} ${grooveInWords(one)} ${feelOfFacts(one)} ${one.level} ${one.tags.join(' ')}`.toLowerCase();
      return (
        one.archived === wanted.archived &&
        (!wanted.favourites || one.favourite) &&
        (!wanted.meter || one.meter === wanted.meter) &&
        (!wanted.feel || feelOfFacts(one) === wanted.feel) &&
        (!wanted.level || one.level === wanted.level) &&
        (!wanted.tag || one.tags.includes(wanted.tag)) &&
        words.every((word) => all.includes(word))
      );
    })
    .sort(ORDER[wanted.sort]);
}

const byTitle = (a: GrooveRow, b: GrooveRow) => a.title.localeCompare(b.title, 'en');
const ORDER: Record<Sort, (a: GrooveRow, b: GrooveRow) => number> = {
  'easiest first': (a, b) => LEVELS.indexOf(a.level) - LEVELS.indexOf(b.level) || byTitle(a, b),
  title: byTitle,
  'slowest first': (a, b) => a.tempo - b.tempo || byTitle(a, b),
  'changed last': (a, b) => b.saved_at.getTime() - a.saved_at.getTime() || byTitle(a, b),
};

/** What there is to choose from, in the order it is shown. */
export function choicesIn(grooves: readonly GrooveRow[]) {
  const all = (of: (one: GrooveRow) => readonly string[]) =>
    [...new Set(grooves.flatMap((one) => of(one)))].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
  return { meters: all(({ meter }) => [meter]), tags: all(({ tags }) => tags) };
}
