import { unzipSync } from 'fflate';
import { expect, test } from 'vitest';
import { readChartText } from '@/core/chart/text/chartText';
import { writeOutChart } from '@/core/chart/play/writeOut';
import { writeWrittenChart } from '@/core/documents/writtenChart';
import { familyNamed } from '@/core/drill/registry';
import { usualRule } from '@/core/drill/rule';
import { ask, owner, sessionOf, theCast, type ActorName, type Cast } from './served';

/** Who may have what as a file: the same people as in `permissions.test.ts`. */
const cast: Cast = theCast();

test('a groove is a file for whoever sees it', async () => {
  const answer = async (actor: ActorName, format: string, id = cast.groove) =>
    ask(`/files/grooves/${id}/${format}`, actor === 'visitor' ? undefined : await sessionOf(cast[actor].id));
  const may = { visitor: 401, student: 200, other: 404, teacher: 200, colleague: 200, owner: 200, foreign: 404 };
  for (const format of ['midi', 'musicxml', 'mxl', 'text', 'json'])
    for (const [actor, status] of Object.entries(may))
      expect([format, actor, (await answer(actor as ActorName, format)).status]).toEqual([format, actor, status]);
  for (const [wishes, status] of [
    ['click=counts&countIn=2', 200],
    ['swing=written', 200],
    ['click=often', 404],
    ['countIn=5', 404],
    ['countIn=x', 404],
  ] as const)
    expect([wishes, (await answer('teacher', `midi?${wishes}`)).status]).toEqual([wishes, status]);
  const midi = await answer('teacher', 'midi');
  expect(midi.headers.get('content-type')).toBe('audio/midi');
  expect(midi.headers.get('content-disposition')).toMatch(/^attachment; filename=".+\.mid"; filename\*=UTF-8''/);
  expect(
    Buffer.from(await midi.arrayBuffer())
      .subarray(0, 4)
      .toString(),
  ).toBe('MThd');
  for (const [format, id] of [
    ['exe', cast.groove],
    ['midi', 'x'],
    ['midi', crypto.randomUUID()],
    ['..%2f', cast.groove],
  ] as const)
    expect([format, id, (await answer('owner', format, id)).status]).toEqual([format, id, 404]);
});

test('a take as a table is for whoever sees the take', async () => {
  const answer = async (actor: ActorName, sheet: string, id = cast.take) =>
    ask(`/files/takes/${id}/${sheet}`, actor === 'visitor' ? undefined : await sessionOf(cast[actor].id));
  const may = { visitor: 401, student: 200, other: 404, teacher: 200, colleague: 404, owner: 200, foreign: 404 };
  for (const sheet of ['figures', 'strokes'])
    for (const [actor, status] of Object.entries(may))
      expect([sheet, actor, (await answer(actor as ActorName, sheet)).status]).toEqual([sheet, actor, status]);
  expect(await (await answer('student', 'strokes')).text()).toMatch(/^bar played,bar written,count/);
  for (const [sheet, id] of [
    ['all', cast.take],
    ['figures', 'x'],
    ['figures', crypto.randomUUID()],
  ] as const)
    expect([sheet, id, (await answer('owner', sheet, id)).status]).toEqual([sheet, id, 404]);
});

test('a chart is a file for whoever sees it', async () => {
  const id = crypto.randomUUID();
  const read = readChartText('A 4, hits: 1 in bar 4');
  const made = read.ok ? writeOutChart(read.value, 'Pier song') : undefined;
  if (!made?.ok) throw new Error('It can be played.');
  const { groove, chart } = writeWrittenChart(made.value);
  await owner.query(
    `insert into groove (id, workshop_id, made_by, title, meter, level, tempo, document_version, document, chart)
     values ($1, $2, $3, 'Pier song', '4/4', 'first year', 100, 1, $4, $5)`,
    [id, cast.workshop, cast.teacher.id, JSON.stringify(groove), JSON.stringify(chart)],
  );
  const answer = async (actor: ActorName, format: string, one = id) =>
    ask(`/files/charts/${one}/${format}`, actor === 'visitor' ? undefined : await sessionOf(cast[actor].id));
  const may = { visitor: 401, student: 404, other: 404, teacher: 200, colleague: 200, owner: 200, foreign: 404 };
  for (const format of ['text', 'json'])
    for (const [actor, status] of Object.entries(may))
      expect([format, actor, (await answer(actor as ActorName, format)).status]).toEqual([format, actor, status]);
  expect(await (await answer('teacher', 'text')).text()).toContain('A 4, hits: 1 in bar 4');
  // A groove that plays no chart has no such file.
  for (const [format, one] of [
    ['exe', id],
    ['text', cast.groove],
    ['text', 'x'],
  ] as const)
    expect([format, one, (await answer('owner', format, one)).status]).toEqual([format, one, 404]);
  await owner.query('delete from groove where id = $1', [id]);
});

test('grooves in one zip are those one sees', async () => {
  const answer = async (actor: ActorName, query: string) =>
    ask(`/files/grooves?${query}`, actor === 'visitor' ? undefined : await sessionOf(cast[actor].id));
  const asked = `format=midi&id=${cast.groove}&id=${crypto.randomUUID()}`;
  const may = { visitor: 401, student: 200, other: 404, teacher: 200, colleague: 200, owner: 200, foreign: 404 };
  for (const [actor, status] of Object.entries(may))
    expect([actor, (await answer(actor as ActorName, asked)).status]).toEqual([actor, status]);
  const zip = unzipSync(new Uint8Array(await (await answer('teacher', asked)).arrayBuffer()));
  expect(Object.keys(zip)).toEqual([expect.stringMatching(/\.mid$/)]);
  const many = Array.from({ length: 151 }, () => `id=${cast.groove}`).join('&');
  for (const wrong of ['', 'format=exe&id=x', `format=midi&id=x`, `format=midi&${many}`])
    expect([wrong, (await answer('teacher', wrong)).status]).toEqual([wrong, 404]);
});

test('a drill is a file for the teachers of its workshop', async () => {
  const id = crypto.randomUUID();
  const rule = usualRule(familyNamed('placement')!);
  await owner.query(
    "insert into drill (id, workshop_id, made_by, name, family, rule) values ($1, $2, $3, 'Oars in turn', 'placement', $4)",
    [id, cast.workshop, cast.teacher.id, JSON.stringify(rule)],
  );
  const answer = async (actor: ActorName, format: string, one = id) =>
    ask(`/files/drills/${one}/${format}`, actor === 'visitor' ? undefined : await sessionOf(cast[actor].id));
  const may = { visitor: 401, student: 404, other: 404, teacher: 200, colleague: 200, owner: 200, foreign: 404 };
  for (const format of ['json', 'midi', 'musicxml', 'text', 'lilypond'])
    for (const [actor, status] of Object.entries(may))
      expect([format, actor, (await answer(actor as ActorName, format)).status]).toEqual([format, actor, status]);
  const json = await answer('teacher', 'json');
  expect(json.headers.get('content-disposition')).toContain('filename="Oars in turn.json"');
  expect(await json.json()).toEqual({ name: 'Oars in turn', tags: [], ...rule });
  for (const [format, one] of [
    ['exe', id],
    ['json', 'x'],
    ['json', crypto.randomUUID()],
  ] as const)
    expect([format, one, (await answer('owner', format, one)).status]).toEqual([format, one, 404]);
  // One that cannot be read says so.
  await owner.query("update drill set rule = '{}' where id = $1", [id]);
  expect((await answer('owner', 'json')).status).toBe(422);
  await owner.query('delete from drill where id = $1', [id]);
});
