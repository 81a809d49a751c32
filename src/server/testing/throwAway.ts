import pg from 'pg';
import { afterAll, beforeAll, inject } from 'vitest';
import { asSession, type Db, type SessionWay } from '../database';
import { dropDatabase, ensureDatabase, loginUrl, migrate } from '../migrate';

/** A migrated database of its own for a test file, dropped afterwards, with the web server's two roles. */
export interface ThrowAway {
  ownerUrl: string;
  owner: pg.Pool;
  web: pg.Pool;
  door: pg.Pool;
  /** As the person of a session, through the web role. */
  as: <T>(token: string, work: (db: Db) => Promise<T>, way?: SessionWay) => Promise<T>;
}

/** `of`: an empty one, or one with the demo as it is on `DEMO_NOW`. */
export function throwAwayDatabase(name: string, of: 'empty' | 'demo' = 'empty'): ThrowAway {
  const server = process.env.TEST_DATABASE_URL;
  if (!server) throw new Error('TEST_DATABASE_URL is not set: run npm test');
  const url = new URL(server);
  url.pathname = `/mochila_test_${name}_${process.pid}`;
  const here = { ownerUrl: url.href } as ThrowAway;
  const pools: pg.Pool[] = [];

  beforeAll(async () => {
    await ensureDatabase(url.href, inject('templates')[of]);
    const passwords = await migrate(url.href);
    const login = (kind: 'web' | 'door') => loginUrl(url.href, kind, passwords);
    // The door's functions take their pool from the environment, as in the web server.
    process.env.WEB_DATABASE_URL = login('web');
    process.env.DOOR_DATABASE_URL = login('door');
    here.owner = new pg.Pool({ connectionString: url.href });
    here.web = new pg.Pool({ connectionString: login('web') });
    here.door = new pg.Pool({ connectionString: login('door') });
    here.as = (token, work, way) => asSession(token, work, { from: here.web, ...way });
    pools.push(here.owner, here.web, here.door);
  });
  afterAll(async () => {
    for (const pool of pools) {
      pool.on('error', () => {});
      await pool.end();
    }
    await dropDatabase(url.href);
  });
  return here;
}
