'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { closeSession, comeIntoDemo, invitedBy, join, setUpWorkshop, signIn } from '@/server/door';
import { asSession } from '@/server/database';
import { EMPTY_FORM, fieldProblem, readForm, type FormState, textOf } from '@/ui/form';
import { addGroove } from '@/server/grooves';
import { signedInPerson } from '@/server/people';
import { forgetSession, rememberBrowser, rememberSession, sessionToken, visitor } from '@/server/session';
import { USUAL_SETTINGS } from '@/core/documents/settings';
import { saveSettings } from '@/server/workshop';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import { joinAgainShape, joinShape, setUpShape, signInShape } from './shapes';

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
  const token = id.success ? await comeIntoDemo(id.data, (await visitor()).browser) : undefined;
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

/** Comes in by an invitation: for the first time, or with a new password. */
export async function joinAction(_before: FormState, form: FormData): Promise<FormState> {
  const token = textOf(form, 'invitation') ?? '';
  const invited = await invitedBy(token);
  if (!invited) return { ...EMPTY_FORM, say: GONE };
  const read = readForm(invited.has_password ? joinAgainShape : joinShape, form);
  if (!read.ok) return read.state;
  const came = await join(token, read.value, (await visitor()).browser);
  if (came === 'gone') return { ...EMPTY_FORM, say: GONE };
  if (came === 'taken') return fieldProblem(form, 'signInName', 'This sign-in name is taken. Add a letter or a digit.');
  await rememberSession(came.token);
  await rememberBrowser(came.personId);
  redirect('/today');
}
const GONE = 'This invitation holds no more. Ask your teacher for another.';

export async function signOutAction(): Promise<void> {
  const token = await sessionToken();
  if (token) await closeSession(token);
  await forgetSession();
  redirect('/sign-in');
}
