import { z } from 'zod';
import { mayBeSyllable, tokensOf } from '../phrase/tokens';
import { SCHOOLS, schoolNamed, type School } from '../counting/schools';
import { FEELS, type Feel } from '../groove/beat';
import type { Problem } from '../result';
import { readVersioned } from './reader';
import { textShape } from './shapes';
import { LEVEL_FACTORS, LEVELS, MOST_TOLERANT, SPEED_LIMITS, STRICTEST, type Level, type SpeedLimits } from '../limits';

/** What a style wants: a hint with its reason, never a lock. */
export interface StyleFeel {
  style: string;
  feel: Feel;
  reason: string;
}

const STYLE_FEELS: StyleFeel[] = [
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

const word = textShape(60).min(1, 'Give it a name.');

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
        if (each && (more.length || !mayBeSyllable(token!) || !/^[\p{L}&'-]+$/u.test(each)))
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

/** The time zones there are, by the names of the common table of zones: "Europe/Zurich". */
const isTimeZone = (name: string): boolean => {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: name }));
  } catch {
    return false;
  }
};

export const timeZoneShape = z
  .string()
  .max(60)
  .refine(isTimeZone, 'There is no such time zone. Choose one from the list, like Europe/Zurich.');

/** Languages that days and months can be named in. */
export const DATE_LANGUAGES = ['en', 'da', 'de', 'es', 'fi', 'fr', 'it', 'nb', 'nl', 'pl', 'pt', 'sv'] as const;
export type DateLanguage = (typeof DATE_LANGUAGES)[number];

/** Days a week can begin on. */
export const WEEK_STARTS = ['Monday', 'Sunday', 'Saturday'] as const;
export type WeekStart = (typeof WEEK_STARTS)[number];

/** By which clock days and times are said, and in which language they are named. */
export interface Clock {
  timeZone: string;
  dates: DateLanguage;
}

const wrongFactor = `Write how many times, from ${STRICTEST} to ${MOST_TOLERANT}.`;
const factor = z.number({ error: wrongFactor }).min(STRICTEST, wrongFactor).max(MOST_TOLERANT, wrongFactor);

const sections = {
  schools: z.array(ownSchoolShape).max(8),
  limits: z.strictObject({ hand: three, foot: three }),
  /** How many times what can be heard is tolerated, by level. */
  tolerances: z.strictObject(
    Object.fromEntries(LEVELS.map((level) => [level, factor])) as Record<Level, typeof factor>,
  ),
  feels: z
    .array(
      z.strictObject({
        style: word,
        feel: z.enum(FEELS),
        reason: textShape(200),
      }),
    )
    .max(40),
  /** Where the workshop is: days and times are said by its clock. */
  timeZone: timeZoneShape,
  /** The language that days and months are named in. */
  dates: z.enum(DATE_LANGUAGES, 'Choose a language from the list.'),
  weekStart: z.enum(WEEK_STARTS, 'Choose a day from the list.'),
  /** How many days old a backup may be before the teacher is told; 0: never. */
  backupDays: z
    .number({ error: 'Write a number of days, 0 to 365.' })
    .int('Whole days, please.')
    .min(0, 'From 0.')
    .max(365, 'At most 365 days.'),
};

/** Strokes a second of a person's own, where they are kept and can be read. */
export const limitsShape = sections.limits;

export interface WorkshopSettings {
  version: 1;
  schools: School[];
  limits: SpeedLimits;
  tolerances: Record<Level, number>;
  feels: StyleFeel[];
  timeZone: string;
  dates: DateLanguage;
  weekStart: WeekStart;
  backupDays: number;
}

/** What of the settings says when something is. */
export const clockOf = ({ timeZone, dates }: Clock): Clock => ({ timeZone, dates });

export const USUAL_SETTINGS: WorkshopSettings = {
  version: 1,
  schools: [],
  limits: SPEED_LIMITS,
  tolerances: LEVEL_FACTORS,
  feels: STYLE_FEELS,
  timeZone: 'Etc/UTC',
  dates: 'en',
  weekStart: 'Monday',
  backupDays: 7,
};

/** What a teacher sets for the whole workshop, as it is kept: everything may be left out, and then is as usual. */
export const settingsShape = z.strictObject({
  version: z.literal(1),
  schools: sections.schools.optional(),
  limits: sections.limits.optional(),
  tolerances: sections.tolerances.optional(),
  feels: sections.feels.optional(),
  timeZone: sections.timeZone.optional(),
  dates: sections.dates.optional(),
  weekStart: sections.weekStart.optional(),
  backupDays: sections.backupDays.optional(),
});

/** Settings as far as they could be read, and what could not. */
export interface SettingsRead {
  settings: WorkshopSettings;
  problems: Problem[];
}

/**
 * A workshop's settings from JSON. Each part is read by itself, so that what is wrong with one, or was written by a
 * newer program, takes none of the others away; whoever shows the settings shows the problems too.
 */
export function readSettings(json: unknown): SettingsRead {
  const kept = readVersioned(json, { name: 'workshop’s settings', version: 1, shape: settingsShape });
  if (kept.ok) return { settings: { ...USUAL_SETTINGS, ...(kept.value as Partial<WorkshopSettings>) }, problems: [] };
  const known = Object.entries(sections).flatMap(([name, shape]) => {
    const read = shape.safeParse((json as Record<string, unknown> | null)?.[name]);
    return read.success ? [[name, read.data]] : [];
  });
  return { settings: { ...USUAL_SETTINGS, ...Object.fromEntries(known) }, problems: kept.problems };
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
