import { beforeAll, describe, expect, test } from 'vitest';
import { endAssignment, setAssignment } from './assignments';
import { USUAL_SETTINGS } from '@/core/documents/settings';
import { eventInWords } from '@/features/workshop/eventInWords';
import type { Db } from './database';
import { openSession } from './door';
import { events } from './events';
import { archivePerson, changePerson, setPassword } from './people';
import { ada, bo, grooveId, seed, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';
import { saveSettings } from './workshop';

const here = throwAwayDatabase('events');

beforeAll(() => seed(here));

/** What was noted down since an event, in words, the oldest first. */
async function since(work: () => Promise<unknown>): Promise<string[]> {
  const [last] = await here.as(teacherToken, (db) => events(db));
  await work();
  const all = await here.as(teacherToken, (db) => events(db));
  return all
    .filter(({ id }) => Number(id) > Number(last?.id ?? 0))
    .reverse()
    .map(eventInWords);
}
const asTeacher = <T>(work: (db: Db) => Promise<T>) => here.as(teacherToken, work);

describe('sign-ins and changes are written down by the database', () => {
  test('who, whom and what', async () => {
    const set = { student_id: bo.id, groove_id: grooveId, tempo: 60, click: 'counts', minutes: 5, reason: '' } as const;
    let homework = '';
    expect(
      await since(async () => {
        await openSession(ada.id);
        await here.as(ada.token, (db) => setPassword(db, ada.id, 'my own new one'));
        await asTeacher((db) => setPassword(db, bo.id, 'a new one for Bo'));
        await asTeacher((db) => changePerson(db, bo.id, { level: 'concert' }));
        await asTeacher((db) => changePerson(db, bo.id, { level: 'concert' }));
        homework = await asTeacher((db) => setAssignment(db, teacher, set));
        await asTeacher((db) => endAssignment(db, homework));
        await asTeacher((db) => archivePerson(db, bo.id, true));
        await asTeacher((db) => archivePerson(db, bo.id, false));
        await asTeacher((db) => saveSettings(db, teacher.workshop_id, USUAL_SETTINGS, 1));
        await here.owner.query(`update credential set password_hash = 'x' where person_id = $1`, [ada.id]);
      }),
    ).toEqual([
      'Ada signed in',
      'Ada changed the password',
      'Tova Lind set a password for Bo',
      'Tova Lind changed Bo (level: second year → concert)',
      'Tova Lind set “Slow crossing” for Bo',
      'Tova Lind ended “Slow crossing” for Bo',
      'Tova Lind archived Bo',
      'Tova Lind brought Bo back',
      'Tova Lind changed the settings of the workshop',
      'At the server somebody set a password for Ada',
    ]);
  });

  test('a page at a time, without end', async () => {
    const all = await here.as(teacherToken, (db) => events(db));
    const third = all[2]!;
    expect(await here.as(teacherToken, (db) => events(db, Number(third.id)))).toEqual(all.slice(3));
  });

  test('nobody alters them: not the teacher, not the door; a student does not even see them', async () => {
    const tries = [
      `update event set detail = ''`,
      'delete from event',
      `insert into event (workshop_id, kind) values ('${teacher.workshop_id}', 'signed in')`,
      'truncate event',
    ];
    for (const sql of tries) {
      await expect(asTeacher((db) => db.query(sql))).rejects.toThrow(/permission denied/);
      await expect(here.door.query(sql)).rejects.toThrow(/permission denied/);
    }
    await expect(here.door.query('select * from event')).rejects.toThrow(/permission denied/);
    expect(await here.as(ada.token, (db) => events(db))).toEqual([]);
  });
});
