import { beforeAll, describe, expect, test } from 'vitest';
import { endAssignment, openAssignments, setAssignment } from './assignments';
import { STARTER_GROOVES } from './demo/grooves';
import { USUAL_SETTINGS } from '@/core/documents/settings';
import { addGroove, groove, grooves, saveGroove, setArchived, setFavourite, setLabels } from './grooves';
import { migrate } from './migrate';
import { kindOf } from './installation';
import { addStudent, archivePerson, changePerson, signedInPerson, students } from './people';
import { take, takes } from './takes';
import { throwAwayDatabase } from './testing/throwAway';
import { saveSettings } from './workshop';
import { ada, assignmentId, bo, grooveId, kept, school, seed, sent, teacher, teacherToken } from './testing/seeded';

const here = throwAwayDatabase('workshop');

beforeAll(() => seed(here));

describe('what a person may see', () => {
  test('a teacher sees the workshop, a student herself and the teacher', async () => {
    const { total, students: all } = await here.as(teacherToken, (db) => students(db));
    expect([total, all.map(({ name }) => name)]).toEqual([2, ['Ada', 'Bo']]);
    const found = await here.as(teacherToken, (db) => students(db, { words: 'AD', most: 1 }));
    expect(found).toMatchObject({ total: 1, students: [{ name: 'Ada', school }] });
    expect(await here.as(teacherToken, (db) => students(db, { from: 1 }))).toMatchObject({
      students: [{ name: 'Bo' }],
    });
    const seen = await here.as(ada.token, (db) => db.query<{ name: string }>('select name from person order by name'));
    expect(seen.rows.map(({ name }) => name)).toEqual(['Ada', 'Tova Lind']);
  });

  test('a student sees a groove from when it is set for her', async () => {
    expect(await here.as(ada.token, (db) => groove(db, grooveId))).toBeDefined();
    expect(await here.as(bo.token, grooves)).toEqual([]);
  });

  test('a student cannot read another’s take, even by raw SQL as the web role', async () => {
    const body = sent(ada.id);
    expect((await kept(here, ada.token, body)).ok).toBe(true);
    expect(await here.as(bo.token, (db) => take(db, body.id))).toBeUndefined();
    const raw = await here.as(bo.token, (db) => db.query('select * from take where id = $1 or true', [body.id]));
    expect(raw.rows).toEqual([]);
    expect(await here.as(teacherToken, (db) => take(db, body.id))).toBeDefined();
  });

  test('the web role cannot become somebody else', async () => {
    await here.as(bo.token, async (db) => {
      for (const sql of [
        'select * from session',
        'select * from credential',
        'select door_open_session(null, null, null)',
        'select * from door_credential(null)',
        'set role mochila_door',
        'reset role; select * from session',
      ]) {
        await db.query('savepoint before');
        await expect(db.query(sql), sql).rejects.toThrow(/permission denied/);
        await db.query('rollback to before');
      }
      await db.query(`select set_config('mochila.person', $1, true)`, [ada.id]);
      expect(await takes(db)).toEqual([]);
    });
    await expect(here.web.query('alter table take disable row level security')).rejects.toThrow(/must be owner/);
    expect((await here.web.query('select * from take')).rows).toEqual([]);
  });

  test('the door cannot read the workshop', async () => {
    await expect(here.door.query('select * from take')).rejects.toThrow(/permission denied/);
    await expect(here.door.query('select * from person')).rejects.toThrow(/permission denied/);
  });

  test('a student can set nothing, add nobody and change no password but her own', async () => {
    const asAda = (sql: string, values: unknown[] = []) => here.as(ada.token, (db) => db.query(sql, values));
    await expect(
      here.as(ada.token, (db) =>
        setAssignment(
          db,
          { id: ada.id, workshop_id: teacher.workshop_id },
          { student_id: ada.id, groove_id: grooveId, tempo: 72, click: 'counts', minutes: 10, reason: 'x' },
        ),
      ),
    ).rejects.toThrow(/row-level security/);
    await expect(
      asAda(
        `insert into person (id, workshop_id, role, name, sign_in_name, level, school)
          values (gen_random_uuid(), $1, 'teacher', 'x', 'xyz', 'concert', 'x')`,
        [teacher.workshop_id],
      ),
    ).rejects.toThrow(/row-level security/);
    await expect(asAda(`select set_password($1, 'x')`, [bo.id])).rejects.toThrow(/not your password/);
    await expect(asAda('update take set missed = 0')).rejects.toThrow(/permission denied/);
    await expect(asAda('delete from take')).rejects.toThrow(/permission denied/);
    expect(await here.as(ada.token, (db) => endAssignment(db, assignmentId))).toBe(false);
  });

  test('a sign-in name is had once, also across case', async () => {
    const again = await here.as(teacherToken, (db) =>
      addStudent(db, teacher, {
        name: 'Other',
        signInName: 'ADA',
        password: 'another password',
        level: 'advanced',
        setup: 'crossed',
        school,
      }),
    );
    expect(again).toBe('taken');
  });
});

test('an ended assignment leaves Today; its groove and takes stay', async () => {
  const id = await here.as(teacherToken, (db) =>
    setAssignment(db, teacher, {
      student_id: bo.id,
      groove_id: grooveId,
      tempo: 80,
      click: '2 and 4',
      minutes: 5,
      reason: 'Then on.',
    }),
  );
  expect(await here.as(bo.token, (db) => openAssignments(db, bo.id))).toMatchObject([
    { title: 'Slow crossing', tempo: 80, set_by: 'Tova Lind' },
  ]);
  expect(await here.as(teacherToken, (db) => endAssignment(db, id))).toBe(true);
  expect(await here.as(bo.token, (db) => openAssignments(db, bo.id))).toEqual([]);
  expect(await here.as(bo.token, (db) => groove(db, grooveId))).toBeDefined();
});

describe('saving a groove', () => {
  test('raises the save number and the columns; a save from before is answered with what stands there', async () => {
    const made = STARTER_GROOVES[2]!.groove;
    const id = await here.as(teacherToken, (db) => addGroove(db, teacher, { groove: made, level: 'advanced' }));
    const save = (from: number, title: string) =>
      here.as(teacherToken, (db) => saveGroove(db, id, from, { ...made, title, tempo: 97.5 }));
    expect(await save(1, 'First')).toEqual({ kind: 'saved', save_number: 2 });
    expect(await save(1, 'Second')).toMatchObject({
      kind: 'behind',
      save_number: 2,
      groove: { title: 'First', tempo: 97.5 },
    });
    expect(await here.as(teacherToken, (db) => groove(db, id))).toMatchObject({ title: 'First', save_number: 2 });
  });

  test('a student can save none, not even one that is set for her', async () => {
    const before = await here.as(teacherToken, (db) => groove(db, grooveId));
    const answer = await here.as(ada.token, (db) =>
      saveGroove(db, grooveId, before!.save_number, { ...STARTER_GROOVES[0]!.groove, title: 'Mine now' }),
    );
    expect(answer.kind).toBe('behind');
    expect(await here.as(teacherToken, (db) => groove(db, grooveId))).toEqual(before);
  });
});

describe('the library', () => {
  test('level, tags and archive are the teacher’s to change; a student changes nothing', async () => {
    const id = await here.as(teacherToken, (db) => addGroove(db, teacher, { ...STARTER_GROOVES[1]!, tags: ['one'] }));
    await here.as(teacherToken, async (db) => {
      await setLabels(db, id, { level: 'concert', tags: ['low water', 'backbeat'] });
      await setArchived(db, id, true);
    });
    expect(await here.as(teacherToken, (db) => groove(db, id))).toMatchObject({
      level: 'concert',
      tags: ['low water', 'backbeat'],
      archived: true,
      save_number: 1,
    });
    await here.as(teacherToken, (db) => setArchived(db, id, false));
    await here.as(ada.token, async (db) => {
      await setLabels(db, grooveId, { level: 'concert', tags: ['mine'] });
      await setArchived(db, grooveId, true);
    });
    expect(await here.as(ada.token, (db) => groove(db, grooveId))).toMatchObject({
      level: 'first year',
      archived: false,
    });
  });

  test('favourites are each person’s own, and only of grooves one may see', async () => {
    await here.as(ada.token, (db) =>
      setFavourite(db, { id: ada.id, workshop_id: teacher.workshop_id }, grooveId, true),
    );
    await here.as(ada.token, (db) =>
      setFavourite(db, { id: ada.id, workshop_id: teacher.workshop_id }, grooveId, true),
    );
    expect((await here.as(ada.token, (db) => groove(db, grooveId)))?.favourite).toBe(true);
    expect((await here.as(teacherToken, (db) => groove(db, grooveId)))?.favourite).toBe(false);
    const hidden = await here.as(teacherToken, (db) => addGroove(db, teacher, STARTER_GROOVES[2]!));
    await here.as(ada.token, (db) => setFavourite(db, { id: ada.id, workshop_id: teacher.workshop_id }, hidden, true));
    const forBo = { id: bo.id, workshop_id: teacher.workshop_id };
    await expect(here.as(ada.token, (db) => setFavourite(db, forBo, grooveId, true))).rejects.toThrow(
      /row-level security/,
    );
    expect((await here.owner.query('select from favourite')).rowCount).toBe(1);
    await here.as(ada.token, (db) =>
      setFavourite(db, { id: ada.id, workshop_id: teacher.workshop_id }, grooveId, false),
    );
    expect((await here.as(ada.token, (db) => groove(db, grooveId)))?.favourite).toBe(false);
  });
});

describe('the workshop', () => {
  test('its settings are the teacher’s to set and everybody’s to read', async () => {
    const own = { name: 'Ours', syllables: { 4: ['ka', 'po', 'ki'] } };
    await here.as(teacherToken, (db) =>
      saveSettings(db, teacher.workshop_id, { ...USUAL_SETTINGS, schools: [own] }, 1),
    );
    await here.as(teacherToken, (db) => changePerson(db, ada.id, { school: 'Ours', level: 'advanced' }));
    expect(await here.as(ada.token, signedInPerson)).toMatchObject({
      school: own,
      level: 'advanced',
      setup: 'crossed',
    });
    expect(await here.as(ada.token, (db) => saveSettings(db, teacher.workshop_id, USUAL_SETTINGS, 2))).toBeUndefined();
    expect((await here.as(bo.token, signedInPerson))?.settings.schools).toEqual([own]);
    expect(await here.as(ada.token, (db) => changePerson(db, ada.id, { level: 'first year' }))).toBe(false);
    await here.as(teacherToken, (db) => changePerson(db, ada.id, { school, level: 'second year' }));
  });

  test('of two windows that keep its settings, the second is told and overwrites nothing', async () => {
    const { settings_number: from } = (await here.as(teacherToken, signedInPerson))!;
    const keep = (timeZone: string) =>
      here.as(teacherToken, (db) => saveSettings(db, teacher.workshop_id, { ...USUAL_SETTINGS, timeZone }, from));
    expect(await keep('Europe/Zurich')).toBe(from + 1);
    expect(await keep('Etc/UTC')).toBeUndefined();
    expect((await here.as(teacherToken, signedInPerson))!.settings.timeZone).toBe('Europe/Zurich');
  });
});

describe('setting something', () => {
  const set = () =>
    ({ student_id: bo.id, groove_id: grooveId, tempo: 64, click: 'counts', minutes: 7, reason: '' }) as const;
  const give = () => here.as(teacherToken, (db) => setAssignment(db, teacher, set()));

  test('sent three times, also all at once, it is set once; ended it can be set again', async () => {
    const ids = new Set([...(await Promise.all([give(), give(), give()])), await give()]);
    expect(ids.size).toBe(1);
    const [id] = ids;
    await here.as(teacherToken, (db) => endAssignment(db, id!));
    expect(ids.has(await give())).toBe(false);
  });

  test('what is archived is not set, and nothing for somebody who is', async () => {
    await here.as(teacherToken, (db) => setArchived(db, grooveId, true));
    const other = { ...set(), tempo: 65 };
    const given = () => here.as(teacherToken, (db) => setAssignment(db, teacher, other));
    await expect(given()).rejects.toThrow(/row-level security/);
    await here.as(teacherToken, (db) => setArchived(db, grooveId, false));
    await here.as(teacherToken, (db) => archivePerson(db, bo.id, true));
    await expect(given()).rejects.toThrow(/row-level security/);
    await here.as(teacherToken, (db) => archivePerson(db, bo.id, false));
    expect(await given()).toBeTruthy();
  });
});

test('a database stays what it was made: a workshop of one’s own is never taken for the demo', async () => {
  expect(await kindOf(here.ownerUrl, 'demo')).toBe('own');
  await here.owner.query('update installation set kind = null');
  expect(await kindOf(here.ownerUrl, 'demo')).toBe('own');
});

test('migrating again, and twice at once, changes nothing', async () => {
  const applied = async () => (await here.owner.query('select name from migration')).rows;
  const before = await applied();
  const [one, other] = await Promise.all([migrate(here.ownerUrl), migrate(here.ownerUrl)]);
  expect(await applied()).toEqual(before);
  // Whoever starts on this database finds the passwords that hold, and shuts nobody out.
  expect(one).toEqual(other);
  expect(await here.as(teacherToken, signedInPerson)).toBeDefined();
  expect((await here.web.query('select 1')).rowCount).toBe(1);
});
