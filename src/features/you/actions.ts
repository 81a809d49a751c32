'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { SETUPS } from '@/core/groove/limbs';
import { REPORT_WORDS } from '@/core/documents/verdict';
import { dropFeed, makeFeed } from '@/server/calendar';
import { isOwnPassword } from '@/server/door';
import { endOwnSession } from '@/server/ownSessions';
import { setOwnWays, setPassword, signOutEverywhere } from '@/server/people';
import { asPerson, forgetSession, requirePerson } from '@/server/session';
import { passwordShape, schoolShape } from '@/ui/fields';
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

const waysShape = z.object({
  setup: z.enum(SETUPS, 'Choose a set-up from the list.'),
  school: schoolShape,
  report: z.enum(REPORT_WORDS, 'Choose from the list.'),
});

/** How one sits, counts and reads reports. */
export async function keepWaysAction(_before: FormState, form: FormData): Promise<FormState> {
  await requirePerson();
  const read = readForm(waysShape, form);
  if (!read.ok) return read.state;
  await asPerson((db) => setOwnWays(db, read.value));
  revalidatePath('/', 'layout');
  return { ...EMPTY_FORM, say: 'Kept. It holds from now on.' };
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

/** Makes the address of one's calendar anew; what stands at its end is given back this once. */
export async function makeFeedAction(): Promise<string> {
  const who = await requirePerson();
  const token = await asPerson((db) => makeFeed(db, who));
  revalidatePath('/you');
  return token;
}

/** Takes the address of one's calendar back. */
export async function dropFeedAction(): Promise<void> {
  const who = await requirePerson();
  await asPerson((db) => dropFeed(db, who));
  revalidatePath('/you');
}
