import { beforeAll, expect, test } from 'vitest';
import { studentNews } from './news';
import { setAside } from './takeNotes';
import { take } from './takes';
import { ada, bo, kept, NOW, seed, sent, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('news');
beforeAll(() => seed(here));

const daysAgo = (days: number) => new Date(NOW.getTime() - days * 86_400_000).toISOString();
const played = async (days: number) => {
  const body = sent(ada.id, { playedAt: daysAgo(days) });
  await kept(here, ada.token, body);
  return (await here.as(teacherToken, (db) => take(db, body.id)))!;
};
const newsOf = async (id: string) =>
  (await here.as(teacherToken, (db) => studentNews(db, { timeZone: 'Etc/UTC' }))).students.find(
    (one) => one.id === id,
  )!;

test('the spread of a week ago is that of the same groove nearest to seven days back, of takes that count', async () => {
  const last = await played(0);
  expect(await newsOf(ada.id)).toMatchObject({ last_id: last.id, week_ago_sd_ms: null });
  await played(4.9);
  expect(await newsOf(ada.id)).toMatchObject({ week_ago_sd_ms: null });
  const [near, far] = [await played(7.2), await played(9)];
  await here.owner.query('update take set sd_error_ms = 31 where id = $1', [near.id]);
  await here.owner.query('update take set sd_error_ms = 44 where id = $1', [far.id]);
  expect(await newsOf(ada.id)).toMatchObject({ last_id: last.id, week_ago_sd_ms: 31 });
  // Set aside, or of other bars, it is no measure.
  await here.as(ada.token, (db) => setAside(db, { id: ada.id }, near.id, 'The strap.'));
  expect(await newsOf(ada.id)).toMatchObject({ week_ago_sd_ms: 44 });
  await here.owner.query('update take set as_written = false where id = $1', [far.id]);
  expect(await newsOf(ada.id)).toMatchObject({ week_ago_sd_ms: null });
  expect(await newsOf(bo.id)).toMatchObject({ last_id: null, week_ago_sd_ms: null });
});
