import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { asTypedName } from '@/core/format/signInName';
import { doorPool } from './database';
import { tries, type Tries } from './tries';

export const SESSION_DAYS = 30;

export type SignInAnswer = { ok: true; token: string; personId: string } | { ok: false; say: string };

/** The same words whether the name or the password is wrong, so that names cannot be found out. */
const WRONG: SignInAnswer = {
  ok: false,
  say: 'Name and password do not go together. Try again, or ask your teacher for a new password.',
};

/** Said to whoever knows the password, which two of the same name have. */
const SAME: SignInAnswer = {
  ok: false,
  say: 'This name and password are two people’s, in two workshops. Write the workshop behind the name, like ada@lake-house.',
};

/** argon2id with the library's parameters (19 MiB, two passes), which follow OWASP's first choice. */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** Verified when the name is unknown, so that this takes as long as a wrong password. */
let decoy: Promise<string> | undefined;

/** Passwords verified at once: each takes a processor for some 50 ms, and pages are served beside them. */
const VERIFIED_AT_ONCE = 1;
let verifying = 0;
const toVerify: (() => void)[] = [];

/** `first`: before others that wait, who may be many strangers. */
async function isRight(passwordHash: string, password: string, { first = false } = {}): Promise<boolean> {
  if (verifying >= VERIFIED_AT_ONCE)
    await new Promise<void>((begin) => void (first ? toVerify.unshift(begin) : toVerify.push(begin)));
  verifying++;
  try {
    return await verify(passwordHash, password);
  } finally {
    verifying--;
    toVerify.shift()?.();
  }
}

/** Where somebody signs in from. */
export interface Visitor {
  /** What the browser is, in words. */
  browser?: string;
  /** The address the request came from. */
  address: string;
  /** What this browser was given when somebody signed in with it. */
  device?: string;
}

/**
 * Signs in by name and password. Every try is counted before the password is looked at, so that many at once are as few
 * as one after another; too many have to wait. A browser the person has signed in with before is counted by itself, so
 * that nobody else can keep her out.
 */
export async function signIn(name: string, password: string, from: Visitor): Promise<SignInAnswer> {
  const signInName = asTypedName(name);
  const isKnown = from.device !== undefined && (await knowsDevice(signInName, from.device));
  const counted = isKnown
    ? [tries.ofDevice(`${signInName} ${from.device}`)]
    : [tries.ofAddress(from.address), tries.ofNameFrom(`${signInName} ${from.address}`), tries.ofName(signInName)];
  const waitMs = await countAll(counted);
  if (waitMs > 0) return tooMany(waitMs);
  const { rows } = await doorPool().query<{ person_id: string; password_hash: string }>(
    'select * from door_credential($1)',
    [signInName],
  );
  decoy ??= hashPassword(randomBytes(12).toString('hex'));
  // People of several workshops may be called the same: the password says who it is.
  const right: string[] = [];
  for (const { person_id, password_hash } of rows.length ? rows : [{ person_id: '', password_hash: await decoy }])
    if (await isRight(password_hash, password, { first: isKnown })) right.push(person_id);
  const [personId, other] = right;
  if (!personId) return WRONG;
  if (other) return SAME;
  // What was right is not held against anybody.
  for (const one of counted) await one.giveBack();
  return { ok: true, token: await openSession(personId, from.browser), personId };
}

/** Whether this is the password of a person who is signed in; tries are counted as at the door. */
export async function isOwnPassword(
  signInName: string,
  password: string,
): Promise<{ ok: true } | { ok: false; say: string }> {
  const counted = tries.ofDevice(`${signInName} signed in`);
  const waitMs = await countAll([counted]);
  if (waitMs > 0) return { ok: false, say: waitInWords(waitMs) };
  const { rows } = await doorPool().query<{ password_hash: string }>('select * from door_credential($1)', [signInName]);
  if (!rows[0] || !(await isRight(rows[0].password_hash, password, { first: true })))
    return { ok: false, say: 'This is not your password.' };
  await counted.giveBack();
  return { ok: true };
}

/** Counts a try with each; how long is to be waited before the next, 0 when it may go on. */
async function countAll(all: readonly Tries[]): Promise<number> {
  const waits = await Promise.all(all.map((one) => one.count()));
  return Math.max(...waits);
}

const waitInWords = (ms: number) =>
  `Too many tries. Wait ${Math.max(1, Math.ceil(ms / 1000))} seconds, then try again.`;
const tooMany = (ms: number): SignInAnswer => ({ ok: false, say: waitInWords(ms) });

const knowsDevice = async (signInName: string, device: string): Promise<boolean> =>
  (
    await doorPool().query<{ known: boolean }>('select door_knows_device($1, $2) as known', [
      signInName,
      tokenHash(device),
    ])
  ).rows[0]!.known;

/** Remembers that a person has signed in with a browser; gives what the browser is to keep. */
export async function rememberDevice(
  personId: string,
  device = randomBytes(32).toString('base64url'),
): Promise<string> {
  await doorPool().query('select door_remember_device($1, $2)', [personId, tokenHash(device)]);
  return device;
}

/**
 * Opens a session and gives its token; the database keeps only the token's hash. `openedWith` is what its person
 * knows it by.
 */
export async function openSession(personId: string, openedWith = ''): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  const [hashed, lasts] = [tokenHash(token), `${SESSION_DAYS} days`];
  await doorPool().query('select door_open_session($1, $2, $3, $4)', [personId, hashed, lasts, openedWith]);
  return token;
}

export async function closeSession(token: string): Promise<void> {
  await doorPool().query('select door_close_session($1)', [tokenHash(token)]);
}

export const tokenHash = (token: string) => createHash('sha256').update(token).digest();

export interface DemoPerson {
  id: string;
  name: string;
  role: 'teacher' | 'student';
  level: string;
  setup: string;
  age: string | null;
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
export async function comeIntoDemo(personId: string, openedWith?: string): Promise<string | undefined> {
  const { demoPeople } = await doorState();
  return demoPeople.some((person) => person.id === personId) ? openSession(personId, openedWith) : undefined;
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
    asTypedName(given.signInName),
    await hashPassword(given.password),
    given.school,
  ]);
  return rows[0]?.id ? openSession(rows[0].id) : undefined;
}

/** Whom an invitation is for. */
export interface Invited {
  person_id: string;
  name: string;
  workshop: string;
  sign_in_name: string;
  /** They have come in before: it is for a new password. */
  has_password: boolean;
}

/** What an invitation's link holds: 32 bytes in base64url. */
const INVITATION = /^[\w-]{43}$/;

/** Whom an invitation is for; undefined where it was used, taken back or has run out, or never was. */
export async function invitedBy(token: string): Promise<Invited | undefined> {
  if (!INVITATION.test(token)) return undefined;
  return (await doorPool().query<Invited>('select * from door_invitation($1)', [tokenHash(token)])).rows[0];
}

/**
 * Comes in by an invitation, which is used up: gives the token of a session. `gone` where the invitation holds no more,
 * `taken` where the sign-in name is somebody else's.
 */
export async function join(
  token: string,
  { name, signInName, password }: { name?: string; signInName?: string; password: string },
  openedWith?: string,
): Promise<{ token: string; personId: string } | 'gone' | 'taken'> {
  if (!(await invitedBy(token))) return 'gone';
  const given = [tokenHash(token), name ?? null, signInName === undefined ? null : asTypedName(signInName)];
  try {
    const { rows } = await doorPool().query<{ id: string | null }>('select door_join($1, $2, $3, $4) as id', [
      ...given,
      await hashPassword(password),
    ]);
    const personId = rows[0]!.id;
    return personId ? { token: await openSession(personId, openedWith), personId } : 'gone';
  } catch (error) {
    // Unique violation: of the sign-in name, the only one that is set here.
    if ((error as { code?: string }).code === '23505') return 'taken';
    throw error;
  }
}
