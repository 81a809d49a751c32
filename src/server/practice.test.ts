import { beforeAll, expect, test } from 'vitest';
import type { WeekStart } from '@/core/documents/settings';
import { chartData } from './charts';
import { weeksOf } from './practice';
import { ada, kept, seed, sent, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('practice');
const timeZone = 'Europe/Zurich';

beforeAll(async () => {
  await seed(here);
  // A Friday, a Saturday and a Sunday, the last of them on Monday already in UTC+1: 23:30 by UTC.
  for (const playedAt of ['2026-11-13T12:00:00Z', '2026-11-14T12:00:00Z', '2026-11-15T23:30:00Z'])
    expect((await kept(here, ada.token, sent(ada.id, { playedAt }))).ok).toBe(true);
});

const takesByWeek = (weekStart: WeekStart) =>
  here.as(teacherToken, async (db) =>
    (await weeksOf(db, ada.id, { from: '2026-11-10', to: '2026-11-17', timeZone, weekStart })).map(
      ({ week, takes }) => [week, takes],
    ),
  );

test('weeks begin on the day they are to begin on, by the clock of the workshop', async () => {
  expect(await takesByWeek('Monday')).toEqual([
    ['2026-11-09', 2],
    ['2026-11-16', 1],
  ]);
  expect(await takesByWeek('Sunday')).toEqual([
    ['2026-11-08', 2],
    ['2026-11-15', 1],
  ]);
  expect(await takesByWeek('Saturday')).toEqual([
    ['2026-11-07', 1],
    ['2026-11-14', 2],
  ]);
});

test('charts count by the same weeks', async () => {
  const span = { from: '2026-11-10', to: '2026-11-17' };
  const { takes, weeks } = await here.as(teacherToken, (db) =>
    chartData(db, ada.id, span, { timeZone, weekStart: 'Saturday' }),
  );
  expect(takes.map(({ week }) => week)).toEqual(['2026-11-14', '2026-11-14', '2026-11-07']);
  expect(weeks.map(({ week }) => week)).toEqual(['2026-11-07', '2026-11-14']);
});
