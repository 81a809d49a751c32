/**
 * What is said between the numbers. `syllables[division]` lists the slots after the number;
 * an empty one is passed in silence.
 */
export interface School {
  name: string;
  syllables: Record<number, readonly string[]>;
}

const words = (text: string) => text.split(' ').map((word) => (word === '_' ? '' : word));

/** One line a division, the number left out: "e & a" are the three 16ths after the count. */
function school(name: string, lines: Record<number, string>): School {
  return {
    name,
    syllables: Object.fromEntries(Object.entries(lines).map(([division, line]) => [division, words(line)])),
  };
}

/**
 * The schools that ship with Mochila. The first three are given to the syllable by the subject;
 * takadimi and konnakol follow general pedagogy, with the number on each count as everywhere.
 * Where a school has no words for a division, its slots are passed in silence.
 */
export const SCHOOLS = [
  school('e-and-a / trip-let', {
    2: '&',
    3: 'trip let',
    4: 'e & a',
    6: 'trip let & trip let',
    8: '_ e _ & _ a _',
  }),
  school('e-and-a / and-a', {
    2: '&',
    3: '& a',
    4: 'e & a',
    // "ta" fills the 16ths of a compound count, so that & and a keep their places from division 3.
    6: 'ta & ta a ta',
    8: '_ e _ & _ a _',
  }),
  school('te / la-li', {
    2: 'te',
    3: 'la li',
    4: 'ti te ta',
    6: 'ta la ta li ta',
    8: '_ ti _ te _ ta _',
  }),
  school('takadimi', {
    2: 'di',
    3: 'ki da',
    4: 'ka di mi',
    5: 'ka di mi ti',
    6: 'va ki di da ma',
    7: 'va ki di da ma ti',
    8: '_ ka _ di _ mi _',
  }),
  school('konnakol', {
    2: 'ka',
    3: 'ki ta',
    4: 'ka di mi',
    5: 'di gi na thom',
    6: 'ki ta tha ki ta',
    7: 'ki ta tha ka di mi',
    8: 'ka di mi tha ka jo nu',
  }),
] as const satisfies readonly School[];

export type SchoolName = (typeof SCHOOLS)[number]['name'];

export const SCHOOL_NAMES = SCHOOLS.map((known) => known.name);

/** A school by name; the first one when the name is not known (a school that was since removed). */
export function schoolNamed(name: string): School {
  return SCHOOLS.find((known) => known.name === name) ?? SCHOOLS[0];
}

/** What is said `part` slots after a count of this division ('' = silence). Part 0 is the number itself. */
export function syllable(school: School, division: number, part: number): string {
  return school.syllables[division]?.[part - 1] ?? '';
}
