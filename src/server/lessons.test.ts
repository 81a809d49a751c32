import { beforeAll, describe, expect, test } from 'vitest';
import { freshStep } from '@/core/plan/lesson';
import { homework, openAssignments, setAssignment } from './assignments';
import { openSession } from './door';
import { addHoliday, addTime, agenda, dropHoliday, endTime, holidays, upcoming, timesOf } from './lessonTimes';
import {
  beginLesson,
  endLesson,
  lesson,
  lessonsOf,
  moveLesson,
  openLesson,
  runningLesson,
  savePlan,
  skipLesson,
  writeLessonWords,
} from './lessons';
import { dropTemplate, keepTemplate, lessonTemplates } from './lessonTemplates';
import { addTeacher } from './teachers';
import { ada, bo, grooveId, seed, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('lessons');
const ZONE = 'Europe/Zurich';
const asTeacher = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(teacherToken, work);
const asAda = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(ada.token, work);
const at = (text: string) => new Date(text);
/** Tuesdays. */
const weekly = { rule: 'FREQ=WEEKLY;INTERVAL=1', startsOn: '2026-10-20', at: '16:00', minutes: 45 };
const inOctober = { from: at('2026-10-19T00:00Z'), to: at('2026-11-08T00:00Z') };
let timeId: string;
let colleague: string;

beforeAll(async () => {
  await seed(here);
  timeId = await asTeacher((db) => addTime(db, teacher, { ...weekly, students: [ada.id, bo.id] }));
  colleague = await openSession(await asTeacher((db) => addTeacher(db, teacher, 'Gero Vask')));
});

const starts = async () =>
  (await asTeacher((db) => agenda(db, { teacherId: teacher.id }, inOctober, ZONE))).map(
    ({ startsAt, lesson: kept, holiday }) => [
      startsAt.toISOString().slice(0, 16),
      holiday ?? kept?.state ?? 'comes round',
    ],
  );
const opened = (day: string) => asTeacher((db) => openLesson(db, teacher, { timeId, day }, ZONE));

describe('times that come round', () => {
  test('at the hour of the clock, over its change; for the teacher, who comes, and nobody else', async () => {
    expect(await starts()).toEqual([
      ['2026-10-20T14:00', 'comes round'],
      ['2026-10-27T15:00', 'comes round'],
      ['2026-11-03T15:00', 'comes round'],
    ]);
    const adas = await asAda((db) => agenda(db, { studentId: ada.id }, inOctober, ZONE));
    expect(adas).toHaveLength(3);
    // One of two who come together is told of no other.
    expect(adas[0]!.time!.students.map(({ name }) => name)).toEqual(['Ada']);
    expect(await asAda((db) => agenda(db, { studentId: bo.id }, inOctober, ZONE))).toEqual([]);
    expect(await here.as(colleague, (db) => agenda(db, { teacherId: teacher.id }, inOctober, ZONE))).toEqual([]);
    expect(await asTeacher((db) => timesOf(db, bo.id))).toMatchObject([
      { at: '16:00', startsOn: '2026-10-20', students: [{}, {}] },
    ]);
    expect(await asTeacher((db) => upcoming(db, ada.id, at('2026-10-21T00:00Z'), ZONE, 1))).toMatchObject([
      { ofDay: '2026-10-27' },
    ]);
  });

  test('a holiday leaves one out', async () => {
    await asTeacher((db) => addHoliday(db, teacher, { name: 'Regatta', from: '2026-10-27', to: '2026-10-28' }));
    expect((await starts())[1]).toEqual(['2026-10-27T15:00', 'Regatta']);
    expect(await asTeacher((db) => upcoming(db, ada.id, at('2026-10-21T00:00Z'), ZONE, 1))).toMatchObject([
      { ofDay: '2026-11-03' },
    ]);
    for (const { id } of await asTeacher(holidays)) await asTeacher((db) => dropHoliday(db, id));
    expect((await starts())[1]).toEqual(['2026-10-27T15:00', 'comes round']);
  });

  test('end on a day; one that never began is gone', async () => {
    const id = await asTeacher((db) => addTime(db, teacher, { ...weekly, startsOn: '2026-10-21', students: [ada.id] }));
    expect(await here.as(colleague, (db) => endTime(db, id, '2026-10-28'))).toBe(false);
    expect(await asAda((db) => endTime(db, id, '2026-10-28'))).toBe(false);
    expect(await asTeacher((db) => endTime(db, id, '2026-10-28'))).toBe(true);
    expect((await starts()).map(([day]) => day!.slice(0, 10))).toContain('2026-10-28');
    expect(await asTeacher((db) => endTime(db, id, '2026-10-20'))).toBe(true);
    expect((await starts()).length).toBe(3);
  });

  test('nobody is put down for another teacher’s time', async () => {
    await expect(here.as(colleague, (db) => addTime(db, teacher, { ...weekly, students: [ada.id] }))).rejects.toThrow(
      /row-level/,
    );
    await expect(
      asAda((db) => addTime(db, { ...teacher, id: ada.id }, { ...weekly, students: [ada.id] })),
    ).rejects.toThrow(/row-level/);
  });
});

describe('a lesson', () => {
  test('is opened once, begins with what is set, and is seen by its teacher; its notes by no student', async () => {
    const id = (await opened('2026-10-20'))!;
    expect(await opened('2026-10-20')).toBe(id);
    const found = (await asTeacher((db) => lesson(db, id)))!;
    expect(found).toMatchObject({
      state: 'planned',
      minutes: 45,
      students: [{ name: 'Ada' }, { name: 'Bo' }],
      save_number: 1,
    });
    expect(found.starts_at).toEqual(at('2026-10-20T14:00:00Z'));
    if (!found.plan.ok) throw new Error('unreadable');
    expect(found.plan.value.steps.map(({ kind, opens }) => [kind, opens?.what === 'groove' && opens.bpm])).toEqual([
      ['warm-up', false],
      ['recall', 72],
      ['new', false],
      ['to music', false],
      ['homework', false],
    ]);
    expect(await asAda((db) => lesson(db, id))).toMatchObject({
      state: 'planned',
      save_number: 0,
      plan: { value: { steps: [] } },
    });
    expect((await asAda((db) => db.query('select from lesson_plan'))).rowCount).toBe(0);
    expect(await here.as(colleague, (db) => lesson(db, id))).toBeUndefined();
    expect(
      await asTeacher((db) => openLesson(db, teacher, { timeId: crypto.randomUUID(), day: '2026-10-20' }, ZONE)),
    ).toBeUndefined();
  });

  test('runs with its clock, is noted down, ends with words, and stays in the log', async () => {
    const id = (await opened('2026-10-20'))!;
    const began = at('2026-10-20T14:01:00Z');
    expect(await asAda((db) => beginLesson(db, id, began))).toBe(false);
    expect(await asTeacher((db) => beginLesson(db, id, began))).toBe(true);
    expect(await asTeacher((db) => beginLesson(db, id, began))).toBe(false);
    expect(await asAda((db) => runningLesson(db, { id: ada.id, role: 'student' }))).toEqual({
      id,
      with: { [teacher.id]: 'Tova Lind' },
    });
    // One at a time.
    const other = (await opened('2026-11-03'))!;
    expect(await asTeacher((db) => beginLesson(db, other, began))).toBe('busy');

    const running = (await asTeacher((db) => lesson(db, id)))!;
    if (!running.plan.ok) throw new Error('unreadable');
    expect(running.plan.value.on).toEqual({ step: 0, sinceMs: began.getTime() });
    const noted = {
      ...running.plan.value,
      steps: running.plan.value.steps.map((step, index) => (index ? step : { ...step, notes: 'Loose.' })),
    };
    expect(await asTeacher((db) => savePlan(db, id, noted, running.save_number))).toBe(running.save_number + 1);
    // A window that did not see that writes over nothing.
    expect(await asTeacher((db) => savePlan(db, id, { version: 1, steps: [] }, running.save_number))).toBeUndefined();

    expect(await asTeacher((db) => endLesson(db, id, 'Let 4 wait.', at('2026-10-20T14:46:00Z')))).toBe(true);
    const held = (await asTeacher((db) => lesson(db, id)))!;
    expect(held).toMatchObject({ state: 'held', words: 'Let 4 wait.' });
    expect(held.plan).toMatchObject({
      value: { steps: [{ notes: 'Loose.', spentMs: 45 * 60_000 }, ...Array(4).fill({ spentMs: 0 })] },
    });
    expect(await asTeacher((db) => savePlan(db, id, noted, held.save_number))).toBeUndefined();
    expect(await asAda((db) => lessonsOf(db, ada.id))).toMatchObject([
      { id, words: 'Let 4 wait.', teacher: 'Tova Lind' },
    ]);
    expect(await asTeacher((db) => writeLessonWords(db, id, 'Let 4 wait for you.'))).toBe(true);
    expect(await asAda((db) => writeLessonWords(db, id, 'x'))).toBe(false);
    expect(await asAda((db) => runningLesson(db, { id: ada.id, role: 'student' }))).toBeUndefined();
  });

  test('is moved, with what is due by it; skipped and brought back; a held one is not', async () => {
    const id = (await opened('2026-10-27'))!;
    const before = at('2026-10-27T15:00:00Z');
    const [set] = await asTeacher((db) => openAssignments(db, ada.id));
    await here.owner.query('update assignment set due_at = $2 where id = $1', [set!.id, before]);
    const after = at('2026-10-29T09:30:00Z');
    expect(await asTeacher((db) => moveLesson(db, id, after, 30))).toBe(true);
    expect((await starts()).slice(0, 2)).toEqual([
      ['2026-10-20T14:00', 'held'],
      ['2026-10-29T09:30', 'planned'],
    ]);
    expect((await asTeacher((db) => openAssignments(db, ada.id)))[0]!.due_at).toEqual(after);
    expect(await asTeacher((db) => skipLesson(db, id, true))).toBe(true);
    expect((await starts())[1]).toEqual(['2026-10-29T09:30', 'skipped']);
    expect(await asTeacher((db) => skipLesson(db, id, false))).toBe(true);
    const held = (await opened('2026-10-20'))!;
    expect(await asTeacher((db) => moveLesson(db, held, after, 30))).toBe(false);
    expect(await asTeacher((db) => skipLesson(db, held, true))).toBe(false);
    expect((await asTeacher((db) => db.query('delete from lesson where id = $1', [held]))).rowCount).toBe(0);
  });

  test('takes place by itself too, without a time that comes round', async () => {
    const startsAt = at('2026-10-22T18:00:00Z');
    const id = (await asTeacher((db) => openLesson(db, teacher, { students: [bo.id], startsAt, minutes: 30 }, ZONE)))!;
    expect(await asTeacher((db) => lesson(db, id))).toMatchObject({ starts_at: startsAt, students: [{ name: 'Bo' }] });
    expect(await starts()).toContainEqual(['2026-10-22T18:00', 'planned']);
  });
});

test('templates are one’s own, kept by name without notes', async () => {
  const plan = {
    version: 1 as const,
    steps: [{ ...freshStep('new', 20), title: 'Two drums', notes: 'Ada was tired.' }],
  };
  expect(await asTeacher((db) => keepTemplate(db, teacher, 'Short one', plan))).toBe(true);
  expect(await asTeacher((db) => keepTemplate(db, teacher, 'Short one', plan))).toBe(true);
  expect(await asTeacher(lessonTemplates)).toMatchObject([
    { name: 'Short one', plan: { steps: [{ title: 'Two drums', notes: '' }] } },
  ]);
  expect(await here.as(colleague, lessonTemplates)).toEqual([]);
  const { id } = (await asTeacher(lessonTemplates))[0]!;
  await here.as(colleague, (db) => dropTemplate(db, id));
  expect(await asTeacher(lessonTemplates)).toHaveLength(1);
  await asTeacher((db) => dropTemplate(db, id));
  expect(await asTeacher(lessonTemplates)).toEqual([]);
});

test('homework counts nothing before anything was played', async () => {
  expect(await asTeacher((db) => homework(db, [ada.id, bo.id], { timeZone: ZONE }))).toMatchObject([
    { title: expect.any(String), takes: 0, clean: 0, today_ms: 0, days: 0, last_tempo: null, passed: false },
  ]);
});

test('of a group what is set for any of them is heard, each thing once', async () => {
  const set = (student_id: string, what: { groove_id: string | null; subject?: 'flam' }) =>
    asTeacher((db) =>
      setAssignment(db, teacher, { student_id, ...what, tempo: 80, click: 'counts', minutes: 5, reason: 'Together' }),
    );
  await set(ada.id, { groove_id: grooveId });
  await set(bo.id, { groove_id: grooveId });
  await set(bo.id, { groove_id: null, subject: 'flam' });
  const id = (await asTeacher((db) =>
    openLesson(db, teacher, { startsAt: at('2026-12-20T15:00Z'), minutes: 45, students: [ada.id, bo.id] }, ZONE),
  ))!;
  const { plan } = (await asTeacher((db) => lesson(db, id)))!;
  if (!plan.ok) throw new Error('unreadable');
  const heard = plan.value.steps.flatMap(({ opens }) =>
    opens ? [opens.what === 'by ear' ? opens.subject : opens.id] : [],
  );
  expect(heard.toSorted()).toEqual([grooveId, 'flam'].toSorted());
});
