import { createHash, randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll } from 'vitest';

/** Mochila as it is served, with an empty database of its own, started by scripts/test.mjs. */
const {
  SERVED_URL: address,
  SERVED_BESIDE_URL: beside,
  SERVED_DATABASE_URL: databaseUrl,
  NEXT_DIST_DIR: dist,
} = process.env;
if (!address || !databaseUrl || !dist) throw new Error('SERVED_URL is not set: run npm test -- served');

export const owner = new pg.Pool({ connectionString: databaseUrl });

/** What the build says of itself. */
const built = (file: string) => JSON.parse(fs.readFileSync(path.join(dist, file), 'utf8')) as unknown;

/** Every page and route that is served. */
export const routes = Object.values(built('app-path-routes-manifest.json') as Record<string, string>)
  // What the framework adds itself.
  .filter((route) => !route.startsWith('/_'));

export interface Action {
  id: string;
  name: string;
  /** A page that may call it. */
  page: string;
}

/** Every server action that is served, by its name. */
export const actions = new Map(
  Object.entries(
    (
      built('server/server-reference-manifest.json') as {
        node: Record<string, { workers: Record<string, unknown>; exportedName: string }>;
      }
    ).node,
  ).map(([id, { workers, exportedName: name }]): [string, Action] => {
    const page = Object.keys(workers)
      .map((worker) => worker.replace(/^app|\/\([^)]*\)|\/page$/g, ''))
      .sort((a, b) => a.length - b.length)[0]!;
    return [name, { id, name, page: page.replace(/\[[^\]]+\]/g, crypto.randomUUID()) }];
  }),
);

/** A session of a person, put into the database as the door would. */
export async function sessionOf(personId: string): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await owner.query(
    `insert into session (token_hash, person_id, expires_at) values ($1, $2, now() + interval '1 day')`,
    [createHash('sha256').update(token).digest(), personId],
  );
  return token;
}

/** Longer than anything may take; a request that is not answered by then hangs. */
const HANGS_MS = 30_000;

export function ask(
  pathAndQuery: string,
  token?: string,
  init: RequestInit & { beside?: boolean } = {},
): Promise<Response> {
  return fetch(`${init.beside ? beside : address}${pathAndQuery}`, {
    redirect: 'manual',
    signal: AbortSignal.timeout(HANGS_MS),
    ...init,
    headers: { ...(token && { cookie: `mochila_session=${token}` }), ...init.headers },
  });
}

/** A form as an argument of an action. */
export class Form {
  constructor(readonly fields: Record<string, string>) {}
}

/** Calls an action as a page of ours would; a form among its arguments is sent as one. */
export function call(
  { id, page }: Action,
  args: readonly unknown[],
  token?: string,
  { device, beside = false }: { device?: string; beside?: boolean } = {},
): Promise<Response> {
  const headers = {
    'next-action': id,
    accept: 'text/x-component',
    ...(device && { cookie: `mochila_device=${device}` }),
  };
  const forms = args.filter((one) => one instanceof Form);
  if (!forms.length) {
    const body = JSON.stringify(args.map(encoded));
    return ask(page, token, {
      method: 'POST',
      beside,
      headers: { ...headers, 'content-type': 'text/plain;charset=UTF-8' },
      body,
    });
  }
  const body = new FormData();
  args.forEach((one, at) => {
    if (one instanceof Form)
      for (const [name, value] of Object.entries(one.fields)) body.append(`_${at + 1}_${name}`, value);
  });
  body.append('0', JSON.stringify(args.map((one, at) => (one instanceof Form ? `$K${at + 1}` : encoded(one)))));
  return ask(page, token, { method: 'POST', beside, headers, body });
}

/** The framework marks what JSON has no word for by a dollar. */
function encoded(value: unknown): unknown {
  if (value === undefined) return '$undefined';
  if (typeof value === 'string') return value.startsWith('$') ? `$${value}` : value;
  if (Array.isArray(value)) return value.map(encoded);
  if (value && typeof value === 'object')
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, encoded(one)]));
  return value;
}

/** What every table of the workshop holds, as one mark a table; what comes and goes by itself is left out. */
export async function fingerprint(): Promise<Record<string, string>> {
  const { rows } = await owner.query<{ name: string }>(
    `select relname as name from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'
       and relname not in ('migration', 'installation', 'sign_in_failure', 'session', 'device', 'event') order by 1`,
  );
  const marks = await Promise.all(
    rows.map(async ({ name }) => {
      const found = await owner.query<{ mark: string }>(
        `select coalesce(md5(string_agg(t::text, '|' order by t::text)), '') as mark from "${name}" t`,
      );
      return [name, found.rows[0]!.mark] as const;
    }),
  );
  return Object.fromEntries(marks);
}

/** Everybody who may ask for something. */
export const ACTORS = ['visitor', 'student', 'other', 'teacher', 'colleague', 'owner', 'foreign'] as const;
export type ActorName = (typeof ACTORS)[number];

export interface Cast {
  workshop: string;
  teacher: Actor;
  student: Actor;
  other: Actor;
  /** A teacher of the workshop who has neither student. */
  colleague: Actor;
  /** Who manages the workshop. */
  owner: Actor;
  /** The owner of another workshop. */
  foreign: Actor;
  groove: string;
  assignment: string;
  take: string;
  drill: string;
  note: string;
  /** A lesson of the teacher with the student, the time it came of, a template of the teacher's, and a holiday. */
  lesson: string;
  time: string;
  template: string;
  holiday: string;
  /** A path the student walks, the groove its one step is, and a tune. */
  path: string;
  step: string;
  tune: string;
}
export interface Actor {
  id: string;
  name: string;
  token: string;
}

/**
 * Two workshops: one with a teacher, two students, a groove set for the first, a take and a drill; another with a
 * teacher.
 */
export function theCast(): Cast {
  const cast = {} as Cast;
  beforeAll(async () => {
    process.env.DOOR_DATABASE_URL = process.env.SERVED_DOOR_URL;
    await owner.query('truncate workshop, sign_in_failure cascade');
    const { seedCast } = await import('./seed');
    Object.assign(cast, await seedCast());
  });
  afterAll(() => owner.end());
  return cast;
}
