import { MOST_UNROLLED_BARS } from '../../limits';
import type { Problem } from '../../result';

/** Why a form cannot be played, and what would work. */
const WORDS = {
  times: ['Times must be a whole number of 1 or more.', 'Write how often it is played in all.'],
  'ending-without-repeat': [
    'There is an ending without a repeat.',
    'Play the section more than once, or write the bars into it.',
  ],
  'time-without-ending': ['There is a time through without an ending.', 'Write an ending for every time it is played.'],
  'two-endings': ['Two endings are for the same time.', 'Write one ending for each time.'],
  'two-signs': ['There are two signs of this kind.', 'Write it once.'],
  'jump-without-sign': ['There is a jump without its sign.', 'Write the sign where it leads to.'],
  'al-fine-without-fine': ['It plays al Fine, and there is no Fine.', 'Write Fine where it ends.'],
  'coda-never-reached': [
    'The coda is never reached.',
    'Mark the way to it in a bar that is played after a jump al Coda.',
  ],
  'nothing-before': ['There is nothing before it to repeat.', 'Write the bars out.'],
  'for-ever': ['This goes round for ever.', 'Make the jump once, or write where it ends.'],
  'no-such-count': ['There is no such count in this bar.', 'Name a count like 2, & of 4 or let of 3.'],
  'no-such-bar': ['There is no such bar.', 'Write the bar into the section first.'],
  speed: [
    'It would go slower or quicker here than anybody plays.',
    'Write the tempo itself, or another change of notes.',
  ],
  'no-meter': ['This is no meter.', 'Write one like 4/4 or 6/8.'],
  'bars-do-not-add-up': ['These bars reach beyond the end of the section.', 'Write fewer of them, or more bars.'],
  'too-deep': ['Sections lie too deep within one another.', 'Write the inner ones beside each other.'],
  'too-long': [`More than ${MOST_UNROLLED_BARS.toLocaleString('en')} bars would be played.`, 'Play it fewer times.'],
} as const satisfies Record<string, readonly [say: string, remedy: string]>;

export type ChartProblemCode = keyof typeof WORDS;

/** Where something is written: a section, and a bar of it where one is to blame. */
export interface ChartPlace {
  section: string;
  number?: number;
  bar?: number;
}

/** A problem of a form at its place, "B, bar 8". */
export function chartProblem(code: ChartProblemCode, { section, bar, number }: ChartPlace): Problem {
  const [say, remedy] = WORDS[code];
  const at = bar ?? number;
  return {
    code,
    ...(at !== undefined && { numbers: { bar: at } }),
    path: ['sections', section, ...(at === undefined ? [] : [at])],
    where: at === undefined ? section : `${section}, bar ${at}`,
    say,
    remedy,
  };
}
