import { setTimeout } from 'node:timers/promises';
import pg from 'pg';

/** All that queries need; a pool's client in the application, any client in tests and scripts. */
export type Db = Pick<pg.ClientBase | pg.Pool, 'query'>;

// numeric columns hold tempos of three decimal places, which a double carries exactly enough to show.
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);

/** How long a request waits for a connection: the gate in front of the pages lets in few more than there are. */
const LONGEST_WAIT_MS = 20_000;

function pool(variable: 'WEB_DATABASE_URL' | 'DOOR_DATABASE_URL', most: number): () => pg.Pool {
  let made: pg.Pool | undefined;
  return () => {
    const connectionString = process.env[variable];
    if (!connectionString) throw new Error(`${variable} is not set: start Mochila with npm start`);
    if (!made) {
      made = new pg.Pool({
        connectionString,
        max: most,
        connectionTimeoutMillis: LONGEST_WAIT_MS,
        statement_timeout: 15_000,
      });
      // An idle connection that the server closed is replaced at the next query.
      made.on('error', () => {});
    }
    return made;
  };
}

/** The role that shows and keeps things, as the person whose session it is told. */
const webPool = pool('WEB_DATABASE_URL', 10);
/** The role that signs people in and out, and can do nothing else. */
export const doorPool = pool('DOOR_DATABASE_URL', 4);

/** What a session's token looks like: 32 bytes in base64url. */
const TOKEN = /^[\w-]{43}$/;

export interface SessionWay {
  from?: pg.Pool;
  /** Everything is read as it stood at one moment, and nothing can be written. */
  isSnapshot?: boolean;
}

/** Runs work as the person of a session: `asSession` of one token. */
export type InSession = <T>(work: (db: Db) => Promise<T>, way?: Pick<SessionWay, 'isSnapshot'>) => Promise<T>;

/**
 * Runs `work` in one transaction as the person the session's token belongs to; row-level security shows
 * what that person may see. Anything thrown undoes all of it.
 */
export async function asSession<T>(
  token: string,
  work: (db: Db) => Promise<T>,
  { from = webPool(), isSnapshot = false }: SessionWay = {},
): Promise<T> {
  // Anything else is nobody's session, and may be something the database cannot be told.
  if (!TOKEN.test(token)) token = '';
  const client = await from.connect();
  let broken: Error | undefined;
  try {
    await client.query(isSnapshot ? 'begin isolation level repeatable read, read only' : 'begin');
    await client.query(`select set_config('mochila.session', $1, true)`, [token]);
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch((failed: Error) => (broken = failed));
    throw error;
  } finally {
    client.release(broken);
  }
}

/** Whoever watches is told within this, also while many wait for the database. */
const HEALTH_MS = 5000;

const works = (asked: Promise<unknown>): Promise<boolean> =>
  Promise.race([
    asked.then(
      () => true,
      () => false,
    ),
    setTimeout(HEALTH_MS, false, { ref: false }),
  ]);

/** Whether the database answers. */
export const databaseAnswers = (): Promise<boolean> => works(webPool().query('select 1'));

/** How long it is taken for granted that there is room on the disk, once it was looked for. */
const ROOM_MS = 30_000;
let roomSeen = 0;

/** Whether the database keeps what is written, also where that wants new room on the disk. */
export async function databaseKeeps(): Promise<boolean> {
  const thorough = Date.now() - roomSeen > ROOM_MS;
  const keeps = await works(doorPool().query('select door_beat($1)', [thorough]));
  if (thorough && keeps) roomSeen = Date.now();
  return keeps;
}
