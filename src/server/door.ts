import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible';
import { doorPool } from './database';

export const SESSION_DAYS = 30;

/** Wrong passwords for one name before it has to wait, and how long it then waits. */
const FAILURES_BEFORE_WAIT = 5;
const WAIT_SECONDS = 60;
const FAILURES_FORGOTTEN_SECONDS = 15 * 60;

export type SignInAnswer = { ok: true; token: string } | { ok: false; say: string };

/** The same words whether the name or the password is wrong, so that names cannot be found out. */
const WRONG: SignInAnswer = {
  ok: false,
  say: 'Name and password do not go together. Try again, or ask your teacher for a new password.',
};

/** argon2id with the library's parameters (19 MiB, two passes), which follow OWASP's first choice. */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** Verified when the name is unknown, so that this takes as long as a wrong password. */
let decoy: Promise<string> | undefined;

let limiter: RateLimiterPostgres | undefined;
function failures(): RateLimiterPostgres {
  limiter ??= new RateLimiterPostgres({
    storeClient: doorPool(),
    storeType: 'pool',
    tableName: 'sign_in_failure',
    tableCreated: true,
    keyPrefix: 'name',
    clearExpiredByTimeout: false,
    points: FAILURES_BEFORE_WAIT,
    duration: FAILURES_FORGOTTEN_SECONDS,
    blockDuration: WAIT_SECONDS,
  });
  return limiter;
}

/** Signs in by name and password. Repeated failures for a name, known or not, have to wait. */
export async function signIn(name: string, password: string): Promise<SignInAnswer> {
  const key = createHash('sha256').update(name.trim().toLowerCase()).digest('hex');
  const before = await failures().get(key);
  if (before && before.remainingPoints <= 0) return tooMany(before);
  const { rows } = await doorPool().query<{ person_id: string; password_hash: string }>(
    'select * from door_credential($1)',
    [name.trim()],
  );
  decoy ??= hashPassword(randomBytes(12).toString('hex'));
  const known = rows[0];
  const right = await verify(known?.password_hash ?? (await decoy), password);
  if (!known || !right) {
    try {
      await failures().consume(key);
      return WRONG;
    } catch (refused) {
      if (refused instanceof Error) throw refused;
      return tooMany(refused as RateLimiterRes);
    }
  }
  await failures().delete(key);
  return { ok: true, token: await openSession(known.person_id) };
}

function tooMany({ msBeforeNext }: RateLimiterRes): SignInAnswer {
  return {
    ok: false,
    say: `Too many tries for this name. Wait ${Math.max(1, Math.ceil(msBeforeNext / 1000))} seconds, then try again.`,
  };
}

/** Opens a session and gives its token; the database keeps only the token's hash. */
export async function openSession(personId: string): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await doorPool().query('select door_open_session($1, $2, $3)', [personId, tokenHash(token), `${SESSION_DAYS} days`]);
  return token;
}

export async function closeSession(token: string): Promise<void> {
  await doorPool().query('select door_close_session($1)', [tokenHash(token)]);
}

const tokenHash = (token: string) => createHash('sha256').update(token).digest();

export interface DemoPerson {
  id: string;
  name: string;
  role: 'teacher' | 'student';
  level: string;
  setup: string;
  birth_year: number | null;
}

/** Whether there is a workshop at all, and who may come into a demo with one touch (nobody into another). */
export async function doorState(): Promise<{ hasWorkshop: boolean; demoPeople: DemoPerson[] }> {
  const { rows } = await doorPool().query<{ has_workshop: boolean; is_demo: boolean }>('select * from door_state()');
  const state = rows[0]!;
  const open = state.is_demo && process.env.MOCHILA_DEMO !== '0';
  const people = open ? (await doorPool().query<DemoPerson>('select * from door_demo_people()')).rows : [];
  return { hasWorkshop: state.has_workshop, demoPeople: people };
}

/** Comes in as a person of the demo workshop; undefined when that is not possible here. */
export async function comeIntoDemo(personId: string): Promise<string | undefined> {
  const { demoPeople } = await doorState();
  return demoPeople.some((person) => person.id === personId) ? openSession(personId) : undefined;
}

/** Makes the workshop and its teacher; undefined when somebody did so before. Gives the teacher's token. */
export async function setUpWorkshop(given: {
  workshop: string;
  teacher: string;
  signInName: string;
  password: string;
  school: string;
}): Promise<string | undefined> {
  const { rows } = await doorPool().query<{ id: string | null }>('select door_set_up($1, $2, $3, $4, $5) as id', [
    given.workshop,
    given.teacher,
    given.signInName,
    await hashPassword(given.password),
    given.school,
  ]);
  return rows[0]?.id ? openSession(rows[0].id) : undefined;
}
