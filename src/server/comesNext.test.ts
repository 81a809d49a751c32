import { addDays } from 'date-fns';
import { beforeAll, describe, expect, test } from 'vitest';
import { readDayPlan } from '@/core/documents/dayPlan';
import { reordered, without } from '@/core/plan/dayPlan';
import { changeAssignment, endAssignment, homework, setAssignment } from './assignments';
import { doneOf, keepPlan, makePlan, planOfToday } from './dayPlans';
import { addGroove } from './grooves';
import { learntBy, passedOf, reachedOf } from './learnt';
import { knownOf, refuse, suggestionsFor } from './nextSteps';
import { addStudents, studentLines } from './manyStudents';
import { keepPath, paths, setPathArchived, setWalks, walkedBy } from './paths';
import { signedInPerson } from './people';
import { STARTER_GROOVES } from './demo/grooves';
import { ada, bo, grooveId, kept, seed, sent, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';
import { changeTune, dropTune, howManyTunes, keepTunes, tunes, tunesFor } from './tunes';

const here = throwAwayDatabase('comes_next');
const UTC = 'Etc/UTC';
const asTeacher = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(teacherToken, work);
const asAda = <T>(work: Parameters<typeof here.as<T>>[1]) => here.as(ada.token, work);
let second: string;
let passing: string;

/** Takes of Ada's, as rows: what is asked here are columns, not strokes. */
async function played(
  groove: string,
  daysAgo: number,
  {
    bpm = 72,
    clean = true,
    kit = false,
    assignment,
  }: { bpm?: number; clean?: boolean; kit?: boolean; assignment?: string } = {},
): Promise<void> {
  const { rows } = await here.owner.query<{ column_name: string }>(
    "select column_name from information_schema.columns where table_name = 'take' and is_generated = 'NEVER'",
  );
  const changed: Record<string, string> = {
    id: 'gen_random_uuid()',
    groove_id: `'${groove}'`,
    assignment_id: assignment ? `'${assignment}'` : 'null',
    played_at: `now() - interval '${daysAgo} days'`,
    received_at: 'now()',
    tempo: String(bpm),
    verdict_about: `'${clean ? 'clean' : 'spread'}'`,
    played_ms: '120000',
    as_written: 'true',
    document: kit ? `jsonb_set(document, '{struckBy}', '"kit"')` : 'document',
  };
  const names = rows.map(({ column_name }) => column_name);
  await here.owner.query(
    `insert into take (${names.join(', ')}) select ${names.map((name) => changed[name] ?? name).join(', ')}
      from take where id = $1`,
    [model],
  );
}
let model: string;

beforeAll(async () => {
  await seed(here);
  const body = sent(ada.id);
  expect((await kept(here, ada.token, body)).ok).toBe(true);
  model = body.id;
  second = await asTeacher((db) => addGroove(db, teacher, STARTER_GROOVES[1]!));
  passing = await asTeacher((db) =>
    setAssignment(db, teacher, {
      student_id: ada.id,
      groove_id: second,
      tempo: 72,
      click: 'counts',
      minutes: 10,
      reason: '',
      pass_takes: 2,
      setAt: addDays(new Date(), -60),
    }),
  );
});

describe('what was learnt', () => {
  test('is passed by its clean takes at the goal, and comes back; what the kit played counts for nothing', async () => {
    await played(second, 30, { assignment: passing });
    await played(second, 30, { kit: true });
    await played(second, 30, { bpm: 71 });
    expect(passedOf(await asAda((db) => learntBy(db, ada.id, UTC)))).toEqual([]);
    await played(second, 29, { assignment: passing });
    const [passed] = passedOf(await asAda((db) => learntBy(db, ada.id, UTC)));
    expect(passed).toMatchObject({ grooveId: second, assignmentId: passing, recall: { bpm: 72, back: 0 } });
    expect(passed!.recall.dueOn - passed!.recall.passedOn).toBe(3);
    // The teacher sees the same, and Bo nothing of it.
    expect(passedOf(await asTeacher((db) => learntBy(db, ada.id, UTC)))).toEqual([passed]);
    expect(await here.as(bo.token, (db) => learntBy(db, ada.id, UTC))).toEqual([]);
  });

  test('the quickest clean tempo of each is what is reached', async () => {
    expect(reachedOf(await asAda((db) => learntBy(db, ada.id, UTC))).get(second)).toBe(72);
  });
});

describe('the plan of a day', () => {
  const made = (minutes: number, left: string[] = []) =>
    asAda(async (db) => {
      const who = (await signedInPerson(db))!;
      return makePlan(db, who, { minutes, homework: await homework(db, [ada.id], { timeZone: UTC }), left });
    });

  test('has the review that is due and what is set, in the time there is', async () => {
    const plan = await made(20);
    expect(plan.pieces.map(({ key }) => key)).toContain(`review ${second}`);
    expect(
      plan.pieces.some(({ kind, opens }) => kind === 'new' && opens.what === 'groove' && opens.id === grooveId),
    ).toBe(true);
    expect(plan.pieces.reduce((all, { minutes }) => all + minutes, 0)).toBeLessThanOrEqual(20);
    expect(plan.pieces.every(({ load }) => Object.keys(load).length > 0)).toBe(true);
    expect(await made(20)).toEqual(plan);
  });

  test('is kept for the day, changed, and shows what is done; only by whose it is', async () => {
    const plan = await made(20);
    const keys = plan.pieces.map(({ key }) => key).toReversed();
    await asAda((db) => keepPlan(db, { ...ada, workshop_id: teacher.workshop_id }, reordered(plan, keys), UTC));
    const today = (await asAda((db) => planOfToday(db, ada.id, UTC)))!;
    expect(today.plan.ok && today.plan.value.pieces.map(({ key }) => key)).toEqual(keys);
    await played(second, 0);
    const after = (await asAda((db) => planOfToday(db, ada.id, UTC)))!;
    const done = doneOf(after.plan.ok ? after.plan.value.pieces : [], after);
    expect(done[keys.indexOf(`review ${second}`)]).toBe(120_000);
    expect(done.reduce((all, ms) => all + ms, 0)).toBe([...after.played.values()].reduce((all, ms) => all + ms, 0));
    await expect(
      here.as(bo.token, (db) => keepPlan(db, { ...ada, workshop_id: teacher.workshop_id }, plan, UTC)),
    ).rejects.toThrow(/row-level security/);
    expect(await here.as(bo.token, (db) => planOfToday(db, ada.id, UTC))).toBeUndefined();
  });

  test('what was left out is not planned again that day', async () => {
    const plan = without(await made(20), `review ${second}`);
    expect((await made(20, plan.left)).pieces.map(({ key }) => key)).not.toContain(`review ${second}`);
  });

  test('one that cannot be read says so', async () => {
    await here.owner.query(`update day_plan set document = '{"version": 9}' where student_id = $1`, [ada.id]);
    expect((await asAda((db) => planOfToday(db, ada.id, UTC)))!.plan).toMatchObject({
      ok: false,
      problems: [{ code: 'newer-version' }],
    });
    expect(readDayPlan({ version: 1, minutes: 3, pieces: [], left: [] }).ok).toBe(false);
  });
});

describe('suggestions', () => {
  const keys = async () =>
    (await asTeacher(async (db) => suggestionsFor(db, ada.id, UTC, await knownOf(db, ada.id, UTC)))).suggestions.map(
      ({ key }) => key,
    );

  test('homework that is passed may end or go up; refused, it is not suggested within the time', async () => {
    expect(await keys()).toContain(`end ${passing} 72`);
    await asTeacher((db) =>
      refuse(db, teacher, { studentId: ada.id, key: `end ${passing} 72`, weeks: 2, timeZone: UTC }),
    );
    expect(await keys()).not.toContain(`end ${passing} 72`);
    await here.owner.query(`update refused set until = now()::date where student_id = $1`, [ada.id]);
    expect(await keys()).toContain(`end ${passing} 72`);
  });

  test('what was passed and failed twice since is to be set again', async () => {
    await asTeacher((db) => endAssignment(db, passing));
    expect(await keys()).not.toContain(`again ${second}`);
    await here.owner.query(
      `delete from take where player_id = $1 and groove_id = $2 and played_at > now() - interval '1 day'`,
      [ada.id, second],
    );
    await played(second, 6, { clean: false });
    await played(second, 4, { clean: false, bpm: 70 });
    expect(await keys()).toContain(`again ${second}`);
  });
});

test('homework that was passed and set higher is not passed any more', async () => {
  const setId = await asTeacher((db) =>
    setAssignment(db, teacher, {
      student_id: ada.id,
      groove_id: second,
      tempo: 72,
      click: 'counts',
      minutes: 10,
      reason: 'Higher',
      pass_takes: 1,
      setAt: addDays(new Date(), -2),
    }),
  );
  await played(second, 1, { assignment: setId });
  const of = async () =>
    (await asTeacher((db) => homework(db, [ada.id], { timeZone: UTC }))).find(({ id }) => id === setId)!;
  const passed = await of();
  expect(passed).toMatchObject({ passed: true, clean: 1 });
  await asTeacher((db) => changeAssignment(db, setId, { ...passed, tempo: 76 }));
  expect(await of()).toMatchObject({ passed: false, clean: 0, takes: 1 });
  await asTeacher((db) => endAssignment(db, setId));
});

describe('paths', () => {
  const id = crypto.randomUUID();
  const steps = () => [
    { grooveId: second, goal: 72, passTakes: 2 },
    { grooveId, goal: 90, passTakes: 1 },
  ];

  test('are made, walked, and where one stands comes from the takes', async () => {
    await asTeacher((db) => keepPath(db, teacher, { id, name: 'To the pier', saveNumber: 0, steps: steps() }));
    await asTeacher((db) => setWalks(db, teacher, { pathId: id, studentId: ada.id, walks: true }));
    const [walked] = await asAda(async (db) => walkedBy(db, ada.id, await learntBy(db, ada.id, UTC)));
    expect(walked).toMatchObject({ name: 'To the pier', at: 1 });
    expect(walked!.steps.map(({ clean }) => clean)).toEqual([2, 0]);
    expect((await asTeacher((db) => paths(db)))[0]).toMatchObject({ canChange: true, walkers: [{ name: 'Ada' }] });
    expect(await here.as(bo.token, (db) => paths(db))).toEqual([]);
  });

  test('a save of an older one overwrites nothing', async () => {
    const keep = (saveNumber: number, name: string) =>
      asTeacher((db) => keepPath(db, teacher, { id, name, saveNumber, steps: steps() }));
    expect(await keep(1, 'To the island')).toBe('kept');
    expect(await keep(1, 'To the moon')).toBe('behind');
    expect((await asTeacher((db) => paths(db, { id })))[0]).toMatchObject({ name: 'To the island', saveNumber: 2 });
    expect(
      await asTeacher((db) =>
        keepPath(db, teacher, { id: crypto.randomUUID(), name: 'x', saveNumber: 1, steps: steps() }),
      ),
    ).toBe('gone');
  });

  test('put away it is walked no more, and a student leaves it', async () => {
    await asTeacher((db) => setPathArchived(db, id, true));
    expect(await asAda((db) => walkedBy(db, ada.id, []))).toEqual([]);
    await asTeacher((db) => setPathArchived(db, id, false));
    await asTeacher((db) => setWalks(db, teacher, { pathId: id, studentId: ada.id, walks: false }));
    expect(await asAda((db) => walkedBy(db, ada.id, []))).toEqual([]);
  });
});

describe('tunes', () => {
  const tune = (title: string, tempo: number) => ({
    title,
    tempo,
    meter: '4/4',
    feel: 'straight' as const,
    part: '',
    grooves: [second],
  });

  test('are kept together, replaced by title, and fit whom has reached them', async () => {
    expect(
      await asTeacher((db) => keepTunes(db, teacher, [tune('Ferry', 72), tune('Storm', 78), tune('Gale', 140)])),
    ).toBe(3);
    expect(await asTeacher((db) => keepTunes(db, teacher, [tune('Ferry', 70), tune('Calm', 60)]))).toBe(1);
    expect(await asTeacher(howManyTunes)).toBe(4);
    const fits = await asAda(async (db) => tunesFor(db, reachedOf(await learntBy(db, ada.id, UTC))));
    expect(fits.map(({ title, fit }) => [title, fit.fits])).toEqual([
      ['Calm', 'now'],
      ['Ferry', 'now'],
      ['Storm', 'nearly'],
      ['Gale', 'not yet'],
    ]);
  });

  test('one is changed or taken off; never into another’s title', async () => {
    const [calm] = await asTeacher((db) => tunes(db, { words: 'cAL' }));
    expect(await asTeacher((db) => changeTune(db, calm!.id, { ...tune('Ferry', 60) }, teacher))).toBe(false);
    expect(await asTeacher((db) => changeTune(db, calm!.id, { ...tune('Calm water', 61), grooves: [] }, teacher))).toBe(
      true,
    );
    expect(await asTeacher((db) => tunes(db, { words: 'calm' }))).toMatchObject([
      { title: 'Calm water', tempo: 61, grooves: [] },
    ]);
    await asTeacher((db) => dropTune(db, calm!.id));
    expect(await asTeacher(howManyTunes)).toBe(3);
    await asAda((db) => dropTune(db, calm!.id));
    expect(await asTeacher(howManyTunes)).toBe(3);
  });
});

test('students of a file are added once, all of them or none, and are the teacher’s', async () => {
  const line = (name: string) => ({
    name,
    age: null,
    level: 'concert' as const,
    setup: 'crossed' as const,
    school: 'takadimi',
    report: 'figures' as const,
    goals: '',
  });
  const add = (...names: string[]) => asTeacher((db) => addStudents(db, teacher, names.map(line)));
  expect(await add('Cleo', 'cleo', 'ADA', 'Dag')).toBe(2);
  expect(await add('Cleo', 'Eik')).toBe(1);
  expect((await asTeacher(studentLines)).map(({ name }) => name)).toEqual(['Ada', 'Bo', 'Cleo', 'Dag', 'Eik']);
  await expect(
    asTeacher((db) => addStudents(db, teacher, [line('Finn'), { ...line('Gro'), school: '' }])),
  ).rejects.toThrow();
  expect((await asTeacher(studentLines)).map(({ name }) => name)).not.toContain('Finn');
});
