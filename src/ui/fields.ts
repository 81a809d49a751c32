import { z } from 'zod';
import { textShape } from '@/core/documents/shapes';
import { asTypedName } from '@/core/format/signInName';
import { MOST_NAME, MOST_SCHOOL_NAME, MOST_TAG_CHARACTERS, MOST_TAGS } from '@/core/limits';

// What several forms ask for, with the words that are shown at the field.

export const nameShape = textShape(MOST_NAME).min(1, 'Give a name.');

export const signInNameShape = z
  .string()
  .overwrite(asTypedName)
  .min(2, 'At least 2 characters.')
  .max(60, 'At most 60 characters.')
  .regex(/^[\p{L}\p{N}._-]+$/u, 'Letters, digits, dots and dashes only, no blanks.');

export const passwordShape = z.string().min(8, 'At least 8 characters.').max(200, 'At most 200 characters.');

/** The name of a school; a name nobody knows counts as the first one that ships. */
export const schoolShape = textShape(MOST_SCHOOL_NAME).min(1, 'Choose a school of counting from the list.');

/** Tags as they are typed, parted by commas. */
export const tagsShape = z
  .string()
  .max(MOST_TAG_CHARACTERS, `At most ${MOST_TAG_CHARACTERS} characters.`)
  .transform((line) =>
    [...new Set(line.split(',').map((tag) => tag.trim().toLowerCase().replace(/\s+/g, ' ')))].filter(Boolean),
  )
  .pipe(z.array(textShape(40).min(1, 'A tag has at least one letter.')))
  .refine((all) => all.length <= MOST_TAGS, `At most ${MOST_TAGS} tags.`);
