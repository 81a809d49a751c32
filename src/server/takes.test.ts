import { LEVEL_FACTORS } from '@/core/limits';
import { beforeAll, describe, expect, test } from 'vitest';
import { writeTake } from '@/core/documents/take';
import { MOST_TAKES_A_DAY } from '@/core/limits';
import { judge } from '@/core/judging/verdict/judge';
import { setAssignment } from './assignments';
import { judgeSent } from './judging/judged';
import { rejudgeTakes } from './judging/rejudgeTakes';
import { take, takes } from './takes';
import { throwAwayDatabase } from './testing/throwAway';
import { ada, anyTake, bo, grooveId, kept, NOW, seed, sent, teacher, teacherToken } from './testing/seeded';

const here = throwAwayDatabase('takes');

beforeAll(() => seed(here));

describe('keeping a take', () => {
  const keep = (token: string, body: unknown, now = NOW) => kept(here, token, body, now);
  const count = async () => (await here.owner.query('select from take')).rowCount;

  test('its row has the figures that judging gives, its document judges the same again', async () => {
    const body = sent(ada.id);
    await keep(ada.token, body);
    const kept = (await here.as(teacherToken, (db) => take(db, body.id)))!;
    if (!kept.take.ok) throw new Error('unread');
    const { figures, verdict, byPlace } = judge(kept.take.value, 'second year');
    expect(kept).toMatchObject({
      player: 'Ada',
      title: 'Slow crossing',
      tempo: 72,
      click: 'counts',
      matched: figures.matched,
      missed: figures.missed,
      struck_by: 'player',
      is_judged: true,
      verdict,
    });
    const { rows: places } = await here.as(teacherToken, (db) =>
      db.query('select * from take_place where take_id = $1', [body.id]),
    );
    expect(places).toHaveLength(byPlace.length);
    expect(places[0]).toMatchObject({ count: 1, part: 0, matched: byPlace[0]!.matched });
    expect(kept.mean_error_ms).toBeCloseTo(figures.meanErrorMs!, 9);
    expect(kept.sd_error_ms).toBeCloseTo(figures.sdErrorMs!, 9);
  });

  test('what an older judging left is drawn up anew, once', async () => {
    const body = sent(ada.id);
    await keep(ada.token, body);
    const before = await here.as(ada.token, (db) => take(db, body.id));
    await here.owner.query(`update take set judge_version = 0, matched = 0, verdict = null where id = $1`, [body.id]);
    expect(await rejudgeTakes(here.owner)).toBe(1);
    expect(await here.as(ada.token, (db) => take(db, body.id))).toEqual(before);
    expect(await rejudgeTakes(here.owner)).toBe(0);
  });

  test('what a workshop lets pass at a level holds when a take comes, and then for good', async () => {
    const tolerances = { ...LEVEL_FACTORS, 'second year': 5 };
    const set = (settings: object) => here.owner.query('update workshop set settings = $1', [settings]);
    await set({ version: 1, tolerances });
    const body = sent(ada.id);
    await keep(ada.token, body);
    await set({ version: 1 });
    const usual = sent(ada.id);
    await keep(ada.token, usual);
    const kept = async (id: string) => (await here.as(ada.token, (db) => take(db, id)))!;
    const [wide, narrow] = [await kept(body.id), await kept(usual.id)];
    expect([wide.tolerance_factor, narrow.tolerance_factor]).toEqual([5, null]);
    expect(wide.tolerance_ms).toBeCloseTo(2 * narrow.tolerance_ms, 9);
    await here.owner.query('update take set judge_version = 0, tolerance_ms = 1 where id = $1', [body.id]);
    await rejudgeTakes(here.owner);
    expect((await kept(body.id)).tolerance_ms).toBeCloseTo(wide.tolerance_ms, 9);
  });

  test('until its turn comes a list says that it is judged anew; one that cannot be read keeps its figures', async () => {
    const [body, other] = [sent(ada.id), sent(ada.id)];
    await keep(ada.token, body);
    await keep(ada.token, other);
    const listed = async (id: string) => (await here.as(ada.token, (db) => takes(db))).find((one) => one.id === id)!;
    await here.owner.query('update take set judge_version = 0, verdict = null where id = $1', [body.id]);
    expect(await listed(body.id)).toMatchObject({ is_judged: false, verdict: undefined });
    await here.owner.query(
      `update take set judge_version = 0, document = jsonb_set(document, '{version}', '99') where id = $1`,
      [body.id],
    );
    const shares: number[][] = [];
    await rejudgeTakes(here.owner, (done, of) => shares.push([done, of]));
    expect(shares).toEqual([[1, 1]]);
    expect(await listed(body.id)).toMatchObject({ is_judged: true, verdict: undefined, title: 'Slow crossing' });
    expect((await listed(body.id)).matched).toBeGreaterThan(0);
    // The others are not touched by it.
    expect((await listed(other.id)).verdict).toBeDefined();
    const opened = await here.as(ada.token, (db) => take(db, body.id));
    expect(opened!.take).toMatchObject({ ok: false, problems: [{ code: 'newer-version' }] });
  });

  test('one of version 1 is shown, judged and said to be the kit’s where the kit played it', async () => {
    const body = sent(ada.id);
    await keep(ada.token, body);
    const { passages: _, bpm: __, struckBy: ___, ...rest } = writeTake(anyTake());
    const old = { ...rest, version: 1, tempo: [{ fromBar: 0, bpm: 72 }], input: 'simulated kit' };
    await here.owner.query(
      `update take set document = $2, document_version = 1, judge_version = 1, verdict = null where id = $1`,
      [body.id, JSON.stringify(old)],
    );
    expect(await rejudgeTakes(here.owner)).toBe(1);
    const read = (await here.as(ada.token, (db) => take(db, body.id)))!;
    expect(read).toMatchObject({ struck_by: 'kit', is_judged: true, take: { ok: true, value: { version: 2 } } });
    expect(read.verdict).toBeDefined();
  });

  test('sent twice it is kept once, and the answer is the same', async () => {
    const body = sent(ada.id);
    const before = await count();
    expect(await keep(ada.token, body)).toEqual(await keep(ada.token, body));
    expect(await count()).toBe(before! + 1);
  });

  test('two of the same at once are one; under a number that another’s bears it is not kept, and not answered as if it were', async () => {
    const body = sent(ada.id);
    const before = await count();
    expect(await Promise.all([keep(ada.token, body), keep(ada.token, body)])).toEqual([
      { ok: true, value: { id: body.id } },
      { ok: true, value: { id: body.id } },
    ]);
    const others = { ...sent(bo.id, { id: body.id, assignmentId: undefined, grooveId }) };
    await here.as(teacherToken, (db) =>
      setAssignment(db, teacher, {
        student_id: bo.id,
        groove_id: grooveId,
        tempo: 72,
        click: 'counts',
        minutes: 5,
        reason: '',
      }),
    );
    expect(await keep(bo.token, others)).toMatchObject({ ok: false, problems: [{ code: 'id-taken' }] });
    expect(await count()).toBe(before! + 1);
  });

  describe('counts as what was set only where it is that', () => {
    const standing = async (change: Record<string, unknown>) => {
      const body = sent(ada.id, change);
      expect((await keep(ada.token, body)).ok).toBe(true);
      const { rows } = await here.owner.query(
        'select assignment_id is not null as as_set, as_written from take where id = $1',
        [body.id],
      );
      return rows[0] as { as_set: boolean; as_written: boolean };
    };

    test('its bars, at its tempo or above, since it was set', async () => {
      expect(await standing({})).toEqual({ as_set: true, as_written: true });
      expect(await standing({ take: writeTake(anyTake({ bpm: 90 })) })).toEqual({ as_set: true, as_written: true });
      expect(await standing({ take: writeTake(anyTake({ bpm: 71.9 })) })).toEqual({ as_set: false, as_written: true });
      expect(await standing({ playedAt: '2020-01-01T00:00:00Z' })).toEqual({ as_set: false, as_written: true });
    });

    test('all of its bars: one bar of several that went round is practice', () => {
      const easy = writeTake(anyTake());
      const [bar] = easy.groove.bars;
      const through = (from: number, bars: number) =>
        judgeSent(
          { ...easy, groove: { ...easy.groove, bars: [bar!, bar!] }, passages: [{ from, bars, times: 1 }] },
          'advanced',
        );
      expect(through(1, 1)).toMatchObject({ ok: true, value: { isWhole: false } });
      expect(through(0, 2)).toMatchObject({ ok: true, value: { isWhole: true } });
    });

    test('a bar of one stroke in its place is a take of its own', async () => {
      const easy = writeTake(anyTake());
      const [bar] = easy.groove.bars;
      const take = { ...easy, groove: { ...easy.groove, bars: [{ ...bar!, strokes: [bar!.strokes[0]!] }] } };
      expect(await standing({ take })).toEqual({ as_set: false, as_written: false });
    });
  });

  test('beyond the most a day it waits, in words', async () => {
    await here.owner.query(
      `insert into take (id, workshop_id, player_id, groove_id, played_at, played_ms, tempo, click, input, level,
        matched, missed,
         extra, tolerance_ms, verdict_about, judge_version, document_version, document)
       select gen_random_uuid(), workshop_id, $1, groove_id, played_at, 1, 72, 'counts', 'keys', 'concert',
         1, 0, 0, 1, 'clean', 99, 1, '{}'
       from take, generate_series(1, $2) where id = (select id from take where player_id = $1 limit 1)`,
      [ada.id, MOST_TAKES_A_DAY],
    );
    expect(await keep(ada.token, sent(ada.id))).toMatchObject({ ok: false, problems: [{ code: 'too-many-today' }] });
    await here.owner.query(`delete from take where document = '{}'`);
    expect((await keep(ada.token, sent(ada.id))).ok).toBe(true);
  });

  test('a clock that runs ahead does not put it into the future', async () => {
    const body = sent(ada.id, { playedAt: '2031-01-01T00:00:00Z' });
    await keep(ada.token, body);
    expect((await here.as(ada.token, (db) => take(db, body.id)))!.played_at).toEqual(NOW);
  });

  test.each([
    [
      '200,000 hits',
      () => ({
        take: { ...writeTake(anyTake()), hits: Array.from({ length: 200_000 }, () => ({ limb: 'right hand', ms: 1 })) },
      }),
      /200,000 hits/,
    ],
    ['a tempo of 5', () => ({ take: writeTake(anyTake({ bpm: 5 })) }), /slowest tempo is 20/],
    [
      'a groove with a stroke off its grid',
      () => {
        const json = writeTake(anyTake());
        return {
          take: {
            ...json,
            groove: {
              ...json.groove,
              bars: [{ ...json.groove.bars[0]!, strokes: [{ ...json.groove.bars[0]!.strokes[0]!, at: '1/7' }] }],
            },
          },
        };
      },
      /no slot here/,
    ],
    ['an id that is none', () => ({ id: '17' }), /uuid/i],
    ['a groove she was not set', () => ({ grooveId: crypto.randomUUID() }), /not there any more/],
    ['another’s assignment', () => ({ assignmentId: crypto.randomUUID() }), /not set for you/],
    ['another’s name on it', () => ({ playerId: crypto.randomUUID() }), /another person/],
    ['more than a take has', () => ({ admin: true }), /admin|Unrecognized/],
  ] as const)('with %s it is refused whole', async (_, change, words) => {
    const before = await count();
    const answer = await keep(ada.token, sent(ada.id, change()));
    expect(
      !answer.ok && answer.problems.map(({ where, say, remedy }) => `${where} ${say} ${remedy}`).join(' '),
    ).toMatch(words);
    expect(await count()).toBe(before);
  });

  test('the database itself refuses one in another’s name', async () => {
    const before = await count();
    await expect(
      here.as(bo.token, (db) =>
        db.query(
          `insert into take (id, workshop_id, player_id, groove_id, played_at, played_ms, tempo, click, input,
            level, matched, missed, extra, tolerance_ms, verdict_about, verdict, judge_version, document_version,
              document)
       values (gen_random_uuid(), $1, $2, $3, now(), 1, 72, 'counts', 'keys', 'concert', 1, 0, 0, 1, 'clean',
         null, 1, 1, '{}')`,
          [teacher.workshop_id, ada.id, grooveId],
        ),
      ),
    ).rejects.toThrow(/row-level security/);
    expect(await count()).toBe(before);
  });
});
