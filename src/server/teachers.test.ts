import { beforeAll, describe, expect, test } from 'vitest';
import { hashPassword, openSession, signIn } from './door';
import { events } from './events';
import { invite } from './invitations';
import {
  addStudent,
  archivePerson,
  changePerson,
  deleteStudent,
  setOwnWays,
  setPassword,
  signedInPerson,
  student,
  students,
  type Person,
} from './people';
import { addTeacher, setOwner, shareStudent, takeOver, teachers, teachersOf } from './teachers';
import { agenda, addTime } from './lessonTimes';
import { openLesson } from './lessons';
import { takes } from './takes';
import { ada, bo, kept, school, seed, sent, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('teachers');
let gero: Person;
let geroToken: string;
const asOwner = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(teacherToken, work);
const asGero = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(geroToken, work);
const names = async (token: string) => (await here.as(token, (db) => students(db))).students.map(({ name }) => name);

beforeAll(async () => {
  await seed(here);
  await kept(here, ada.token, sent(ada.id));
  geroToken = await openSession(await asOwner((db) => addTeacher(db, teacher, 'Gero Vask')));
  gero = (await asGero(signedInPerson))!;
});

describe('a teacher beside the owner', () => {
  test('has the students they add, and sees nothing of the others', async () => {
    expect(gero).toMatchObject({ role: 'teacher', is_owner: false, name: 'Gero Vask' });
    await asGero((db) => addStudent(db, gero, { name: 'Cas', level: 'first year', setup: 'crossed', school }));
    expect(await names(geroToken)).toEqual(['Cas']);
    // The owner has them all.
    expect(await names(teacherToken)).toEqual(['Ada', 'Bo', 'Cas']);
    expect(await asGero((db) => student(db, ada.id))).toBeUndefined();
    expect(await asGero((db) => takes(db))).toEqual([]);
    expect(await asGero((db) => changePerson(db, ada.id, { level: 'concert' }))).toBe(false);
    expect(await asGero((db) => archivePerson(db, ada.id, true))).toBe(false);
    expect(await asGero((db) => invite(db, gero, ada.id))).toBeUndefined();
    expect(await asGero((db) => setPassword(db, ada.id, 'not theirs to set'))).toBe(false);
  });

  test('shares a student with them, and takes them back', async () => {
    await asOwner((db) => shareStudent(db, teacher, ada.id, [teacher.id, gero.id]));
    expect(await names(geroToken)).toEqual(['Ada', 'Cas']);
    expect(await asGero((db) => takes(db))).toHaveLength(1);
    expect((await asGero((db) => teachersOf(db, ada.id))).toSorted()).toEqual([teacher.id, gero.id].toSorted());
    await asOwner((db) => shareStudent(db, teacher, ada.id, [teacher.id]));
    expect(await names(geroToken)).toEqual(['Cas']);
    // Nobody takes a student they do not have.
    await expect(
      asGero((db) =>
        db.query('insert into teaching (student_id, teacher_id, workshop_id) values ($1, $2, $3)', [
          bo.id,
          gero.id,
          gero.workshop_id,
        ]),
      ),
    ).rejects.toThrow(/row-level security/);
    expect((await asOwner((db) => events(db))).map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['shared', 'shared no more', 'teacher added']),
    );
  });

  test('is no owner: neither teachers nor the workshop are theirs to change', async () => {
    await expect(asGero((db) => addTeacher(db, gero, 'Another'))).rejects.toThrow(/row-level security/);
    expect(await asGero((db) => setOwner(db, gero.id, true))).toBe(false);
    expect(await asGero((db) => invite(db, gero, teacher.id))).toBeUndefined();
    expect((await asGero((db) => db.query(`update workshop set name = 'x'`))).rowCount).toBe(0);
    const seen = await asGero((db) => events(db));
    expect(seen.length).toBeGreaterThan(0);
    expect(seen.every(({ by, about }) => by === 'Gero Vask' || about === 'Cas' || about === 'Gero Vask')).toBe(true);
  });

  test('is made an owner and no longer; the last owner stays', async () => {
    expect(await asOwner((db) => setOwner(db, teacher.id, false))).toBe(false);
    expect(await asOwner((db) => setOwner(db, gero.id, true))).toBe(true);
    expect(await names(geroToken)).toEqual(['Ada', 'Bo', 'Cas']);
    expect(await asGero((db) => setOwner(db, gero.id, false))).toBe(true);
    expect(await names(geroToken)).toEqual(['Cas']);
    expect(await asOwner((db) => setOwner(db, bo.id, true))).toBe(false);
  });

  test('is archived by the owner and signs in no more; their students stay with the workshop', async () => {
    expect(await asOwner((db) => teachers(db))).toMatchObject([
      { name: 'Gero Vask', students: 1, archived: false },
      { name: 'Tova Lind', is_owner: true },
    ]);
    expect(await asOwner((db) => archivePerson(db, teacher.id, true))).toBe(false);
    expect(await asOwner((db) => archivePerson(db, gero.id, true))).toBe(true);
    expect(await asGero(signedInPerson)).toBeUndefined();
    expect(await names(teacherToken)).toContain('Cas');
    expect(await asOwner((db) => deleteStudent(db, gero.id))).toBe(false);
    expect(await asOwner((db) => archivePerson(db, gero.id, false))).toBe(true);
  });
});

test('how one sits and counts is one’s own to settle, and nobody else’s', async () => {
  await here.as(bo.token, (db) => setOwnWays(db, { setup: 'left-handed', school: 'takadimi', report: 'plain words' }));
  expect(await here.as(bo.token, signedInPerson)).toMatchObject({ setup: 'left-handed', report: 'plain words' });
  expect(await here.as(ada.token, signedInPerson)).toMatchObject({ setup: 'crossed', report: 'figures' });
  expect((await here.as(bo.token, (db) => db.query(`update person set level = 'concert'`))).rowCount).toBe(0);
});

test('a student’s own limits and a corrected sign-in name are kept and noted; one that is taken is refused', async () => {
  const limits = { hand: [3, 5, 7], foot: [2, 3, 4] } as const;
  await asOwner((db) => changePerson(db, bo.id, { limits, signInName: ' BoBo ' }));
  expect(await here.as(bo.token, signedInPerson)).toMatchObject({ limits, sign_in_name: 'bobo' });
  expect((await asOwner((db) => events(db)))[0]).toMatchObject({
    kind: 'person changed',
    detail: 'strokes a second, sign-in name: bo → bobo',
  });
  await expect(asOwner((db) => changePerson(db, bo.id, { signInName: 'ada' }))).rejects.toMatchObject({
    code: '23505',
  });
  await asOwner((db) => changePerson(db, bo.id, { limits: null }));
  expect(await here.as(bo.token, signedInPerson)).toMatchObject({ limits: null, sign_in_name: 'bobo' });
});

test('two workshops may each have an Ada: the password tells them apart, else the workshop’s name', async () => {
  const { rows } = await here.owner.query<{ id: string; handle: string }>(
    `insert into workshop (name) values ('Test shed') returning id, handle`,
  );
  expect(rows[0]!.handle).toBe('test-shed-2');
  const from = { address: '10.1.0.1' };
  const password = 'Ada has a password';
  expect(await signIn('ada', password, from)).toMatchObject({ ok: true });
  const another = async (workshop: string, own: string) => {
    const { rows: made } = await here.owner.query<{ id: string }>(
      `insert into person (workshop_id, role, name, sign_in_name, level, school)
       values ($1, 'student', 'Ada', 'ada', 'concert', 'x') returning id`,
      [workshop],
    );
    const hashed = await hashPassword(own);
    await here.owner.query('insert into credential (person_id, password_hash) values ($1, $2)', [made[0]!.id, hashed]);
    return made[0]!.id;
  };
  const other = await another(rows[0]!.id, 'the other Ada’s own');
  // Nobody writes more than before because somebody elsewhere chose their name.
  expect(await signIn('ada', password, from)).toMatchObject({ ok: true, personId: ada.id });
  expect(await signIn('ada', 'the other Ada’s own', from)).toMatchObject({ ok: true, personId: other });
  expect(await signIn('ada', 'nobody’s', from)).toMatchObject({
    ok: false,
    say: expect.stringContaining('do not go together'),
  });
  expect(await signIn('Ada@test-shed', password, from)).toMatchObject({ ok: true, personId: ada.id });
  expect(await signIn('ada@test-shed-2', password, from)).toMatchObject({ ok: false });
  // The same password too: only then, and to whoever knows it, the workshop is asked for.
  const third = await here.owner.query<{ id: string }>(`insert into workshop (name) values ('Reed hut') returning id`);
  await another(third.rows[0]!.id, password);
  expect(await signIn('ada', password, from)).toMatchObject({
    ok: false,
    say: expect.stringContaining('like ada@lake-house'),
  });
  expect(await signIn('ada@reed-hut', password, from)).toMatchObject({ ok: true });
  // Of more than four the password is not tried one after another.
  for (const name of ['Fourth', 'Fifth']) {
    const made = await here.owner.query<{ id: string }>('insert into workshop (name) values ($1) returning id', [name]);
    await another(made.rows[0]!.id, `the ${name} own`);
  }
  expect(await signIn('ada', 'the other Ada’s own', from)).toMatchObject({ ok: false });
  expect(await signIn('ada@test-shed-2', 'the other Ada’s own', from)).toMatchObject({ ok: true, personId: other });
  expect(await here.as(ada.token, signedInPerson)).toMatchObject({ sign_in_name: 'ada@test-shed' });
});

test('an owner takes over from a teacher who is archived: students who would have nobody, their times and planned lessons', async () => {
  const hanna = await asOwner((db) => addTeacher(db, teacher, 'Hanna Lok'));
  const token = await openSession(hanna);
  const asHanna = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(token, work);
  const her = (await asHanna(signedInPerson))!;
  const ivo = await asHanna((db) =>
    addStudent(db, her, { name: 'Ivo', level: 'first year', setup: 'crossed', school }),
  );
  const timeId = await asHanna((db) =>
    addTime(db, her, {
      rule: 'FREQ=WEEKLY;INTERVAL=1',
      startsOn: '2026-12-01',
      at: '16:00',
      minutes: 45,
      students: [ivo],
    }),
  );
  const lesson = (await asHanna((db) => openLesson(db, her, { timeId, day: '2026-12-08' }, 'Etc/UTC')))!;
  // Who is there is taken over from by nobody, and by no one who is not an owner.
  expect(await asOwner((db) => takeOver(db, hanna))).toBe(false);
  await asOwner((db) => archivePerson(db, hanna, true));
  expect(await asGero((db) => takeOver(db, hanna))).toBe(false);
  expect(await asOwner((db) => takeOver(db, hanna))).toBe(true);
  expect(await asOwner((db) => teachersOf(db, ivo))).toEqual([teacher.id]);
  const span = { from: new Date('2026-12-01T00:00Z'), to: new Date('2026-12-10T00:00Z') };
  const entries = await asOwner((db) => agenda(db, { teacherId: teacher.id }, span, 'Etc/UTC'));
  expect(entries.map(({ startsAt, lesson: one }) => [startsAt.toISOString().slice(0, 10), one?.id])).toEqual([
    ['2026-12-01', undefined],
    ['2026-12-08', lesson],
  ]);
  expect(await asOwner((db) => takeOver(db, crypto.randomUUID()))).toBe(false);
});
