'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { isOwnPassword } from '@/server/door';
import { endOwnSession } from '@/server/ownSessions';
import { setPassword, signOutEverywhere } from '@/server/people';
import { asPerson, forgetSession, requirePerson } from '@/server/session';
import { passwordShape } from '@/ui/fields';
import { EMPTY_FORM, fieldProblem, readForm, textOf, type FormState } from '@/ui/form';

const changeShape = z.object({
  password: z.string().min(1, 'Type the password you have now.').max(200, 'This is longer than any password.'),
  newPassword: passwordShape,
});

/** Changes one's own password; whoever sits at a screen that was left open does not know the old one. */
export async function changePasswordAction(_before: FormState, form: FormData): Promise<FormState> {
  const who = await requirePerson();
  const read = readForm(changeShape, form);
  if (!read.ok) return read.state;
  const own = await isOwnPassword(who.sign_in_name, read.value.password);
  if (!own.ok) return fieldProblem(form, 'password', own.say);
  await asPerson((db) => setPassword(db, who.id, read.value.newPassword));
  return { ...EMPTY_FORM, say: 'Changed. Everywhere else you are signed out.' };
}

/** Ends one of one's own sessions. */
export async function endSessionAction(form: FormData): Promise<void> {
  await requirePerson();
  const id = z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .safeParse(textOf(form, 'session'));
  if (id.success) await asPerson((db) => endOwnSession(db, id.data));
  revalidatePath('/you');
}

export async function signOutEverywhereAction(): Promise<void> {
  await requirePerson();
  await asPerson(signOutEverywhere);
  await forgetSession();
  redirect('/sign-in');
}
