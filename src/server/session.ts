import { cookies, headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cache } from 'react';
import { deviceNamed } from '@/core/format/deviceNamed';
import { asSession, type Db } from './database';
import { rememberDevice, SESSION_DAYS, type Visitor } from './door';
import { signedInPerson, type Person } from './people';

const COOKIE = 'mochila_session';
/** That somebody signed in with this browser before; it opens nothing. */
const DEVICE = 'mochila_device';
const DEVICE_DAYS = 400;

/** Puts the session's token into the browser: out of reach of scripts, and never sent from other sites. */
export const rememberSession = (token: string): Promise<void> => setCookie(COOKIE, token, SESSION_DAYS);

async function setCookie(name: string, value: string, days: number): Promise<void> {
  const secure = (await headers()).get('x-forwarded-proto') === 'https';
  (await cookies()).set(name, value, { httpOnly: true, sameSite: 'lax', secure, path: '/', maxAge: days * 86_400 });
}

/** Remembers in the browser and in the database that a person signed in here. */
export async function rememberBrowser(personId: string): Promise<void> {
  await setCookie(DEVICE, await rememberDevice(personId, (await visitor()).device), DEVICE_DAYS);
}

/** Where the request comes from, as the server in front of the pages says. */
export async function visitor(): Promise<Visitor> {
  const device = (await cookies()).get(DEVICE)?.value;
  return {
    address: (await headers()).get('x-mochila-address') ?? 'unknown',
    browser: deviceNamed((await headers()).get('user-agent') ?? ''),
    ...(device && /^[\w-]{43}$/.test(device) && { device }),
  };
}

export async function forgetSession(): Promise<void> {
  (await cookies()).delete(COOKIE);
}

export async function sessionToken(): Promise<string | undefined> {
  return (await cookies()).get(COOKIE)?.value;
}

/** The cookie of whoever asks, for a browser of this server's own that is to see the same. */
export async function sessionCookie(): Promise<{ name: string; token: string } | undefined> {
  const token = await sessionToken();
  return token ? { name: COOKIE, token } : undefined;
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
