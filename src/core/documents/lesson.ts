import { z } from 'zod';
import { LONGEST_LESSON, MOST_STEP_NOTES, MOST_STEPS, MOST_TITLE } from '../limits';
import type { Result } from '../result';
import { SUBJECTS } from './listening';
import { readVersioned } from './reader';
import { tempoShape, textShape } from './shapes';

/** What a step of a lesson is for, in the order lessons usually go. */
export const STEP_KINDS = ['warm-up', 'recall', 'new', 'to music', 'homework'] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** What a step opens: a groove or drill by its row, or a subject that is listened to. */
const opensShape = z.discriminatedUnion('what', [
  z.strictObject({
    what: z.enum(['groove', 'drill']),
    id: z.uuid(),
    title: textShape(MOST_TITLE),
    bpm: tempoShape.optional(),
  }),
  z.strictObject({ what: z.literal('by ear'), subject: z.enum(SUBJECTS) }),
]);
export type StepOpens = z.infer<typeof opensShape>;

const stepShape = z.strictObject({
  kind: z.enum(STEP_KINDS, 'Choose what the step is for from the list.'),
  title: textShape(MOST_TITLE),
  minutes: z
    .number({ error: 'Write the minutes, like 10.' })
    .int('Whole minutes, please.')
    .min(1, 'At least 1 minute.')
    .max(LONGEST_LESSON, `At most ${LONGEST_LESSON} minutes.`),
  opens: opensShape.optional(),
  notes: textShape(MOST_STEP_NOTES),
  /** How long it was on, in milliseconds; without the time since it was turned to. */
  spentMs: z
    .number()
    .int()
    .min(0)
    .max(24 * 3_600_000),
});
export type LessonStep = z.infer<typeof stepShape>;

const planShape = z
  .strictObject({
    version: z.literal(1),
    steps: z.array(stepShape).max(MOST_STEPS, `At most ${MOST_STEPS} steps.`),
    /** Which step is on, by index, and since when in milliseconds of the epoch; nothing before and after the lesson. */
    on: z
      .strictObject({
        step: z
          .number()
          .int()
          .min(0)
          .max(MOST_STEPS - 1),
        sinceMs: z.number().int().min(0),
      })
      .optional(),
  })
  .refine(({ steps, on }) => !on || on.step < steps.length, {
    path: ['on'],
    message: 'This step is not there any more.',
  });
/** The steps of a lesson, with the teacher's notes and how long each took. */
export type LessonPlan = z.infer<typeof planShape>;

export const readLessonPlan = (json: unknown): Result<LessonPlan> =>
  readVersioned(json, { name: 'plan of a lesson', version: 1, shape: planShape });
