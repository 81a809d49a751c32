import { z } from 'zod';
import { tokensOf } from '../count/words';
import { SCHOOLS, schoolNamed, type School } from '../count/schools';
import { FEELS, type Feel } from '../groove/beat';
import { LIMITS, type Limits } from '../groove/checks';

/** What a style wants: a hint with its reason, never a lock. */
export interface StyleFeel {
  style: string;
  feel: Feel;
  reason: string;
}

export const STYLE_FEELS: StyleFeel[] = [
  { style: 'jazz swing', feel: 'swung', reason: 'The note before the beat leans on the last of the triplet.' },
  { style: 'shuffle', feel: 'swung', reason: 'Every pair is long–short; that is the style.' },
  { style: 'blues shuffle', feel: 'swung', reason: 'The walking line is in triplets.' },
  { style: 'rock', feel: 'straight', reason: 'Even 8ths under the backbeat.' },
  { style: 'funk', feel: 'straight', reason: 'The 16ths between feet and hands have to lie even.' },
  { style: 'pop', feel: 'straight', reason: 'Even 8ths or 16ths hold it up.' },
  { style: 'straight blues of the Gulf coast', feel: 'straight', reason: 'A blues that does not shuffle: even 8ths.' },
  { style: 'island styles', feel: 'straight', reason: 'The off-beats stand exactly in the middle.' },
  { style: '12/8 ballad', feel: 'compound', reason: 'All three notes of each pulse are played.' },
];

/** Parts of a count that a school may have words for. */
export const SPOKEN_DIVISIONS = [2, 3, 4, 5, 6, 7, 8] as const;

const word = z
  .string()
  .trim()
  .min(1, 'Give it a name.')
  .max(60, 'At most 60 characters.')
  .refine((value) => !value.includes('\0'), 'It holds characters that cannot be written.');

/**
 * A teacher's own school of counting. Each division has one syllable for each slot after the number; an
 * empty one is passed in silence. A word that means something else in "Say it" cannot be a syllable.
 */
export const ownSchoolShape = z
  .strictObject({
    name: word,
    syllables: z.partialRecord(
      z.enum(SPOKEN_DIVISIONS.map(String) as ['2', '3', '4', '5', '6', '7', '8']),
      z.array(z.string().max(12)),
    ),
  })
  .superRefine(({ name, syllables }, context) => {
    if (SCHOOLS.some((known) => known.name === name))
      context.addIssue({
        code: 'custom',
        path: ['name'],
        message: 'A school that ships with Mochila has this name. Add a word to it.',
      });
    for (const [division, said] of Object.entries(syllables)) {
      const path = ['syllables', division];
      if (said.length && said.length !== Number(division) - 1)
        context.addIssue({
          code: 'custom',
          path,
          message: `${Number(division) - 1} words wanted, one for each slot after the number; _ is passed in silence.`,
        });
      for (const each of said) {
        const [token, ...more] = tokensOf(each);
        if (each && (more.length || (token!.kind !== 'word' && token!.kind !== 'and') || !/^[\p{L}&'-]+$/u.test(each)))
          context.addIssue({
            code: 'custom',
            path,
            message: `“${each}” is a word of its own when a place is said. Take another syllable.`,
          });
      }
    }
  });

const three = z
  .tuple([z.number(), z.number(), z.number()])
  .refine(
    ([a, b, c]) => a > 0 && a < b && b < c && c <= 30,
    'Each must be above the one before, at most 30 strokes a second.',
  );

/** What a teacher sets for the whole workshop. Everything has a usual value. */
export const settingsShape = z.strictObject({
  version: z.literal(1),
  schools: z.array(ownSchoolShape).max(8).default([]),
  limits: z
    .strictObject({ hand: three, foot: three })
    .default(LIMITS as { hand: [number, number, number]; foot: [number, number, number] }),
  feels: z
    .array(
      z.strictObject({
        style: word,
        feel: z.enum(FEELS),
        reason: z.string().trim().max(200, 'At most 200 characters.'),
      }),
    )
    .max(40)
    .default(STYLE_FEELS),
});

export interface WorkshopSettings {
  version: 1;
  schools: School[];
  limits: Limits;
  feels: StyleFeel[];
}

export const USUAL_SETTINGS: WorkshopSettings = settingsShape.parse({ version: 1 }) as WorkshopSettings;

/** A workshop's settings from JSON; the usual ones where they cannot be read. */
export function readSettings(json: unknown): WorkshopSettings {
  const read = settingsShape.safeParse(json);
  return read.success ? (read.data as WorkshopSettings) : USUAL_SETTINGS;
}

/** A school by name, the workshop's own before those that ship. */
export const schoolIn = (settings: WorkshopSettings, name: string): School =>
  settings.schools.find((own) => own.name === name) ?? schoolNamed(name);

/** Every school one can choose here. */
export const schoolNamesIn = (settings: WorkshopSettings): string[] => [
  ...SCHOOLS.map(({ name }) => name),
  ...settings.schools.map(({ name }) => name),
];

/** Reads a row of the table of syllables: words parted by blanks, `_` for silence. */
export const syllablesFrom = (line: string): string[] =>
  line
    .trim()
    .split(/\s+/)
    .filter(Boolean)
    .map((each) => (each === '_' ? '' : each.toLowerCase()));

/** A row of the table of syllables as it is typed. */
export const syllablesAsTyped = (school: School, division: number): string =>
  (school.syllables[division] ?? []).map((each) => each || '_').join(' ');
