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

export const databaseOf = (url: string): string => decodeURIComponent(new URL(url).pathname.slice(1)) || 'postgres';

/** Roles are shared by all databases of a server, so each database has login roles of its own. */
const loginRole = (database: string, kind: keyof RolePasswords) => `${database.slice(0, 50)}_${kind}_login`;

/**
 * Brings a database up to date, forward only and one Mochila at a time: the group roles, the login
 * roles with their passwords, and every migration that has not run yet. `ownerUrl` must be allowed to
 * make roles and tables.
 */
export async function migrate(ownerUrl: string, passwords: RolePasswords): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    for (const kind of ['web', 'door'] as const) {
      await ensureRole(client, `mochila_${kind}`, 'nologin');
      const login = loginRole(databaseOf(ownerUrl), kind);
      await ensureRole(client, login, 'login');
      await client.query(
        `alter role ${pg.escapeIdentifier(login)} with login password ${pg.escapeLiteral(passwords[kind])}`,
      );
      await client.query(`grant mochila_${kind} to ${pg.escapeIdentifier(login)}`);
    }
    await runner({
      dbClient: client,
      dir: path.join(process.cwd(), 'db/migrations'),
      direction: 'up',
      migrationsTable: 'migration',
      // Ours waits for the other Mochila; the runner's own would give up.
      noLock: true,
      log: () => {},
    });
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

/** Makes the database that `url` names when the server has none of that name. */
export async function ensureDatabase(url: string): Promise<void> {
  const admin = new URL(url);
  admin.pathname = '/postgres';
  const client = new pg.Client({ connectionString: admin.href });
  await client.connect();
  try {
    const { rowCount } = await client.query('select from pg_database where datname = $1', [databaseOf(url)]);
    if (!rowCount)
      await client.query(`create database ${pg.escapeIdentifier(databaseOf(url))} encoding 'UTF8' template template0`);
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
    for (const kind of ['web', 'door'] as const)
      await client.query(`drop role if exists ${pg.escapeIdentifier(loginRole(databaseOf(url), kind))}`);
  } finally {
    await client.end();
  }
}
