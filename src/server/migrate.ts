import { randomBytes } from 'node:crypto';
import path from 'node:path';
import { runner } from 'node-pg-migrate';
import pg from 'pg';

/** Any fixed number serves, as long as all Mochilas on one server take the same. */
const MIGRATION_LOCK = 20_261;

/** The passwords of the two login roles the web server uses. */
export interface RolePasswords {
  web: string;
  door: string;
}

const KINDS = ['web', 'door'] as const;

const databaseOf = (url: string): string => decodeURIComponent(new URL(url).pathname.slice(1)) || 'postgres';

/** Roles are shared by all databases of a server, so each database has login roles of its own. */
const loginRole = (database: string, kind: keyof RolePasswords) => `${database.slice(0, 50)}_${kind}_login`;

/**
 * The passwords of the login roles, made with the database and kept in it: every Mochila started on it finds the
 * same.
 */
async function rolePasswords(client: pg.Client): Promise<RolePasswords> {
  const made = () => randomBytes(24).toString('hex');
  await client.query('insert into installation (web_password, door_password) values ($1, $2) on conflict do nothing', [
    made(),
    made(),
  ]);
  return (await client.query<RolePasswords>('select web_password as web, door_password as door from installation'))
    .rows[0]!;
}

/**
 * Brings a database up to date, forward only and one Mochila at a time: the group roles, every migration that has not
 * run yet, and the login roles, whose passwords it gives. `ownerUrl` must be allowed to make roles and tables.
 */
export async function migrate(ownerUrl: string): Promise<RolePasswords> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    for (const kind of KINDS) await ensureRole(client, `mochila_${kind}`, 'nologin');
    await runner({
      dbClient: client,
      dir: path.join(process.cwd(), 'db/migrations'),
      direction: 'up',
      migrationsTable: 'migration',
      // Ours waits for the other Mochila; the runner's own would give up.
      noLock: true,
      log: () => {},
    });
    const passwords = await rolePasswords(client);
    for (const kind of KINDS) {
      const login = loginRole(databaseOf(ownerUrl), kind);
      await ensureRole(client, login, 'login');
      await client.query(
        `alter role ${pg.escapeIdentifier(login)} with login password ${pg.escapeLiteral(passwords[kind])}`,
      );
      await client.query(`grant mochila_${kind} to ${pg.escapeIdentifier(login)}`);
    }
    return passwords;
  } finally {
    await client.end();
  }
}

async function ensureRole(client: pg.Client, name: string, kind: 'login' | 'nologin'): Promise<void> {
  const { rowCount } = await client.query('select from pg_roles where rolname = $1', [name]);
  if (rowCount) return;
  try {
    await client.query(`create role ${pg.escapeIdentifier(name)} ${kind}`);
  } catch (error) {
    // Roles belong to the whole server, the lock to one database: another may have made it meanwhile.
    const { code } = error as { code?: string };
    if (code !== '42710' && code !== '23505') throw error;
  }
}

/** The connection string of a login role. */
export function loginUrl(ownerUrl: string, kind: keyof RolePasswords, passwords: RolePasswords): string {
  const url = new URL(ownerUrl);
  url.username = loginRole(databaseOf(ownerUrl), kind);
  url.password = passwords[kind];
  return url.href;
}

/**
 * Makes the database that `url` names when the server has none of that name: empty, or as another one is that nobody
 * is connected to.
 */
export async function ensureDatabase(url: string, template = 'template0'): Promise<void> {
  const admin = new URL(url);
  admin.pathname = '/postgres';
  const client = new pg.Client({ connectionString: admin.href });
  await client.connect();
  try {
    const { rowCount } = await client.query('select from pg_database where datname = $1', [databaseOf(url)]);
    if (!rowCount)
      await client.query(
        `create database ${pg.escapeIdentifier(databaseOf(url))}
           encoding 'UTF8' template ${pg.escapeIdentifier(template)}`,
      );
  } finally {
    await client.end();
  }
}

/** Drops a throw-away database and its login roles. */
export async function dropDatabase(url: string): Promise<void> {
  const admin = new URL(url);
  admin.pathname = '/postgres';
  const client = new pg.Client({ connectionString: admin.href });
  await client.connect();
  try {
    await client.query(`drop database if exists ${pg.escapeIdentifier(databaseOf(url))} with (force)`);
    for (const kind of KINDS)
      await client.query(`drop role if exists ${pg.escapeIdentifier(loginRole(databaseOf(url), kind))}`);
  } finally {
    await client.end();
  }
}
