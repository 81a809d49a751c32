import { z } from 'zod';
import { LONGEST_PRACTICE, MOST_REFUSED_WEEKS, SHORTEST_PRACTICE } from '@/core/limits';

const minutes = z
  .string({ error: 'Write the minutes there are, like 20.' })
  .trim()
  .regex(/^\d{1,4}$/, 'Write whole minutes, like 20.')
  .transform(Number)
  .refine((value) => value >= SHORTEST_PRACTICE, `At least ${SHORTEST_PRACTICE} minutes.`)
  .refine(
    (value) => value <= LONGEST_PRACTICE,
    `At most ${LONGEST_PRACTICE} minutes: longer ones want a rest and a plan of their own.`,
  );

export const planShape = z.object({ minutes });

const key = z.string().min(1).max(120);
/** The pieces in another order, by their keys, or one of them left out. */
export const planChangeShape = z.union([
  z.strictObject({ order: z.array(key).max(100) }),
  z.strictObject({ leave: key }),
]);
export type PlanChange = z.infer<typeof planChangeShape>;

const student = z.uuid('This student is not there any more.');
export const doneShape = z.object({ student, key });
export const refusedShape = z.object({
  student,
  key,
  weeks: z.coerce.number().int().min(1).max(MOST_REFUSED_WEEKS),
});
