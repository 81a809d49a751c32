import { z } from 'zod';
import { timeZoneShape, USUAL_SETTINGS } from '@/core/documents/settings';
import { nameShape, passwordShape, schoolShape, signInNameShape } from '@/ui/fields';

export const signInShape = z.object({
  name: z.string().trim().min(1, 'Type your sign-in name.').max(200, 'This is longer than any sign-in name.'),
  password: z.string().min(1, 'Type your password.').max(200, 'This is longer than any password.'),
});

/** What somebody chooses who comes in by an invitation for the first time. */
export const joinShape = z.object({ name: nameShape, signInName: signInNameShape, password: passwordShape });

/** Who has been here chooses a new password. */
export const joinAgainShape = joinShape.pick({ password: true });

export const setUpShape = z.object({
  workshop: nameShape,
  teacher: nameShape,
  signInName: signInNameShape,
  password: passwordShape,
  school: schoolShape,
  // What the browser says of itself; where it says nothing that is known, the usual one.
  timeZone: timeZoneShape.catch(USUAL_SETTINGS.timeZone),
});
