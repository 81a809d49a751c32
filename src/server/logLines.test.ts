import { beforeAll, expect, test } from 'vitest';
import { keepPractice, MOST_BY_WORD, type PractisedElsewhere } from './logLines';
import { signedInPerson } from './people';
import { STARTER_GROOVES } from './demo/grooves';
import { addGroove } from './grooves';
import { ada, grooveId, kept, seed, sent, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';
import { take, takes } from './takes';

const here = throwAwayDatabase('log_lines');
beforeAll(() => seed(here));

const line = (change: Partial<PractisedElsewhere> = {}): PractisedElsewhere => ({
  groove: grooveId,
  playedAt: '2026-11-18T16:30:00.000Z',
  tempo: 72,
  playedMs: 600_000,
  words: '',
  ...change,
});
const keep = (lines: PractisedElsewhere[]) =>
  here.as(ada.token, async (db) => keepPractice(db, (await signedInPerson(db))!, lines));
const howMany = async () =>
  (await here.owner.query<{ count: number }>('select count(*)::int from take where player_id = $1', [ada.id])).rows[0]!
    .count;

test('practice comes into the log once, with its words, and nothing of it is judged', async () => {
  const lines = [line({ words: 'Loose shoulders.' }), line({ playedAt: '2026-11-19T16:30:00.000Z' })];
  expect(await keep([...lines, lines[0]!])).toBe(2);
  expect(await keep(lines)).toBe(0);
  await here.as(ada.token, async (db) => {
    const listed = await takes(db, { playerId: ada.id });
    expect(listed).toMatchObject([
      { input: 'nothing', struck_by: 'player', played_ms: 600_000, tempo: 72, matched: 0, missed: 0, notes: 0 },
      { notes: 1, received_at: new Date('2026-11-18T16:30:00Z') },
    ]);
    expect((await take(db, listed[0]!.id))!.take.ok).toBe(true);
  });
});

test('what was played here and written out is not doubled when it is read in again', async () => {
  const body = sent(ada.id, { playedAt: '2026-11-20T16:30:07.123Z' });
  expect((await kept(here, ada.token, body)).ok).toBe(true);
  expect(await keep([line({ playedAt: '2026-11-20T16:30:07.123Z', playedMs: 26_000 })])).toBe(0);
});

test('a groove that is not theirs stops all of it, and so does a log that is full', async () => {
  const hidden = await here.as(teacherToken, (db) => addGroove(db, teacher, STARTER_GROOVES[1]!));
  const before = await howMany();
  expect(await keep([line({ playedAt: '2026-11-01T10:00:00.000Z' }), line({ groove: hidden })])).toBe('gone');
  const many = Array.from({ length: MOST_BY_WORD + 1 }, () => line());
  expect(await keep(many)).toBe('full');
  expect(await howMany()).toBe(before);
});

test('ten thousand lines come in together', async () => {
  const lines = Array.from({ length: 10_000 }, (_, minute) =>
    line({ playedAt: new Date(Date.UTC(2024, 0, 1, 0, minute)).toISOString() }),
  );
  expect(await keep(lines)).toBe(10_000);
}, 120_000);
