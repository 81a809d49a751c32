import { z } from 'zod';

// What several forms ask for, with the words that are shown at the field.

export const nameShape = z.string().trim().min(1, 'Give a name.').max(120, 'At most 120 characters.');

export const signInNameShape = z
  .string()
  .trim()
  .toLowerCase()
  .min(2, 'At least 2 characters.')
  .max(60, 'At most 60 characters.')
  .regex(/^[\p{L}\p{N}._-]+$/u, 'Letters, digits, dots and dashes only, no blanks.');

export const passwordShape = z.string().min(8, 'At least 8 characters.').max(200, 'At most 200 characters.');

/** The name of a school; a name nobody knows counts as the first one that ships. */
export const schoolShape = z
  .string()
  .min(1, 'Choose a school of counting from the list.')
  .max(60, 'Choose a school of counting from the list.');

/** Tags as they are typed, parted by commas. */
export const tagsShape = z
  .string()
  .max(400, 'At most 400 characters.')
  .transform((line) =>
    [...new Set(line.split(',').map((tag) => tag.trim().toLowerCase().replace(/\s+/g, ' ')))].filter(Boolean),
  )
  .refine((all) => all.length <= 12, 'At most 12 tags.')
  .refine((all) => all.every((tag) => tag.length <= 40), 'A tag has at most 40 characters.');
