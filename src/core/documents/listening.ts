import { z } from 'zod';
import { readVersioned, type DocumentKind } from './reader';
import type { Result } from '../result';

/** What can be trained by ear alone. */
export const SUBJECTS = [
  'straight or swung',
  'which rate',
  'where the kick is',
  'flam',
  'which limb is late',
  'double-time or half-time',
  'where the 1 is',
] as const;
export type Subject = (typeof SUBJECTS)[number];

/** Steps from the easiest to the hardest. */
export const RUNGS = 5;
/** More questions than these are not one sitting. */
export const MOST_QUESTIONS = 60;

const choice = z.string().min(1).max(40);
const listeningShape = z.strictObject({
  version: z.literal(1),
  subject: z.enum(SUBJECTS),
  answers: z
    .array(
      z.strictObject({
        rung: z
          .number()
          .int()
          .min(0)
          .max(RUNGS - 1),
        /** From which the question is made again. */
        seed: z
          .number()
          .int()
          .min(0)
          .max(2 ** 32 - 1),
        right: choice,
        said: choice,
      }),
    )
    .min(1, 'Answer at least one question.')
    .max(MOST_QUESTIONS),
});
/** Questions that were heard and answered, one after another. */
export type ListeningTake = z.output<typeof listeningShape>;
export type Answered = ListeningTake['answers'][number];

const LISTENING: DocumentKind<ListeningTake> = { name: 'listening drill', version: 1, shape: listeningShape };

/** Reads what was listened to and answered from JSON. */
export const readListening = (json: unknown): Result<ListeningTake> => readVersioned(json, LISTENING);
