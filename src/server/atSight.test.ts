import { beforeAll, expect, test } from 'vitest';
import { writeTake } from '@/core/documents/take';
import type { SightPlan } from '@/core/documents/sightPlan';
import { turnFor } from '@/core/groove/kit';
import { drawnAtSight } from '@/core/practice/atSight';
import { emptyTake, playedTake } from '@/core/testing/takes';
import { openAssignments, setAssignment } from './assignments';
import { groove, grooves, saveGroove } from './grooves';
import { seedsRead } from './keepTake';
import { keepSight, sightPlans } from './sightPlans';
import { take } from './takes';
import { ada, bo, kept, NOW, seed, sent, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';
import { chartChoices } from './tuneCharts';

const here = throwAwayDatabase('at_sight');
const LINE: SightPlan = {
  kind: 'line',
  level: 'second year',
  values: ['quarters', '8ths'],
  meter: { beats: 4, unit: 4 },
  bars: 2,
  lookS: 10,
};
const NAMED = { title: 'Off the board', tempo: 72 };
let line: string;
let chart: string;
let assignmentId: string;

beforeAll(async () => {
  await seed(here);
  await here.as(teacherToken, async (db) => {
    line = await keepSight(db, teacher, { ...NAMED, plan: LINE });
    chart = await keepSight(db, teacher, { title: 'Call sheet', tempo: 96, plan: { ...LINE, kind: 'chart', bars: 8 } });
    assignmentId = await setAssignment(db, teacher, {
      student_id: ada.id,
      groove_id: line,
      tempo: 72,
      click: 'counts',
      minutes: 5,
      reason: '',
      setAt: new Date(NOW.getTime() - 86_400_000),
    });
  });
});

/** A line as Ada, whose hands are crossed, plays it from its seed; with the seed she says. */
const read = (from: number, said: number | undefined, plan = LINE) => {
  const played = turnFor(drawnAtSight(plan, NAMED, from).groove, 'crossed');
  const whole = playedTake({ spreadMs: 8 }, emptyTake(played, { bpm: 72, rounds: 1, playedMs: 0 }), 3);
  const json = JSON.parse(JSON.stringify(writeTake({ ...whole, playedMs: Math.round(whole.playedMs) }))) as unknown;
  return sent(ada.id, { grooveId: line, assignmentId, take: json, ...(said !== undefined && { seed: said }) });
};
const row = async (id: string) => (await here.as(ada.token, (db) => take(db, id)))!;

test('it stands in its own list and among what can be set, not on the shelf, and the bench leaves it alone', async () => {
  await here.as(teacherToken, async (db) => {
    expect((await sightPlans(db)).map(({ title, plan }) => [title, plan.ok && plan.value.kind])).toEqual([
      ['Call sheet', 'chart'],
      ['Off the board', 'line'],
    ]);
    expect((await chartChoices(db)).map(({ title, at_sight }) => [title, at_sight])).toEqual([
      ['Call sheet', true],
      ['Off the board', true],
    ]);
    expect((await grooves(db)).some(({ at_sight }) => at_sight)).toBe(false);
    const found = (await groove(db, line))!;
    expect(found).toMatchObject({ at_sight: true, content: { sight: LINE } });
    if ('unreadable' in found.content) throw new Error('It can be read.');
    expect(await saveGroove(db, line, 1, found.content.groove)).toEqual({ kind: 'gone' });
  });
});

test('a student sees it once it is set', async () => {
  expect(await here.as(ada.token, (db) => groove(db, line))).toMatchObject({ content: { sight: LINE } });
  expect(await here.as(bo.token, (db) => groove(db, line))).toBeUndefined();
  expect(await here.as(ada.token, (db) => groove(db, chart))).toBeUndefined();
});

test('a line that was read counts for what was set, and its seed is kept', async () => {
  const body = read(41, 41);
  expect(await kept(here, ada.token, body)).toEqual({ ok: true, value: { id: body.id } });
  expect(await row(body.id)).toMatchObject({ as_written: true, title: 'Off the board' });
  expect((await here.as(ada.token, (db) => openAssignments(db, ada.id))).some(({ id }) => id === assignmentId)).toBe(
    true,
  );
  expect(await here.as(ada.token, (db) => seedsRead(db, ada.id, line))).toEqual([41]);
});

test.each([
  ['another seed', 42],
  ['no seed', undefined],
])('a line that is said to come from %s is kept as something else', async (_, said) => {
  const body = read(43, said);
  expect((await kept(here, ada.token, body)).ok).toBe(true);
  expect((await row(body.id)).as_written).toBe(false);
  expect(await here.as(ada.token, (db) => seedsRead(db, ada.id, line))).toEqual([41]);
});

test('a seed that is none is refused', async () => {
  expect(await kept(here, ada.token, read(44, -1))).toMatchObject({ ok: false, problems: [{ path: ['seed'] }] });
});

test('a plan that cannot be read takes no page down', async () => {
  await here.owner.query(`update groove set at_sight = '{"version": 1, "kind": "poem"}' where id = '${chart}'`);
  await here.as(teacherToken, async (db) => {
    expect((await sightPlans(db)).map(({ plan }) => plan.ok)).toEqual([false, true]);
    expect((await groove(db, chart))!.content).toHaveProperty('unreadable');
  });
});
