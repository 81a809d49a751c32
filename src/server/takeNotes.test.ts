import { beforeAll, describe, expect, test } from 'vitest';
import { comparedTake, figuresOfStudent, takeOfDayBefore, takesBeside } from './takeFigures';
import { rejudgeTakes } from './judging/rejudgeTakes';
import { take, takes } from './takes';
import { dropNote, MOST_NOTES, notesOf, setAside, writeNote } from './takeNotes';
import { studentNews } from './news';
import { signedInPerson } from './people';
import { throwAwayDatabase } from './testing/throwAway';
import { ada, anyTake, bo, grooveId, kept, NOW, seed, sent, teacher, teacherToken } from './testing/seeded';
import { writeTake } from '@/core/documents/take';
import { playedTake, emptyTake } from '@/core/testing/takes';
import { STARTER_GROOVES } from './demo/grooves';

const here = throwAwayDatabase('notes');
beforeAll(() => seed(here));

const played = async (change: Record<string, unknown> = {}) => {
  const body = sent(ada.id, change);
  const keeping = await kept(here, ada.token, body);
  if (!keeping.ok) throw new Error(keeping.problems[0]!.say);
  return body.id;
};
const asAda = async () => (await here.as(ada.token, signedInPerson))!;

describe('words on a take', () => {
  test('of the student and of the teacher, on all of it or on a bar; each takes back their own only', async () => {
    const id = await played();
    const me = await asAda();
    expect(await here.as(ada.token, (db) => writeNote(db, me, { takeId: id, words: 'The stool creaked.' }))).toBe(
      'written',
    );
    expect(
      await here.as(teacherToken, (db) => writeNote(db, teacher, { takeId: id, bar: 3, words: 'Listen here.' })),
    ).toBe('written');
    const notes = await here.as(ada.token, (db) => notesOf(db, id));
    expect(notes).toMatchObject([
      { author: 'Ada', bar: null, words: 'The stool creaked.' },
      { author: 'Tova Lind', bar: 3, words: 'Listen here.' },
    ]);
    expect(await here.as(ada.token, (db) => dropNote(db, notes[1]!.id))).toBe(false);
    expect(await here.as(ada.token, (db) => dropNote(db, notes[0]!.id))).toBe(true);
    expect(await here.as(teacherToken, (db) => take(db, id))).toMatchObject({ notes: 1 });
  });

  test('nobody else sees or writes any', async () => {
    const id = await played();
    await here.as(teacherToken, (db) => writeNote(db, teacher, { takeId: id, words: 'Mine.' }));
    const stranger = (await here.as(bo.token, signedInPerson))!;
    expect(await here.as(bo.token, (db) => notesOf(db, id))).toEqual([]);
    expect(await here.as(bo.token, (db) => writeNote(db, stranger, { takeId: id, words: 'Hm.' }))).toBe('gone');
    // Nor in another's name.
    const me = await asAda();
    await expect(
      here.as(ada.token, (db) => writeNote(db, { ...me, id: teacher.id }, { takeId: id, words: 'x' })),
    ).rejects.toThrow(/row-level security/);
  });

  test('there is room for so many', async () => {
    const id = await played();
    const me = await asAda();
    await here.owner.query(
      `insert into take_note (id, take_id, workshop_id, author_id, words)
       select gen_random_uuid(), $1, $2, $3, 'again' from generate_series(1, $4)`,
      [id, me.workshop_id, me.id, MOST_NOTES],
    );
    expect(await here.as(ada.token, (db) => writeNote(db, me, { takeId: id, words: 'more' }))).toBe('full');
  });
});

describe('a take that was set aside', () => {
  test('stays, says why, and counts for nobody until it is taken in again', async () => {
    const id = await played();
    const me = await asAda();
    const counted = async () => (await here.as(teacherToken, (db) => figuresOfStudent(db, ada.id))).takes.length;
    const before = await counted();
    expect(await here.as(bo.token, (db) => setAside(db, { id: bo.id }, id, 'Not mine.'))).toBe(false);
    expect(await here.as(ada.token, (db) => setAside(db, me, id, 'The stool slipped.'))).toBe(true);
    expect(await here.as(teacherToken, (db) => take(db, id))).toMatchObject({
      set_aside_why: 'The stool slipped.',
      set_aside_by: ada.id,
    });
    expect(await counted()).toBe(before - 1);
    expect((await here.as(ada.token, (db) => takes(db))).map((one) => one.id)).toContain(id);
    const news = await here.as(teacherToken, (db) => studentNews(db, { timeZone: 'Etc/UTC' }));
    expect(news.students.find((one) => one.id === ada.id)?.last_id).not.toBe(id);
    expect(await here.as(teacherToken, (db) => setAside(db, teacher, id, undefined))).toBe(true);
    expect(await counted()).toBe(before);
  });

  test('its figures cannot be touched on the way, and nobody sets it aside in another’s name', async () => {
    const id = await played();
    await expect(
      here.as(ada.token, (db) => db.query('update take set matched = 0 where id = $1', [id])),
    ).rejects.toThrow(/permission denied/);
    await expect(here.as(ada.token, (db) => setAside(db, teacher, id, 'x'))).rejects.toThrow(/row-level security/);
  });
});

describe('figures that are kept', () => {
  const at = (days: number) => new Date(NOW.getTime() - days * 86_400_000).toISOString();
  const late = (ms: number) =>
    JSON.parse(
      JSON.stringify(
        writeTake(playedTake({ spreadMs: 4, limbMs: { 'right foot': ms } }, emptyTake(STARTER_GROOVES[0]!.groove))),
      ),
    ) as unknown;

  test('a take is measured by the last one of an earlier day of the same groove that counts', async () => {
    await here.owner.query('delete from take');
    const first = await played({ playedAt: at(3), take: late(45) });
    const bad = await played({ playedAt: at(2), take: late(90) });
    await here.as(ada.token, (db) => setAside(db, { id: ada.id }, bad, 'Bad.'));
    await played({ playedAt: at(0) });
    const now = await played({ playedAt: at(0), take: late(5) });
    const row = (await here.as(teacherToken, (db) => take(db, now)))!;
    const before = await here.as(teacherToken, (db) => takeOfDayBefore(db, row, 'Etc/UTC'));
    expect(before).toMatchObject({ id: first });
    expect(before!.figures.find(({ kind, of }) => kind === 'limb' && of === 'right foot')!.value!).toBeCloseTo(45, -1);
    expect(before!.places.length).toBeGreaterThan(3);
    expect(before!.places[0]).toMatchObject({ bars: STARTER_GROOVES[0]!.groove.bars.length });
    const beside = await here.as(teacherToken, (db) => takesBeside(db, row));
    expect(beside.map(({ id }) => id)).not.toContain(bad);
    expect(beside).toHaveLength(2);
    // Another student sees nothing of it.
    expect(await here.as(bo.token, (db) => comparedTake(db, now))).toBeUndefined();
    expect((await here.as(bo.token, (db) => figuresOfStudent(db, ada.id))).takes).toEqual([]);
  });

  test('over all takes: errors by counted place, weighed by their strokes', async () => {
    await here.owner.query('delete from take');
    await played({ take: late(40) });
    await played({ take: late(20) });
    const { heat } = await here.as(teacherToken, (db) => figuresOfStudent(db, ada.id));
    const foot = heat.filter(({ limb, part, count }) => limb === 'right foot' && part === 0 && count === 1);
    expect(foot).toHaveLength(1);
    // Against where the takes as a whole sit, which the foot itself makes later.
    expect(foot[0]!.mean_error_ms!).toBeGreaterThan(15);
    expect(foot[0]!.mean_error_ms!).toBeLessThan(30);
    expect(foot[0]!.matched).toBe(16);
  });

  test('a take that was judged before figures were kept has none, and gets them when it is judged anew', async () => {
    const id = await played({ take: JSON.parse(JSON.stringify(writeTake(anyTake()))) as unknown, grooveId });
    await here.owner.query('update take set figures = null, judge_version = 3 where id = $1', [id]);
    expect((await here.as(ada.token, (db) => comparedTake(db, id)))!.figures).toEqual([]);
    await rejudgeTakes(here.owner);
    expect((await here.as(ada.token, (db) => comparedTake(db, id)))!.figures.length).toBeGreaterThan(3);
  });
});
