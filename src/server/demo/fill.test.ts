import { expect, test } from 'vitest';
import { readGroove } from '@/core/documents/groove';
import { readWrittenDrill } from '@/core/documents/writtenDrill';
import { readTake } from '@/core/documents/take';
import { judge } from '@/core/judging/verdict/judge';
import { doorState } from '../door';
import { DEMO_NOW as NOW } from '../testing/templates';
import { throwAwayDatabase } from '../testing/throwAway';
import { fillDemo } from './fill';

const here = throwAwayDatabase('demo', 'demo');

const fingerprint = async () =>
  (
    await here.owner.query<{ sum: string }>(
      `select md5(string_agg(concat_ws(' ', t.id, matched, missed, mean_error_ms, document), '' order by t.id)) as sum
        from take t`,
    )
  ).rows[0]!.sum;

test('the demo is the same every time, and filled only once', async () => {
  const first = await fingerprint();
  await fillDemo(here.ownerUrl, NOW);
  expect(await fingerprint()).toBe(first);
  await here.owner.query('truncate workshop cascade');
  await fillDemo(here.ownerUrl, NOW);
  expect(await fingerprint()).toBe(first);
});

test('an owner, a teacher and six students from 9 to 67, of three kits and four levels', async () => {
  const { demoPeople } = await doorState();
  expect(demoPeople.map(({ role }) => role)).toEqual([
    'teacher',
    'teacher',
    ...Array.from({ length: 6 }, () => 'student'),
  ]);
  const pupils = demoPeople.filter(({ role }) => role === 'student');
  expect(pupils.map(({ age }) => age)).toEqual([
    'under 12',
    '12 to 17',
    ...Array.from({ length: 4 }, () => 'grown-up'),
  ]);
  expect(new Set(pupils.map(({ setup }) => setup)).size).toBe(3);
  expect(new Set(pupils.map(({ level }) => level)).size).toBe(4);
});

test('every document in it is valid, every take within two months, its row what judging gives', async () => {
  const { rows: kept } = await here.owner.query<{ document: unknown; drill: unknown }>(
    'select document, drill from groove',
  );
  expect(kept.length).toBeGreaterThan(30);
  for (const { document, drill } of kept) {
    expect(readGroove(document).ok).toBe(true);
    if (drill) expect(readWrittenDrill(drill, document).ok).toBe(true);
  }
  const { rows } = await here.owner.query<{
    document: unknown;
    level: 'concert';
    matched: number;
    missed: number;
    extra: number;
    verdict: unknown;
    played_at: Date;
  }>('select * from take');
  expect(rows.length).toBeGreaterThan(60);
  for (const row of rows) {
    const read = readTake(row.document);
    if (!read.ok) throw new Error(read.problems[0]!.say);
    const { figures, verdict } = judge(read.value, row.level);
    expect(row).toMatchObject({
      matched: figures.matched,
      missed: figures.missed,
      extra: figures.extra,
      verdict,
      struck_by: 'player',
    });
    const daysAgo = (NOW.getTime() - row.played_at.getTime()) / 86_400_000;
    expect(daysAgo).toBeGreaterThan(0);
    expect(daysAgo).toBeLessThan(62);
  }
});
