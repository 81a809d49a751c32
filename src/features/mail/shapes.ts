import { z } from 'zod';

const say = 'Write an address, like ada@example.org.';
export const addressShape = z.string({ error: say }).trim().max(254, 'At most 254 characters.').pipe(z.email(say));

/** One's own: empty, it is taken back. */
export const ownMailShape = z.object({
  address: z.union([z.literal(''), addressShape]),
  summary: z.enum(['yes', 'no']).default('no'),
});
