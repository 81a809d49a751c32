import { beforeAll, expect, test } from 'vitest';
import { makeDrill } from '@/core/drill/drill';
import { readyRule, renewed, usualRule } from '@/core/drill/rule';
import { writeGroove } from '@/core/documents/groove';
import { familyNamed } from '@/core/drill/registry';
import { openSession, setUpWorkshop } from './door';
import { openAssignments, setAssignment } from './assignments';
import { drill, drillChoices, drills, dropDrill, grooveOfDrill, keepDrill, type KeptDrill } from './drills';
import { groove, saveGroove, type StoredGroove } from './grooves';
import { addStudent, signedInPerson, type Person } from './people';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('drills');
const school = 'e-and-a / trip-let';
const rule = usualRule(familyNamed('between')!, { params: { where: 'every combination' }, picked: [7, 3] });

const ruleIn = (kept: KeptDrill | undefined) => {
  if (!kept?.rule.ok) throw new Error('unread');
  return kept.rule.value;
};
const contentOf = (stored: StoredGroove | undefined) => {
  if (!stored || 'unreadable' in stored.content) throw new Error('unread');
  return stored.content;
};

let teacher: Person;
let token: string;
let student: string;
let studentId: string;

beforeAll(async () => {
  token = (await setUpWorkshop({
    workshop: 'Drill shed',
    teacher: 'Tova Lind',
    signInName: 'tova',
    password: 'a long password',
    school,
  }))!;
  teacher = await here.as(token, async (db) => (await signedInPerson(db))!);
  studentId = await here.as(token, (db) =>
    addStudent(db, teacher, {
      name: 'Ada',
      signInName: 'ada',
      password: 'Ada has a password',
      level: 'second year',
      setup: 'crossed',
      school,
    }),
  );
  student = await openSession(studentId);
});

test('a drill is kept as its rule and makes the same bars again; kept under the same name it is changed', async () => {
  await here.as(token, (db) => keepDrill(db, teacher, { name: 'Between, two of them', tags: ['16ths'], rule }));
  const [kept] = await here.as(token, drills);
  expect(kept).toMatchObject({ name: 'Between, two of them', tags: ['16ths'] });
  expect(makeDrill(ruleIn(kept))).toEqual(makeDrill(rule));
  expect(readyRule(ruleIn(kept)).ok).toBe(true);
  await here.as(token, (db) =>
    keepDrill(db, teacher, { name: 'Between, two of them', tags: [], rule: { ...rule, goal: 99 } }),
  );
  expect((await here.as(token, drills)).map((one) => ruleIn(one).goal)).toEqual([99]);
});

test('a drill that was kept by an older Mochila is read with what is usual now, and is made anew', async () => {
  const old = { version: 1, family: 'placement', generator: 1, params: { limb: 'left hand' }, picked: [3] };
  await here.owner.query('insert into drill (workshop_id, made_by, name, family, rule) values ($1, $2, $3, $4, $5)', [
    teacher.workshop_id,
    teacher.id,
    'Old planks',
    'placement',
    JSON.stringify(old),
  ]);
  const kept = (await here.as(token, drills)).find(({ name }) => name === 'Old planks')!;
  expect(kept).toMatchObject({ tags: [], rule: { ok: true, value: { click: 'counts', repeats: 1, picked: [3] } } });
  const { rule: now, anew } = renewed(ruleIn(kept));
  expect([anew, now.picked, makeDrill(now).ok]).toEqual([true, undefined, true]);
  await here.as(token, (db) => dropDrill(db, kept.id));
});

test('drills are the teacher’s: a student sees, keeps and drops none', async () => {
  expect(await here.as(student, drills)).toEqual([]);
  await expect(here.as(student, (db) => keepDrill(db, teacher, { name: 'Mine', tags: [], rule }))).rejects.toThrow(
    /row-level security/,
  );
  const [kept] = await here.as(token, drills);
  await here.as(student, (db) => dropDrill(db, kept!.id));
  expect(await here.as(token, drills)).toHaveLength(1);
  await here.as(token, (db) => dropDrill(db, kept!.id));
  expect(await here.as(token, drills)).toEqual([]);
});

const writtenOut = (name: string, one = rule) =>
  here.as(token, (db) => grooveOfDrill(db, teacher, { name, rule: one }, 'first year'));

test('a drill is written out once for the same rule and name; another rule is another groove, and the first stays as it is', async () => {
  const [first, again] = await Promise.all([1, 2, 3, 4].map(() => writtenOut('Planks')));
  expect((await here.owner.query(`select from groove where title = 'Planks' and drill is not null`)).rowCount).toBe(1);
  if (!first || !again) throw new Error('none');
  if (!first.ok) throw new Error('none');
  expect(again).toEqual(first);
  const before = await here.as(token, (db) => groove(db, first.value));
  expect(before).toMatchObject({ title: 'Planks', drill_exercises: 2, drill_repeats: 1, drill_pace: null, bars: 2 });
  const { drill: played, groove: bars } = contentOf(before);
  expect(played).toMatchObject({ rule: { picked: [7, 3] }, passages: [{ from: 0 }, { from: 1 }] });
  // Not even the bench may write over it.
  expect(await here.as(token, (db) => saveGroove(db, first.value, 1, { ...bars, tempo: 33 }))).toEqual({
    kind: 'gone',
  });
  const other = await writtenOut('Planks', { ...rule, picked: [1, 2, 3] });
  expect(other.ok && other.value).not.toBe(first.value);
  expect(await here.as(token, (db) => groove(db, first.value))).toEqual(before);
});

test('what is set keeps its bars though the drill is changed and dropped; the student it is set for sees it, nobody else', async () => {
  const id = await here.as(token, (db) => keepDrill(db, teacher, { name: 'For Ada', tags: [], rule }));
  const kept = (await here.as(token, (db) => drill(db, id)))!;
  const written = await here.as(token, (db) =>
    grooveOfDrill(db, teacher, { name: kept.name, rule: ruleIn(kept) }, 'second year'),
  );
  if (!written.ok) throw new Error('none');
  expect(await here.as(student, (db) => groove(db, written.value))).toBeUndefined();
  await here.as(token, (db) =>
    setAssignment(db, teacher, {
      student_id: studentId,
      groove_id: written.value,
      tempo: 80,
      click: 'counts',
      minutes: 5,
      reason: 'Slowly.',
    }),
  );
  const set = await here.as(student, (db) => groove(db, written.value));
  await here.as(token, (db) => keepDrill(db, teacher, { name: 'For Ada', tags: [], rule: { ...rule, picked: [0] } }));
  await here.as(token, (db) => dropDrill(db, id));
  expect(await here.as(student, (db) => groove(db, written.value))).toEqual(set);
  expect(await here.as(student, (db) => openAssignments(db, studentId))).toMatchObject([
    { title: 'For Ada', groove_id: written.value },
  ]);
});

test('too long for one go, or nothing at all, is said and keeps nothing', async () => {
  const grooves = async () => (await here.owner.query('select from groove')).rowCount;
  const before = await grooves();
  expect(await writtenOut('All', { ...rule, picked: undefined, most: 1000 })).toMatchObject({
    ok: false,
    problems: [{ path: ['most'] }],
  });
  expect(await writtenOut('None', { ...rule, ostinato: 'hat 16ths' })).toMatchObject({ ok: false });
  expect(await grooves()).toBe(before);
});

test('what can be set is listed without reading a rule; one that cannot be read is said and takes nothing else down', async () => {
  const add = (name: string, json: object) =>
    here.owner.query('insert into drill (workshop_id, made_by, name, family, rule) values ($1, $2, $3, $4, $5)', [
      teacher.workshop_id,
      teacher.id,
      name,
      'placement',
      JSON.stringify(json),
    ]);
  await add('Whole', { ...rule, goal: 77.5, click: '2 and 4' });
  await add('Broken', { version: 1, family: 'placement', generator: 'x', goal: 'fast' });
  expect(await here.as(token, drillChoices)).toMatchObject([
    { name: 'Broken', goal: 80, click: 'counts' },
    { name: 'Whole', goal: 77.5, click: '2 and 4' },
  ]);
  const read = await here.as(token, drills);
  expect(read.map(({ name, rule: one }) => [name, one.ok])).toEqual([
    ['Broken', false],
    ['Whole', true],
  ]);
});

test('a drill of version 1 goes on being played as it was written', async () => {
  const written = await writtenOut('Old planks', { ...rule, picked: [7, 3], repeats: 2 });
  if (!written.ok) throw new Error('none');
  const now = contentOf(await here.as(token, (db) => groove(db, written.value)));
  const bars = [0, 0, 1, 1].map((bar) => writeGroove(now.groove).bars[bar]!);
  const parts = now.drill!.exercises.map((one, index) => ({ ...one, from: 2 * index, bars: 1, times: 2 }));
  await here.owner.query('update groove set document = $2, drill = $3 where id = $1', [
    written.value,
    JSON.stringify({ ...writeGroove(now.groove), bars }),
    JSON.stringify({ version: 1, rule: { ...now.drill!.rule, version: 1 }, parts }),
  ]);
  const stored = await here.as(token, (db) => groove(db, written.value));
  expect(contentOf(stored)).toEqual(now);
  expect(stored).toMatchObject({ drill_exercises: 2, drill_repeats: 2 });
});
