import { beforeAll, expect, test } from 'vitest';
import { makeDrill } from '@/core/drill/drill';
import { ready, usualRule } from '@/core/drill/rule';
import { familyNamed } from '@/core/drill/registry';
import { openSession, setUpWorkshop } from './door';
import { drills, dropDrill, keepDrill } from './drills';
import { addStudent, signedInPerson, type Person } from './people';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('drills');
const school = 'e-and-a / trip-let';
const rule = usualRule(familyNamed('between')!, { params: { where: 'every combination' }, picked: [7, 3] });

let teacher: Person;
let token: string;
let student: string;

beforeAll(async () => {
  token = (await setUpWorkshop({ workshop: 'Drill shed', teacher: 'Tova Lind', signInName: 'tova', password: 'a long password', school }))!;
  teacher = await here.as(token, async (db) => (await signedInPerson(db))!);
  const id = await here.as(token, (db) =>
    addStudent(db, teacher, { name: 'Ada', signInName: 'ada', password: 'Ada has a password', level: 'second year', setup: 'crossed', school }),
  );
  student = await openSession(id);
});

test('a drill is kept as its rule and makes the same bars again; kept under the same name it is changed', async () => {
  await here.as(token, (db) => keepDrill(db, teacher, 'Between, two of them', rule));
  const [kept] = await here.as(token, drills);
  expect(kept).toMatchObject({ name: 'Between, two of them' });
  expect(makeDrill(kept!.rule)).toEqual(makeDrill(rule));
  expect(ready(kept!.rule).ok).toBe(true);
  await here.as(token, (db) => keepDrill(db, teacher, 'Between, two of them', { ...rule, goal: 99 }));
  expect((await here.as(token, drills)).map((one) => one.rule.goal)).toEqual([99]);
});

test('drills are the teacher’s: a student sees, keeps and drops none', async () => {
  expect(await here.as(student, drills)).toEqual([]);
  await expect(here.as(student, (db) => keepDrill(db, teacher, 'Mine', rule))).rejects.toThrow(/row-level security/);
  const [kept] = await here.as(token, drills);
  await here.as(student, (db) => dropDrill(db, kept!.id));
  expect(await here.as(token, drills)).toHaveLength(1);
  await here.as(token, (db) => dropDrill(db, kept!.id));
  expect(await here.as(token, drills)).toEqual([]);
});
