'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { closeSession, comeIntoDemo, setUpWorkshop, signIn } from '@/server/door';
import { asSession } from '@/server/database';
import { readForm, type FormState, textOf } from '@/ui/form';
import { addGroove } from '@/server/grooves';
import { signedInPerson } from '@/server/people';
import { forgetSession, rememberBrowser, rememberSession, sessionToken, visitor } from '@/server/session';
import { USUAL_SETTINGS } from '@/core/documents/settings';
import { saveSettings } from '@/server/workshop';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import { setUpShape, signInShape } from './shapes';

export async function signInAction(_before: FormState, form: FormData): Promise<FormState> {
  const read = readForm(signInShape, form);
  if (!read.ok) return read.state;
  const answer = await signIn(read.value.name, read.value.password, await visitor());
  if (!answer.ok) return { problems: {}, typed: { name: read.value.name }, say: answer.say };
  await rememberSession(answer.token);
  await rememberBrowser(answer.personId);
  redirect('/today');
}

export async function comeInAction(form: FormData): Promise<void> {
  const id = z.uuid().safeParse(textOf(form, 'person'));
  const token = id.success ? await comeIntoDemo(id.data) : undefined;
  if (!token) redirect('/sign-in');
  await rememberSession(token);
  redirect('/today');
}

/** Makes the first workshop, with grooves on its shelf so that nobody starts in front of an empty one. */
export async function setUpAction(_before: FormState, form: FormData): Promise<FormState> {
  const read = readForm(setUpShape, form);
  if (!read.ok) return read.state;
  const token = await setUpWorkshop(read.value);
  if (!token) redirect('/sign-in');
  await asSession(token, async (db) => {
    const teacher = (await signedInPerson(db))!;
    await saveSettings(
      db,
      teacher.workshop_id,
      { ...USUAL_SETTINGS, timeZone: read.value.timeZone },
      teacher.settings_number,
    );
    for (const one of STARTER_GROOVES) await addGroove(db, teacher, one);
  });
  await rememberSession(token);
  redirect('/today');
}

export async function signOutAction(): Promise<void> {
  const token = await sessionToken();
  if (token) await closeSession(token);
  await forgetSession();
  redirect('/sign-in');
}
