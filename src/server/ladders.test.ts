import { beforeAll, describe, expect, test } from 'vitest';
import { FIRST_STANDING, usualClimb } from '@/core/plan/ladder';
import { type Climb } from '@/core/documents/climb';
import { setAssignment } from './assignments';
import { STARTER_GROOVES } from './demo/grooves';
import { openSession, setUpWorkshop } from './door';
import { addGroove } from './grooves';
import { keepLadder, ladderOf } from './ladders';
import { addStudent, signedInPerson, type Person } from './people';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('ladders');
const school = 'e-and-a / trip-let';
const HOUR = 3_600_000;

let teacherToken: string;
let ada: Person & { token: string };
let bo: Person & { token: string };
let set: string;
let unset: string;

const climb = (rung: number): Climb => ({ ...usualClimb(90), standing: { ...FIRST_STANDING, rung, clean: 1 } });

beforeAll(async () => {
  teacherToken = (await setUpWorkshop({
    workshop: 'Ladder shed',
    teacher: 'Tova Lind',
    signInName: 'tova',
    password: 'a long password',
    school,
  }))!;
  const teacher = await here.as(teacherToken, async (db) => (await signedInPerson(db))!);
  const addAs = async (name: string) => {
    const id = await here.as(teacherToken, (db) =>
      addStudent(db, teacher, {
        name,
        signInName: name,
        password: `${name} has a password`,
        level: 'second year',
        setup: 'crossed',
        school,
      }),
    );
    const token = await openSession(id);
    return { ...(await here.as(token, async (db) => (await signedInPerson(db))!)), token };
  };
  [ada, bo] = [await addAs('Ada'), await addAs('Bo')];
  set = await here.as(teacherToken, (db) => addGroove(db, teacher, STARTER_GROOVES[0]!));
  unset = await here.as(teacherToken, (db) => addGroove(db, teacher, STARTER_GROOVES[1]!));
  await here.as(teacherToken, (db) =>
    setAssignment(db, teacher, {
      student_id: ada.id,
      groove_id: set,
      tempo: 72,
      click: 'counts',
      minutes: 10,
      reason: 'Climb.',
    }),
  );
});

describe('where somebody stands on a ladder', () => {
  test('is kept, moved, and the next time a rung below', async () => {
    const at = (after: number) => here.as(ada.token, (db) => ladderOf(db, ada.id, set, new Date(Date.now() + after)));
    expect(await at(0)).toBeUndefined();
    const keep = (rung: number, from: number) =>
      here.as(ada.token, (db) => keepLadder(db, ada, set, climb(rung), from));
    expect(await keep(2, 0)).toBe(1);
    expect(await keep(3, 1)).toBe(2);
    // An older window, which has seen the first step only, does not overwrite the second.
    expect(await keep(0, 1)).toBeUndefined();
    expect(await keep(0, 0)).toBeUndefined();
    expect(await at(0)).toEqual({ climb: { ok: true, value: climb(3) }, step: 2 });
    expect((await at(20 * HOUR))!.climb).toMatchObject({ value: { standing: { ...FIRST_STANDING, rung: 2 } } });
    const { rows } = await here.as(ada.token, (db) => db.query<{ tempo: number }>('select tempo from ladder'));
    expect(rows).toEqual([{ tempo: 72 }]);
  });

  test('that cannot be read comes back as a problem', async () => {
    await here.owner.query(`update ladder set document = '{"version": 4}'`);
    const kept = await here.as(ada.token, (db) => ladderOf(db, ada.id, set, new Date()));
    expect(kept).toMatchObject({ climb: { ok: false, problems: [{ code: 'newer-version' }] } });
  });

  test('is read by the teacher, and by nobody else; and nobody climbs for another', async () => {
    expect(await here.as(teacherToken, (db) => ladderOf(db, ada.id, set, new Date()))).toBeDefined();
    expect(await here.as(bo.token, (db) => ladderOf(db, ada.id, set, new Date()))).toBeUndefined();
    await expect(here.as(bo.token, (db) => keepLadder(db, ada, set, climb(0), 0))).rejects.toThrow(
      /row-level security/,
    );
    await expect(here.as(teacherToken, (db) => keepLadder(db, ada, set, climb(0), 0))).rejects.toThrow(
      /row-level security/,
    );
  });

  test('is only of a groove one may see', async () => {
    await expect(here.as(ada.token, (db) => keepLadder(db, ada, unset, climb(0), 0))).rejects.toThrow(
      /row-level security/,
    );
  });
});
