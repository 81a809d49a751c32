import { z } from 'zod';
import { LONGEST_LESSON, MOST_HOLIDAY_DAYS, MOST_IN_A_LESSON, MOST_LESSON_WORDS, SHORTEST_LESSON } from '@/core/limits';
import { textShape } from '@/core/documents/shapes';
import { nameShape } from '@/ui/fields';

const DAY_MS = 86_400_000;

/** A day there is, of this century. */
const day = (say: string) => z.iso.date(say).refine((text) => text.startsWith('20'), say);
const at = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Write the time like 16:00.');
const minutes = z
  .string()
  .max(20)
  .transform((text) => (text.trim() ? Number(text) : NaN))
  .pipe(
    z
      .number({ error: 'Write the minutes, like 45.' })
      .int('Whole minutes, please.')
      .min(SHORTEST_LESSON, `At least ${SHORTEST_LESSON} minutes.`)
      .max(LONGEST_LESSON, `At most ${LONGEST_LESSON} minutes.`),
  );

/** Who comes: a box for each, so the form names them one by one as "student:<id>". */
const STUDENT = 'student:';
export const studentField = (id: string): string => `${STUDENT}${id}`;

/** The students of a form, by its fields; those of one that can be read at all. */
export function studentsOf(form: unknown): string[] {
  if (!(form instanceof FormData)) return [];
  const named = [...form.keys()].filter((name) => name.startsWith(STUDENT)).map((name) => name.slice(STUDENT.length));
  return [...new Set(named)].filter((id) => z.uuid().safeParse(id).success);
}

/** What is wrong with who comes; nothing where it can be. */
export function wrongWithStudents(ids: readonly string[]): string | undefined {
  if (!ids.length) return 'Choose who comes.';
  return ids.length > MOST_IN_A_LESSON ? `At most ${MOST_IN_A_LESSON} together.` : undefined;
}

/** How often a time comes round, in weeks; once only where it does not. */
export const EVERY = [
  { value: '1', label: 'every week' },
  { value: '2', label: 'every second week' },
  { value: '4', label: 'every fourth week' },
  { value: 'once', label: 'once' },
] as const;

/** A lesson that comes round, or takes place once. */
export const timeShape = z
  .object({
    day: day('Write the first day, like 2026-11-24.'),
    at,
    minutes,
    every: z.enum(['1', '2', '4', 'once'], 'Choose from the list.'),
    until: z.union([z.literal(''), day('Write the last day, like 2027-07-02, or leave it empty.')]).default(''),
  })
  .refine(({ day: first, until }) => !until || until >= first, {
    path: ['until'],
    message: 'The last day comes before the first.',
  });

export const moveShape = z.object({
  lesson: z.uuid('This lesson is not there any more.'),
  day: day('Write the day, like 2026-11-24.'),
  at,
  minutes,
});

export const holidayShape = z
  .object({ name: nameShape, from: day('Write the first day.'), to: day('Write the last day.') })
  .refine(({ from, to }) => to >= from, { path: ['to'], message: 'The last day comes before the first.' })
  .refine(({ from, to }) => Date.parse(to) - Date.parse(from) <= MOST_HOLIDAY_DAYS * DAY_MS, {
    path: ['to'],
    message: `At most ${MOST_HOLIDAY_DAYS} days.`,
  });

/** What a student takes home of a lesson. */
export const wordsShape = z.object({
  lesson: z.uuid('This lesson is not there any more.'),
  words: textShape(MOST_LESSON_WORDS),
});

export const templateShape = z.object({ lesson: z.uuid('This lesson is not there any more.'), name: nameShape });
