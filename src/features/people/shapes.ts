import { z } from 'zod';
import { SETUPS } from '@/core/groove/limbs';
import { AGE_BANDS, LEVELS, MOST_GOALS, MOST_MINUTES, MOST_REASON } from '@/core/limits';
import { REPORT_WORDS } from '@/core/take/verdictInWords';
import { CLICK_PLAN_NAMES, type ClickPlanName } from '@/core/time/clickPlan';
import { tempoShape, textShape } from '@/core/documents/shapes';
import { nameShape, passwordShape, schoolShape, signInNameShape } from '@/ui/fields';

const number = (say: string) =>
  z
    .string()
    .trim()
    .max(20, say)
    .transform((text, context) => {
      const value = text === '' ? NaN : Number(text.replace(',', '.'));
      if (Number.isFinite(value)) return value;
      context.addIssue({ code: 'custom', message: say });
      return z.NEVER;
    });

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

/** What the value of a drill begins with where grooves and drills stand in one list. */
export const DRILL = 'drill:';

export const assignmentShape = z.object({
  student: z.uuid('This student is not there any more.'),
  /** A groove, or a drill that is to be written out for it. */
  groove: z
    .string()
    .transform((value) => ({ drill: value.startsWith(DRILL), id: value.replace(DRILL, '') }))
    .refine(({ id }) => z.uuid().safeParse(id).success, 'Choose a groove or a drill.'),
  tempo: number('Write a tempo in beats a minute, like 72.').pipe(tempoShape),
  click: z.enum(CLICK_PLAN_NAMES as [ClickPlanName, ...ClickPlanName[]], 'Choose a click plan from the list.'),
  minutes: number('Write the minutes a day, like 15.').pipe(
    z
      .number()
      .int('Whole minutes, please.')
      .min(1, 'At least 1 minute.')
      .max(MOST_MINUTES, `At most ${MOST_MINUTES} minutes a day.`),
  ),
  reason: textShape(MOST_REASON),
});

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
