import { beforeAll, describe, expect, test } from 'vitest';
import {
  closeSession,
  doorState,
  isOwnPassword,
  openSession,
  rememberDevice,
  setUpWorkshop,
  signIn,
  type Visitor,
} from './door';
import { archivePerson, setPassword, signedInPerson, signOutEverywhere, students } from './people';
import { ada, bo, school, seed, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('door');
const HOME: Visitor = { address: '192.0.2.1' };
const STRANGER: Visitor = { address: '203.0.113.9' };
const RIGHT = 'a long password';

beforeAll(() => seed(here));

const forgotten = () => here.owner.query('delete from sign_in_failure');
const times = async (count: number, one: () => Promise<unknown>) => {
  for (let time = 0; time < count; time++) await one();
};

describe('the door', () => {
  test('a workshop is set up once', async () => {
    expect(await doorState()).toEqual({ hasWorkshop: true, demoPeople: [] });
    expect(
      await setUpWorkshop({ workshop: 'Second', teacher: 'X', signInName: 'xx', password: RIGHT, school }),
    ).toBeUndefined();
  });

  test('right name and password open a session, however the name is typed', async () => {
    for (const name of ['TOVA', ' tova ', 'ＴＯＶＡ']) {
      const answer = await signIn(name, RIGHT, HOME);
      expect(answer.ok && (await here.as(answer.token, signedInPerson))?.name).toBe('Tova Lind');
    }
  });

  test('an unknown name and a wrong password get the same answer', async () => {
    expect(await signIn('nobody', RIGHT, HOME)).toEqual(await signIn('tova', 'wrong', HOME));
    await forgotten();
  });

  test('a closed session is nobody, so is an invented one, or one the database could not be told', async () => {
    const token = await openSession(ada.id);
    await closeSession(token);
    for (const one of [token, 'invented', '', 'x\0y', '\ud800'.repeat(43)])
      expect(await here.as(one, signedInPerson)).toBeUndefined();
  });

  test('only the hash of a token and of a password is kept', async () => {
    const { rows } = await here.owner.query<{ all: string }>(
      `select (select string_agg(s::text, ' ') from session s) || (select string_agg(c::text, ' ')
        from credential c) as all`,
    );
    expect(rows[0]!.all).not.toContain(ada.token);
    expect(rows[0]!.all).not.toContain(RIGHT);
    expect(rows[0]!.all).toContain('$argon2id$');
  });
});

describe('tries are counted', () => {
  test.each(['bo', 'no such name'])('after five from one place %s has to wait there, right or wrong', async (name) => {
    await times(5, () => signIn(name, 'wrong', HOME));
    const answer = await signIn(name, 'Bo has a password', HOME);
    expect(!answer.ok && answer.say).toMatch(/Too many tries.* Wait \d+ seconds/);
    await forgotten();
  });

  test('a stranger who tries and tries keeps nobody out, neither elsewhere nor on a browser that is known', async () => {
    await times(8, () => signIn('tova', 'wrong', STRANGER));
    expect((await signIn('tova', RIGHT, HOME)).ok).toBe(true);
    const device = await rememberDevice(teacher.id);
    // The same address, as behind one router.
    expect((await signIn('tova', RIGHT, STRANGER)).ok).toBe(false);
    expect((await signIn('tova', RIGHT, { ...STRANGER, device })).ok).toBe(true);
    // Known for her, not for others.
    expect((await signIn('ada', 'wrong', { ...STRANGER, device })).ok).toBe(false);
    await forgotten();
  });

  test('a hundred at once are as few as one after another', async () => {
    const answers = await Promise.all(Array.from({ length: 100 }, (_, at) => signIn('bo', `wrong ${at}`, STRANGER)));
    const looked = answers.filter((answer) => !answer.ok && /do not go together/.test(answer.say));
    // Fewer where some of the five came too late for what the address may try.
    expect(looked.length).toBeGreaterThan(0);
    expect(looked.length).toBeLessThanOrEqual(5);
    await forgotten();
  });

  test('a name in disguise is the same name', async () => {
    const typed = ['bo', 'BO', 'Bo ', 'ＢＯ', 'ｂｏ'];
    for (const name of typed) await signIn(name, 'wrong', STRANGER);
    expect(await signIn('bo', 'wrong', STRANGER)).toMatchObject({ say: expect.stringMatching(/Too many/) as string });
    await forgotten();
  });

  test('many names from one place have to wait, too; what was right is not held against it', async () => {
    await times(25, () => signIn('tova', RIGHT, STRANGER));
    for (let name = 0; name < 30; name++) await signIn(`guess ${name}`, 'wrong', STRANGER);
    expect(await signIn('guess 31', 'wrong', STRANGER)).toMatchObject({
      say: expect.stringMatching(/Too many/) as string,
    });
    await forgotten();
  });

  test('what has run out is cleared away where a session is opened', async () => {
    await here.owner.query(`insert into sign_in_failure values ('name:old', 3, 1000)`);
    await openSession(bo.id);
    expect((await here.owner.query(`select from sign_in_failure where key = 'name:old'`)).rowCount).toBe(0);
  });
});

describe('passwords', () => {
  const NEW = 'quite another one';

  test('one’s own is set anew by whoever knows the old one, and other sessions end', async () => {
    const elsewhere = await openSession(ada.id);
    expect(await isOwnPassword('ada', 'wrong')).toEqual({ ok: false, say: 'This is not your password.' });
    expect(await isOwnPassword('ada', 'Ada has a password')).toEqual({ ok: true });
    expect(await here.as(ada.token, (db) => setPassword(db, ada.id, NEW))).toBe(true);
    expect(await here.as(ada.token, signedInPerson)).toBeDefined();
    expect(await here.as(elsewhere, signedInPerson)).toBeUndefined();
    expect((await signIn('ada', NEW, HOME)).ok).toBe(true);
  });

  test('a teacher sets a student’s, whose sessions all end; a student sets nobody else’s', async () => {
    const session = await openSession(bo.id);
    expect(await here.as(teacherToken, (db) => setPassword(db, bo.id, NEW))).toBe(true);
    expect(await here.as(session, signedInPerson)).toBeUndefined();
    expect((await signIn('bo', NEW, HOME)).ok).toBe(true);
    expect(await here.as(ada.token, (db) => setPassword(db, bo.id, 'mine now, all of it'))).toBe(false);
    await expect(here.as(ada.token, (db) => setPassword(db, teacher.id, 'mine now'))).rejects.toThrow(/not your/);
    expect((await signIn('bo', NEW, HOME)).ok).toBe(true);
  });

  test('signed out everywhere, no session of that person opens anything', async () => {
    const [one, other] = [await openSession(bo.id), await openSession(bo.id)];
    await here.as(one, signOutEverywhere);
    for (const token of [one, other]) expect(await here.as(token, signedInPerson)).toBeUndefined();
    expect(await here.as(ada.token, signedInPerson)).toBeDefined();
  });
});

test('an archived student signs in no more, by no session and no password, and stands in no list; brought back all is as before', async () => {
  const session = await openSession(bo.id);
  const names = async (archived: boolean) =>
    (await here.as(teacherToken, (db) => students(db, { archived }))).students.map(({ name }) => name);
  expect(await here.as(ada.token, (db) => archivePerson(db, bo.id, true))).toBe(false);
  expect(await here.as(teacherToken, (db) => archivePerson(db, teacher.id, true))).toBe(false);
  expect(await here.as(teacherToken, (db) => archivePerson(db, bo.id, true))).toBe(true);
  expect(await here.as(session, signedInPerson)).toBeUndefined();
  expect((await signIn('bo', 'quite another one', HOME)).ok).toBe(false);
  expect([await names(false), await names(true)]).toEqual([['Ada'], ['Bo']]);
  // Not even a session made behind the door's back.
  const forced = await openSession(bo.id);
  expect(await here.as(forced, signedInPerson)).toBeUndefined();

  expect(await here.as(teacherToken, (db) => archivePerson(db, bo.id, false))).toBe(true);
  expect((await signIn('bo', 'quite another one', HOME)).ok).toBe(true);
  expect(await names(false)).toEqual(['Ada', 'Bo']);
});
