import { z } from 'zod';
import { PAPERS } from './options';

export const BLANK_PARTS = [1, 2, 3, 4, 5, 6, 7, 8] as const;
export const BLANK_LINES = [2, 4, 6, 8, 10, 12, 16] as const;

const oneOf = <T extends number>(all: readonly T[], usual: T) =>
  z.coerce
    .number()
    .refine((value): value is T => all.includes(value as T))
    .catch(usual);

/** What an address asks of a blank sheet. */
const blankShape = z.object({
  paper: z.enum(PAPERS).catch('A4'),
  meter: z.string().max(40).catch('4/4'),
  parts: oneOf(BLANK_PARTS, 4),
  bars: oneOf([1, 2, 3, 4], 2),
  lines: oneOf(BLANK_LINES, 6),
  lanes: oneOf([1, 2, 3, 4], 4),
});
export type BlankOptions = z.infer<typeof blankShape>;

export const blankOptions = (asked: Partial<Record<string, string>>): BlankOptions => blankShape.parse(asked);
