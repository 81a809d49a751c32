import { beforeAll, describe, expect, test } from 'vitest';
import {
  changeAssignment,
  endAssignment,
  homework,
  openAssignments,
  setAgain,
  setAssignment,
  undoAssignment,
  type NewAssignment,
} from './assignments';
import { events } from './events';
import { keepListening } from './listening';
import { setAside } from './takeNotes';
import {
  ada,
  anyTake,
  assignmentId,
  bo,
  grooveId,
  kept,
  NOW,
  seed,
  sent,
  teacher,
  teacherToken,
} from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';
import { writeTake } from '@/core/documents/take';

const here = throwAwayDatabase('assignments');
beforeAll(() => seed(here));
const asTeacher = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(teacherToken, work);
const ZONE = 'Europe/Zurich';
const ofAda = async () =>
  (await asTeacher((db) => homework(db, [ada.id], { timeZone: ZONE }))).find(({ id }) => id === assignmentId)!;
const usual: NewAssignment = { student_id: '', groove_id: '', tempo: 72, click: 'counts', minutes: 10, reason: '' };

describe('how homework goes', () => {
  test('counts what sounded since it was set, at whatever tempo; clean takes at the goal pass it', async () => {
    await here.owner.query('update assignment set pass_takes = 2, set_at = $2 where id = $1', [
      assignmentId,
      new Date(NOW.getTime() - 86_400_000),
    ]);
    const slow = JSON.parse(JSON.stringify(writeTake(anyTake({ bpm: 60 })))) as unknown;
    expect(await kept(here, ada.token, sent(ada.id, { take: slow }))).toMatchObject({ ok: true });
    expect(await ofAda()).toMatchObject({ takes: 1, clean: 0, passed: false, last_tempo: 60 });
    for (let index = 0; index < 2; index++) {
      const id = crypto.randomUUID();
      expect(await kept(here, ada.token, sent(ada.id, { id }))).toMatchObject({ ok: true });
      await here.owner.query(`update take set verdict_about = 'clean' where id = $1`, [id]);
      expect(await ofAda()).toMatchObject({ takes: 2 + index, clean: 1 + index, passed: index === 1 });
    }
    // What was set aside, and what the kit struck, count for nothing.
    await here.owner.query(`update take set played_at = now()`);
    const before = await ofAda();
    expect(before.today_ms).toBeGreaterThan(10_000);
    expect([before.week_ms, before.days]).toEqual([before.today_ms, 1]);
    const { rows } = await here.owner.query<{ id: string }>('select id from take order by tempo desc limit 1');
    await here.as(ada.token, (db) => setAside(db, { id: ada.id }, rows[0]!.id, 'The stool slipped.'));
    expect(await ofAda()).toMatchObject({ takes: 2, clean: 1, passed: false });
  });

  test('of chosen bars, those are enough', async () => {
    const groove = anyTake().groove;
    expect(groove.bars.length).toBeGreaterThan(0);
    const id = await asTeacher((db) =>
      setAssignment(db, teacher, { ...usual, student_id: bo.id, groove_id: grooveId, bar_from: 0, bar_to: 0 }),
    );
    await here.owner.query('update assignment set set_at = $2 where id = $1', [id, new Date(NOW.getTime() - 1000)]);
    const take = JSON.parse(JSON.stringify(writeTake(anyTake()))) as unknown;
    expect(await kept(here, bo.token, sent(bo.id, { assignmentId: id, take }))).toMatchObject({ ok: true });
    expect((await here.owner.query('select from take where assignment_id = $1', [id])).rowCount).toBe(1);
  });

  test('a listening drill passes by sittings of which four of five are right', async () => {
    const id = await asTeacher((db) =>
      setAssignment(db, teacher, { ...usual, student_id: bo.id, groove_id: null, subject: 'flam', pass_takes: 1 }),
    );
    const sitting = (right: number) => ({
      version: 1,
      subject: 'flam',
      answers: Array.from({ length: 5 }, (_, at) => ({
        rung: 0,
        seed: at,
        right: 'flat',
        said: at < right ? 'flat' : 'wide',
      })),
    });
    const found = async () =>
      (await asTeacher((db) => homework(db, [bo.id], { timeZone: ZONE }))).find((one) => one.id === id)!;
    await here.as(bo.token, async (db) =>
      keepListening(db, { id: bo.id, workshop_id: teacher.workshop_id }, crypto.randomUUID(), sitting(3)),
    );
    expect(await found()).toMatchObject({ title: 'By ear: flam', takes: 1, clean: 0, passed: false });
    await here.as(bo.token, async (db) =>
      keepListening(db, { id: bo.id, workshop_id: teacher.workshop_id }, crypto.randomUUID(), sitting(4)),
    );
    expect(await found()).toMatchObject({ takes: 2, clean: 1, passed: true });
  });
});

describe('what is set', () => {
  const set = () =>
    asTeacher((db) => setAssignment(db, teacher, { ...usual, student_id: bo.id, groove_id: grooveId, tempo: 99 }));

  test('is changed, taken back as if it never was, or ended and set again; all of it is noted', async () => {
    const id = await set();
    expect(
      await asTeacher((db) =>
        changeAssignment(db, id, { ...usual, tempo: 101, ladder_start: 70, ladder_step: 4, pass_takes: 3 }),
      ),
    ).toBe(true);
    expect((await asTeacher((db) => openAssignments(db, bo.id))).find((one) => one.id === id)).toMatchObject({
      tempo: 101,
      ladder_start: 70,
      pass_takes: 3,
    });
    expect(await asTeacher((db) => endAssignment(db, id))).toBe(true);
    expect(await asTeacher((db) => changeAssignment(db, id, usual))).toBe(false);
    expect(
      (await asTeacher((db) => homework(db, [bo.id], { timeZone: ZONE, ended: true }))).map((one) => one.id),
    ).toEqual([id]);
    expect(await asTeacher((db) => setAgain(db, id))).toBe(true);
    expect(await asTeacher((db) => undoAssignment(db, id))).toBe(true);
    expect((await asTeacher((db) => events(db))).slice(0, 5).map(({ kind }) => kind)).toEqual([
      'homework undone',
      'homework set again',
      'homework ended',
      'homework changed',
      'homework set',
    ]);
  });

  test('is not taken back once something was played for it, nor by a student', async () => {
    const id = await set();
    expect(await here.as(bo.token, (db) => undoAssignment(db, id))).toBe(false);
    expect(await here.as(bo.token, (db) => changeAssignment(db, id, usual))).toBe(false);
    expect(await here.as(bo.token, (db) => setAgain(db, id))).toBe(false);
    await here.owner.query('update take set assignment_id = $1 where player_id = $2', [id, bo.id]);
    expect(await asTeacher((db) => undoAssignment(db, id))).toBe(false);
  });

  test('is one thing, with whole bars and a whole ladder', async () => {
    for (const wrong of [
      { groove_id: null },
      { groove_id: grooveId, subject: 'flam' as const },
      { groove_id: grooveId, bar_from: 2, bar_to: 1 },
      { groove_id: grooveId, bar_from: 2 },
      { groove_id: grooveId, ladder_start: 60 },
    ])
      await expect(
        asTeacher((db) => setAssignment(db, teacher, { ...usual, student_id: bo.id, ...wrong })),
      ).rejects.toThrow(/check/);
  });
});
