import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { asSession, type Db } from './database';
import { SESSION_DAYS } from './door';
import { signedInPerson, type Person } from './people';

const COOKIE = 'mochila_session';

/** Puts the session's token into the browser: out of reach of scripts, and never sent from other sites. */
export async function rememberSession(token: string): Promise<void> {
  const secure = (await headers()).get('x-forwarded-proto') === 'https';
  (await cookies()).set(COOKIE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure,
    path: '/',
    maxAge: SESSION_DAYS * 86_400,
  });
}

export async function forgetSession(): Promise<void> {
  (await cookies()).delete(COOKIE);
}

export async function sessionToken(): Promise<string | undefined> {
  return (await cookies()).get(COOKIE)?.value;
}

/** The signed-in person, asked once a request; undefined when nobody is. */
export const person = cache(async (): Promise<Person | undefined> => {
  const token = await sessionToken();
  return token ? asSession(token, signedInPerson) : undefined;
});

/** The signed-in person, or off to the sign-in page. */
export async function requirePerson(): Promise<Person> {
  return (await person()) ?? redirect('/sign-in');
}

/** The signed-in teacher; a student is sent to Today. */
export async function requireTeacher(): Promise<Person> {
  const who = await requirePerson();
  return who.role === 'teacher' ? who : redirect('/today');
}

/** Reads or writes as the signed-in person, in one transaction. */
export async function asPerson<T>(work: (db: Db) => Promise<T>): Promise<T> {
  const token = await sessionToken();
  return token ? asSession(token, work) : redirect('/sign-in');
}
