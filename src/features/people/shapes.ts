import { z } from 'zod';
import { SETUPS } from '@/core/groove/limbs';
import { limitsShape } from '@/core/documents/settings';
import { AGE_BANDS, LEVELS, MOST_GOALS, type SpeedLimits } from '@/core/limits';
import { REPORT_WORDS } from '@/core/documents/verdict';
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

/** "5, 8, 10": strokes a second of a hand or foot, comfortable, fast, and what hardly anybody is above. */
const strokes = z
  .string()
  .max(40)
  .transform((text) =>
    text
      .split(/[\s;]+|,\s+/)
      .filter(Boolean)
      .map((word) => Number(word.replace(',', '.'))),
  );

const changed = z.object({
  hands: strokes.optional(),
  feet: strokes.optional(),
  signInName: signInNameShape.optional(),
  person: z.uuid('This person is not there any more.'),
  name: nameShape.optional(),
  age: age.optional(),
  goals: goals.optional(),
  level: level.optional(),
  setup: z.enum(SETUPS, 'Choose a set-up from the list.').optional(),
  report: report.optional(),
  school: schoolShape.optional(),
});

/** What can be changed of a person; what is left out stays. */
export const changeShape = changed.transform(({ hands, feet, ...change }, context) => {
  if (!hands || !feet) return change;
  if (!hands.length && !feet.length) return { ...change, limits: null };
  const read = limitsShape.safeParse({ hand: hands, foot: feet });
  if (read.success) return { ...change, limits: read.data as unknown as SpeedLimits };
  const isHand = read.error.issues[0]!.path[0] === 'hand';
  context.addIssue({
    code: 'custom',
    path: [isHand ? 'hands' : 'feet'],
    message: 'Three rising numbers, like 4 6 8; or leave both empty.',
  });
  return z.NEVER;
});
