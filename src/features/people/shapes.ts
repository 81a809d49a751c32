import { z } from 'zod';
import { SETUPS } from '@/core/groove/limbs';
import { AGE_BANDS, LEVELS, MOST_GOALS } from '@/core/limits';
import { REPORT_WORDS } from '@/core/take/verdictInWords';
import { textShape } from '@/core/documents/shapes';
import { nameShape, passwordShape, schoolShape, signInNameShape } from '@/ui/fields';

const level = z.enum(LEVELS, 'Choose a level from the list.');

const report = z.enum(REPORT_WORDS, 'Choose from the list.');

/** An age band, or none. */
const age = z
  .string()
  .transform((text) => text || null)
  .pipe(z.enum(AGE_BANDS, 'Choose from the list.').nullable());

const goals = textShape(MOST_GOALS);

/** What may be left empty. Not a union, whose own words would hide what is wrong with it. */
const optional = (shape: z.ZodType<string>) =>
  z
    .string()
    .transform((text, context) => {
      if (!text.trim()) return undefined;
      const read = shape.safeParse(text);
      if (read.success) return read.data;
      for (const { message } of read.error.issues) context.addIssue({ code: 'custom', message });
      return z.NEVER;
    })
    .optional();

export const studentShape = z
  .object({
    name: nameShape,
    age: age.default(null),
    goals: goals.default(''),
    level,
    setup: z.enum(SETUPS, 'Choose a set-up from the list.'),
    report: report.default('figures'),
    school: schoolShape,
    // Both left empty, the student chooses them when they come in by a link.
    signInName: optional(signInNameShape),
    password: optional(passwordShape),
  })
  .refine(({ signInName, password }) => !signInName || password, {
    path: ['password'],
    message: 'Give a password too, or leave both empty and invite by a link.',
  })
  .refine(({ signInName, password }) => !password || signInName, {
    path: ['signInName'],
    message: 'Give a sign-in name too, or leave both empty and invite by a link.',
  });

const TEACHER = 'teacher:';

/** The teachers a form has ticked, by its fields; those of one that can be read at all. */
export function teachersOf(form: unknown): string[] {
  if (!(form instanceof FormData)) return [];
  const ticked = [...form.keys()].filter((name) => name.startsWith(TEACHER)).map((name) => name.slice(TEACHER.length));
  return ticked.filter((id) => z.uuid().safeParse(id).success);
}

/** What can be changed of a person; what is left out stays. */
export const changeShape = z.object({
  person: z.uuid('This person is not there any more.'),
  name: nameShape.optional(),
  age: age.optional(),
  goals: goals.optional(),
  level: level.optional(),
  setup: z.enum(SETUPS, 'Choose a set-up from the list.').optional(),
  report: report.optional(),
  school: schoolShape.optional(),
});
