import { beforeAll, expect, test } from 'vitest';
import { readChartText } from '@/core/chart/text/chartText';
import { writeOutChart } from '@/core/chart/play/writeOut';
import type { ChartForm } from '@/core/documents/chart';
import { emptyTake } from '@/core/testing/takes';
import { openAssignments, setAssignment } from './assignments';
import { openSession, setUpWorkshop } from './door';
import { addGroove, groove, grooves, saveGroove } from './grooves';
import { judgedTake } from './judging/judged';
import { addStudent, signedInPerson, type Person } from './people';
import { STARTER_GROOVES } from './demo/grooves';
import { throwAwayDatabase } from './testing/throwAway';
import { chartChoices, chartOf, keepChart } from './tuneCharts';
import { changeTune, dropTune, keepTunes, tunes, type NewTune } from './tunes';

const here = throwAwayDatabase('tune_charts');
const SONG: NewTune = { title: 'Slow water', tempo: 90, meter: '4/4', feel: 'straight', part: '', grooves: [] };

function form(text: string): ChartForm {
  const read = readChartText(text);
  if (!read.ok) throw new Error(read.problems[0].say);
  return read.value;
}

let teacher: Person;
let token: string;
let tune: string;

beforeAll(async () => {
  token = (await setUpWorkshop({
    workshop: 'Chart shed',
    teacher: 'Tova Lind',
    signInName: 'tova',
    password: 'a long password',
    school: 'e-and-a / trip-let',
  }))!;
  teacher = await here.as(token, async (db) => (await signedInPerson(db))!);
  await here.as(token, (db) => keepTunes(db, teacher, [SONG]));
  tune = (await here.as(token, (db) => tunes(db)))[0]!.id;
});

const keep = (text: string, from: number, one = tune) =>
  here.as(token, (db) => keepChart(db, teacher, { tune: one, from, form: form(text) }));
const chartId = async (of = tune) => (await here.as(token, (db) => tunes(db))).find(({ id }) => id === of)!.chart_id!;
const kept = async () => {
  const id = await chartId();
  const found = await here.as(token, (db) => chartOf(db, id));
  if (found?.kind !== 'chart') throw new Error('It is there.');
  return found;
};

test('a chart is kept with its tune, and kept anew under the same id', async () => {
  const first = await keep('A 8, hits: 1 in bar 8', 0);
  expect(first).toMatchObject({ ok: true, value: { kind: 'saved', save_number: 1 } });
  const { id, chart } = await kept();
  expect(chart).toMatchObject({ bars: 8, form: form('A 8, hits: 1 in bar 8') });
  expect(chart.groove.title).toBe('Slow water');
  expect(await keep('A 8, 2 times', 1)).toMatchObject({ ok: true, value: { kind: 'saved', save_number: 2, id } });
  expect((await kept()).chart.bars).toBe(16);
});

test('what was kept meanwhile is never overwritten, and what cannot be played is told', async () => {
  expect(await keep('B 4', 1)).toMatchObject({ ok: true, value: { kind: 'behind' } });
  expect(await keep('B 4, D.S.', 2)).toMatchObject({ ok: false, problems: [{ code: 'jump-without-sign' }] });
  expect(await keep('B 4', 0, crypto.randomUUID())).toMatchObject({ ok: true, value: { kind: 'gone' } });
  expect((await kept()).chart.bars).toBe(16);
});

test('first charts that are kept at once are one', async () => {
  const other = await here.as(token, async (db) => {
    await keepTunes(db, teacher, [{ ...SONG, title: 'Fast water' }]);
    return (await tunes(db)).find(({ title }) => title === 'Fast water')!.id;
  });
  const answers = await Promise.all([keep('A 4', 0, other), keep('A 5', 0, other), keep('A 6', 0, other)]);
  expect(answers.map((one) => (one.ok ? one.value.kind : 'refused')).toSorted()).toEqual(['behind', 'behind', 'saved']);
});

test('a section plays its groove as it is when the chart is kept', async () => {
  const played = STARTER_GROOVES[0]!;
  const id = await here.as(token, (db) => addGroove(db, teacher, played));
  const wanted = form(`${played.groove.bars[0]!.meter.beats}/${played.groove.bars[0]!.meter.unit}; A 4`);
  wanted.sections[0]!.groove = id;
  await here.as(token, (db) => keepChart(db, teacher, { tune, from: 2, form: wanted }));
  const strokes = async () => (await kept()).chart.groove.bars[0]!.strokes.length;
  expect(await strokes()).toBe(played.groove.bars[0]!.strokes.length);
  const silent = { ...played.groove, bars: played.groove.bars.map((bar) => ({ ...bar, strokes: [] })) };
  await here.as(token, (db) => saveGroove(db, id, 1, silent));
  expect(await strokes()).toBe(played.groove.bars[0]!.strokes.length);
});

test('a chart is no groove of the shelf and not changed on the bench; what can be set has it', async () => {
  const { id, chart } = await kept();
  const shelf = await here.as(token, (db) => grooves(db));
  expect(shelf.map((one) => one.id)).not.toContain(id);
  const all = await here.as(token, (db) => grooves(db, { drills: true }));
  expect(all.find((one) => one.id === id)).toMatchObject({ chart_bars: 4, drill_exercises: null });
  expect(await here.as(token, (db) => saveGroove(db, id, 3, chart.groove))).toEqual({ kind: 'gone' });
});

test('it is set as homework, and then its student sees it and nobody else', async () => {
  const { id } = await kept();
  expect((await here.as(token, chartChoices)).map((one) => one.id)).toContain(id);
  const pupils = await Promise.all(
    ['ada', 'bo'].map((signInName) =>
      here.as(token, (db) =>
        addStudent(db, teacher, {
          name: signInName,
          signInName,
          password: 'a long password',
          level: 'first year',
          setup: 'left-handed',
          school: 'e-and-a / trip-let',
        }),
      ),
    ),
  );
  await here.as(token, (db) =>
    setAssignment(db, teacher, {
      student_id: pupils[0]!,
      groove_id: id,
      tempo: 90,
      click: 'counts',
      minutes: 10,
      reason: 'For Friday.',
    }),
  );
  const [own, other] = await Promise.all(pupils.map((id) => openSession(id)));
  expect(await here.as(own!, (db) => chartOf(db, id))).toMatchObject({ kind: 'chart' });
  expect(await here.as(other!, (db) => chartOf(db, id))).toBeUndefined();
  expect(await here.as(own!, (db) => openAssignments(db, pupils[0]!))).toMatchObject([{ title: 'Slow water' }]);
});

test('it is called as its tune is, and put away with it', async () => {
  const { id } = await kept();
  await here.as(token, (db) => changeTune(db, tune, { ...SONG, title: 'Still water' }, teacher));
  expect((await kept()).chart.groove.title).toBe('Still water');
  await here.as(token, (db) => dropTune(db, tune));
  expect(await here.as(token, (db) => groove(db, id))).toMatchObject({ archived: true, title: 'Still water' });
});

test('one that cannot be read is told, and takes nothing down', async () => {
  const [other] = await here.as(token, (db) => tunes(db));
  const id = await chartId(other!.id);
  await here.owner.query(`update groove set chart = '{"version": 1}' where id = $1`, [id]);
  expect(await here.as(token, (db) => chartOf(db, id))).toMatchObject({ kind: 'unreadable' });
});

test('a take of some sections is no take of the whole chart', () => {
  const made = writeOutChart(form('A 2, hits: 1; B 2, hits: 1'), 'Slow water');
  if (!made.ok) throw new Error('It can be played.');
  const { groove: bars, passages, exercises } = made.value;
  const whole = emptyTake(bars, { passages, exercises, rounds: 1 });
  expect(judgedTake(whole, 'advanced').isWhole).toBe(true);
  const part = { ...whole, passages: passages.filter(({ exercise }) => exercise === 0) };
  expect(judgedTake(part, 'advanced').isWhole).toBe(false);
});
