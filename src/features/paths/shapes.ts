import { z } from 'zod';
import { textShape, tempoShape } from '@/core/documents/shapes';
import { MOST_NAME, MOST_PATH_STEPS } from '@/core/limits';

const student = z.uuid('This student is not there any more.');

/** Before the id of a drill. */
export const DRILL = 'drill:';

/** A path as it is sent from its form. */
export const pathShape = z.strictObject({
  id: z.uuid(),
  /** The save it started from; 0 where it is new. */
  saveNumber: z.number().int().min(0),
  name: textShape(MOST_NAME).min(1, 'Give the path a name.'),
  steps: z
    .array(
      z.strictObject({
        /** A groove, or a drill that is written out for it: "drill:<id>". */
        grooveId: z.string().regex(/^(drill:)?[0-9a-f-]{36}$/, 'Choose a groove or a drill.'),
        goal: tempoShape,
        passTakes: z
          .number({ error: 'Write 1 to 10.' })
          .int('Whole takes, please.')
          .min(1, 'At least 1.')
          .max(10, 'At most 10.'),
      }),
    )
    .min(1, 'A path has at least one step.')
    .max(MOST_PATH_STEPS, `At most ${MOST_PATH_STEPS} steps: make a second path of the rest.`),
});

export const walksShape = z.object({ student, path: z.uuid('Choose a path.'), walks: z.enum(['yes', 'no']) });
export const archiveShape = z.object({ path: z.uuid(), archived: z.enum(['yes', 'no']) });
