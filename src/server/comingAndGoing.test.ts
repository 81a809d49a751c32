import { strFromU8, unzipSync } from 'fflate';
import { beforeAll, describe, expect, test } from 'vitest';
import { invitedBy, join, openSession, signIn } from './door';
import { events } from './events';
import { invitationOf, invite, takeBackInvitation } from './invitations';
import { everythingOf } from './leaving';
import { endOwnSession, ownSessions } from './ownSessions';
import { addStudent, archivePerson, changePerson, deleteStudent, signedInPerson, student } from './people';
import { keepRecording } from './recordings';
import { writeNote } from './takeNotes';
import { takes } from './takes';
import { ada, bo, kept, school, seed, sent, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('coming');
beforeAll(() => seed(here));

const asTeacher = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(teacherToken, work);
const added = (name: string): Promise<string> =>
  asTeacher((db) => addStudent(db, teacher, { name, level: 'first year', setup: 'crossed', school }));
const invitedAs = async (id: string) => (await asTeacher((db) => invite(db, teacher, id)))!;
const password = 'paddle and drum';
const from = { address: '10.0.0.9' };

describe('an invitation', () => {
  test('lets a student in once, with a name, sign-in name and password of their own', async () => {
    const id = await added('Wim');
    const token = await invitedAs(id);
    expect(await invitedBy(token)).toMatchObject({ name: 'Wim', workshop: 'Test shed', has_password: false });
    expect(await asTeacher((db) => invitationOf(db, id))).toBeDefined();
    const came = await join(token, { name: 'Wimmie', signInName: 'Wimmie', password }, 'iPhone');
    if (typeof came === 'string') throw new Error(came);
    expect(await here.as(came.token, signedInPerson)).toMatchObject({ id, name: 'Wimmie', sign_in_name: 'wimmie' });
    expect(await here.as(came.token, ownSessions)).toMatchObject([{ opened_with: 'iPhone', is_this: true }]);
    expect(await join(token, { name: 'X', signInName: 'xx', password })).toBe('gone');
    expect(await signIn('wimmie', password, from)).toMatchObject({ ok: true });
  });

  test('holds no more once it is taken back, replaced, too old, or the student is archived', async () => {
    const id = await added('Nel');
    const first = await invitedAs(id);
    const second = await invitedAs(id);
    expect([await invitedBy(first), Boolean(await invitedBy(second))]).toEqual([undefined, true]);
    expect(await asTeacher((db) => takeBackInvitation(db, id))).toBe(true);
    expect(await join(second, { name: 'Nel', signInName: 'nel', password })).toBe('gone');

    const old = await invitedAs(id);
    await here.owner.query(`update invitation set expires_at = now() where person_id = $1`, [id]);
    expect(await join(old, { name: 'Nel', signInName: 'nel', password })).toBe('gone');

    const late = await invitedAs(id);
    await asTeacher((db) => archivePerson(db, id, true));
    expect(await join(late, { name: 'Nel', signInName: 'nel', password })).toBe('gone');
    expect(await asTeacher((db) => invite(db, teacher, id))).toBeUndefined();
    expect(await invitedBy('x')).toBeUndefined();
  });

  test('where the sign-in name is taken nothing is used up; of two who use it at once one comes in', async () => {
    const token = await invitedAs(await added('Pau'));
    expect(await join(token, { name: 'Pau', signInName: 'ADA', password })).toBe('taken');
    const came = await Promise.all(
      ['pau', 'pau2'].map((signInName) => join(token, { name: 'Pau', signInName, password })),
    );
    expect(came.filter((one) => typeof one === 'object')).toHaveLength(1);
    expect(came.filter((one) => one === 'gone')).toHaveLength(1);
  });

  test('for who has been here it is a new password, and ends what was open', async () => {
    const token = await invitedAs(ada.id);
    expect(await invitedBy(token)).toMatchObject({ has_password: true, sign_in_name: 'ada' });
    const old = await openSession(ada.id);
    const came = await join(token, { password: 'a quite new one' });
    if (typeof came === 'string') throw new Error(came);
    expect(await here.as(old, signedInPerson)).toBeUndefined();
    expect(await here.as(came.token, signedInPerson)).toMatchObject({ name: 'Ada', sign_in_name: 'ada' });
    expect(await signIn('ada', 'Ada has a password', from)).toMatchObject({ ok: false });
    ada.token = came.token;
  });

  test('is the teacher’s alone to make and to see, and never for oneself', async () => {
    const mine = (await here.as(bo.token, signedInPerson))!;
    expect(await here.as(bo.token, (db) => invite(db, mine, ada.id))).toBeUndefined();
    expect(await here.as(bo.token, (db) => invite(db, mine, bo.id))).toBeUndefined();
    expect(await asTeacher((db) => invite(db, teacher, teacher.id))).toBeUndefined();
    await invitedAs(ada.id);
    expect(await here.as(bo.token, (db) => invitationOf(db, ada.id))).toBeUndefined();
    expect(await asTeacher((db) => events(db))).toContainEqual(
      expect.objectContaining({ kind: 'invited', by: 'Tova Lind', about: 'Ada' }),
    );
  });
});

test('one’s own sessions are listed, and each is ended by its own person', async () => {
  const [phone, desk] = [await openSession(bo.id, 'Android phone'), await openSession(bo.id, 'Mac')];
  const all = await here.as(desk, ownSessions);
  expect(all.map(({ opened_with, is_this }) => [opened_with, is_this])).toEqual(
    expect.arrayContaining([
      ['Android phone', false],
      ['Mac', true],
    ]),
  );
  const { id } = all.find((one) => one.opened_with === 'Android phone')!;
  expect(await here.as(ada.token, (db) => endOwnSession(db, id))).toBe(false);
  expect(await here.as(desk, (db) => endOwnSession(db, id))).toBe(true);
  expect(await here.as(phone, signedInPerson)).toBeUndefined();
});

test('a student is renamed, and what they are after and about how old they are is kept', async () => {
  const change = { name: 'Bodo', goals: 'Swing by June.', age: 'grown-up' as const };
  expect(await asTeacher((db) => changePerson(db, bo.id, change))).toBe(true);
  expect(await asTeacher((db) => student(db, bo.id))).toMatchObject(change);
  await asTeacher((db) => changePerson(db, bo.id, { level: 'concert' }));
  expect(await asTeacher((db) => student(db, bo.id))).toMatchObject({ ...change, level: 'concert' });
  await asTeacher((db) => changePerson(db, bo.id, { age: null, name: 'Bo' }));
  expect(await asTeacher((db) => student(db, bo.id))).toMatchObject({ age: null, name: 'Bo' });
});

describe('leaving', () => {
  const played = async () => {
    const body = sent(ada.id);
    const keeping = await kept(here, ada.token, body);
    if (!keeping.ok) throw new Error(keeping.problems[0]!.say);
    return body.id;
  };

  test('everything of a student’s is one file, in batches, with the sounds', async () => {
    const [first] = [await played(), await played()];
    const me = (await here.as(ada.token, signedInPerson))!;
    const sound = Buffer.from('RIFF of a lake');
    await here.as(ada.token, (db) =>
      keepRecording(db, me, { takeId: first, kind: 'audio/wav', lengthMs: 1000, zeroMs: 0, sound }),
    );
    await here.as(ada.token, (db) => writeNote(db, me, { takeId: first, words: 'The stool creaked.' }));
    const parts: Uint8Array[] = [];
    for await (const part of (await everythingOf(ada.id, (work) => here.as(teacherToken, work)))!) parts.push(part);
    const files = unzipSync(new Uint8Array(Buffer.concat(parts)));
    const json = (name: string) => JSON.parse(strFromU8(files[name]!)) as Record<string, unknown>[];
    expect(json('person.json')).toMatchObject([{ name: 'Ada' }]);
    expect(json('takes/0001.json').map(({ id }) => id)).toContain(first);
    expect(json('takes/0001.json')).toHaveLength((await asTeacher((db) => takes(db, { playerId: ada.id }))).length);
    expect(json('notes.json')).toMatchObject([{ words: 'The stool creaked.' }]);
    expect(json('homework.json')).toMatchObject([{ tempo: 72 }]);
    expect(Buffer.from(files[`sounds/${first}.wav`]!)).toEqual(sound);
    // Nobody else is given any of it.
    expect(await everythingOf(ada.id, (work) => here.as(bo.token, work))).toBeUndefined();
  });

  test('deleted for good only where archived, by their teacher, and nothing of them stays', async () => {
    expect(await asTeacher((db) => deleteStudent(db, ada.id))).toBe(false);
    await asTeacher((db) => archivePerson(db, ada.id, true));
    expect(await here.as(bo.token, (db) => deleteStudent(db, ada.id))).toBe(false);
    const before = (await here.owner.query('select from person')).rowCount!;
    expect(await asTeacher((db) => deleteStudent(db, ada.id))).toBe(true);
    expect((await here.owner.query('select from person')).rowCount).toBe(before - 1);
    const { rows } = await here.owner.query<{ name: string }>(
      `select relname as name from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'`,
    );
    for (const { name } of rows) {
      const found = await here.owner.query(`select from "${name}" t where position($1 in t::text) > 0`, [ada.id]);
      expect([name, found.rowCount]).toEqual([name, 0]);
    }
    expect(await asTeacher((db) => events(db))).toContainEqual(
      expect.objectContaining({ kind: 'deleted', by: 'Tova Lind', about: null }),
    );
  });
});
