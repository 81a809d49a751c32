import { z } from 'zod';
import { textShape } from '@/core/documents/shapes';
import { MOST_PLAYED_BARS } from '@/core/limits';

export const MOST_NOTE = 500;
const MOST_WHY = 300;

/** Words on a take, on all of it or on one bar of its run. */
export const noteShape = z.object({
  take: z.uuid('This take is not there any more.'),
  bar: z
    .string()
    .regex(/^\d{0,5}$/, 'Choose a bar from the list.')
    .transform((text) => (text === '' ? undefined : Number(text)))
    .refine((bar) => bar === undefined || bar <= MOST_PLAYED_BARS, 'Choose a bar from the list.'),
  words: textShape(MOST_NOTE).refine((text) => text.trim() !== '', 'Write a word or two.'),
});

export const asideShape = z.object({
  take: z.uuid('This take is not there any more.'),
  why: textShape(MOST_WHY).refine((text) => text.trim() !== '', 'Say why, so that it can be understood later.'),
});

/** A take that was set aside is taken in again: no reason is asked. */
export const takeInShape = asideShape.pick({ take: true }).transform(({ take }) => ({ take, why: undefined }));
