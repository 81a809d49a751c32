import { beforeAll, describe, expect, test } from 'vitest';
import { writeTake, type Take } from '@/core/documents/take';
import { emptyTake, playedTake } from '@/core/testing/takes';
import { judge } from '@/core/take/judge';
import { endAssignment, openAssignments, setAssignment } from './assignments';
import { STARTER_GROOVES } from './demo/grooves';
import { closeSession, doorState, openSession, setUpWorkshop, signIn } from './door';
import { USUAL_SETTINGS } from '@/core/documents/settings';
import { addGroove, groove, grooves, saveGroove, setArchived, setFavourite, setLabels } from './grooves';
import { migrate } from './migrate';
import { addStudent, changePerson, signedInPerson, students, type Person } from './people';
import { keepTake, rejudgeTakes, take, takes } from './takes';
import { throwAwayDatabase } from './testing/throwAway';
import { saveSettings } from './workshop';

const here = throwAwayDatabase('workshop');
const NOW = new Date('2026-11-20T17:00:00Z');
const school = 'e-and-a / trip-let';

let teacher: Person;
let teacherToken: string;
let ada: { id: string; token: string };
let bo: { id: string; token: string };
let grooveId: string;
let assignmentId: string;

const anyTake = (change: Partial<Take> = {}): Take => {
  const empty = emptyTake(STARTER_GROOVES[0]!.groove, { bpm: 72, rounds: 2, playedMs: 0 });
  const whole = playedTake({ spreadMs: 12 }, empty, 5);
  return { ...whole, playedMs: Math.round(whole.playedMs), ...change };
};
const sent = (playerId: string, change: Record<string, unknown> = {}) => ({
  id: crypto.randomUUID(),
  playerId,
  grooveId,
  assignmentId,
  playedAt: NOW.toISOString(),
  take: JSON.parse(JSON.stringify(writeTake(anyTake()))) as unknown,
  ...change,
});

beforeAll(async () => {
  teacherToken = (await setUpWorkshop({
    workshop: 'Test shed',
    teacher: 'Tova Lind',
    signInName: 'Tova',
    password: 'a long password',
    school,
  }))!;
  await here.as(teacherToken, async (db) => {
    teacher = (await signedInPerson(db))!;
    grooveId = await addGroove(db, teacher, STARTER_GROOVES[0]!);
  });
  const addAs = async (name: string) => {
    const id = await here.as(teacherToken, (db) =>
      addStudent(db, teacher, {
        name,
        signInName: name,
        password: `${name} has a password`,
        level: 'second year',
        setup: 'crossed',
        school,
      }),
    );
    return { id, token: await openSession(id) };
  };
  [ada, bo] = [await addAs('Ada'), await addAs('Bo')];
  assignmentId = await here.as(teacherToken, (db) =>
    setAssignment(db, teacher, {
      student_id: ada.id,
      groove_id: grooveId,
      tempo: 72,
      click: 'counts',
      minutes: 10,
      reason: 'The & of 3.',
    }),
  );
});

describe('the door', () => {
  test('a workshop is set up once', async () => {
    expect(await doorState()).toEqual({ hasWorkshop: true, demoPeople: [] });
    expect(
      await setUpWorkshop({ workshop: 'Second', teacher: 'X', signInName: 'xx', password: 'a long password', school }),
    ).toBeUndefined();
  });

  test('right name and password open a session, whatever the case of the name', async () => {
    const answer = await signIn('TOVA', 'a long password');
    expect(answer.ok && (await here.as(answer.token, signedInPerson))?.name).toBe('Tova Lind');
  });

  test('an unknown name and a wrong password get the same answer', async () => {
    expect(await signIn('nobody', 'a long password')).toEqual(await signIn('tova', 'wrong'));
  });

  test.each(['bo', 'no such name'])(
    'after five failures %s has to wait, even with the right password',
    async (name) => {
      for (let tries = 0; tries < 5; tries++) await signIn(name, 'wrong');
      const answer = await signIn(name, 'Bo has a password');
      expect(!answer.ok && answer.say).toMatch(/Too many tries .* Wait \d+ seconds/);
    },
  );

  test('a closed session is nobody, so is an invented one', async () => {
    const token = await openSession(ada.id);
    await closeSession(token);
    for (const one of [token, 'invented', '']) expect(await here.as(one, signedInPerson)).toBeUndefined();
  });

  test('only the hash of a token and of a password is kept', async () => {
    const { rows } = await here.owner.query<{ all: string }>(
      `select (select string_agg(s::text, ' ') from session s) || (select string_agg(c::text, ' ') from credential c) as all`,
    );
    expect(rows[0]!.all).not.toContain(ada.token);
    expect(rows[0]!.all).not.toContain('a long password');
    expect(rows[0]!.all).toContain('$argon2id$');
  });
});

describe('what a person may see', () => {
  test('a teacher sees the workshop, a student herself and the teacher', async () => {
    const { total, students: all } = await here.as(teacherToken, (db) => students(db));
    expect([total, all.map(({ name }) => name)]).toEqual([2, ['Ada', 'Bo']]);
    const found = await here.as(teacherToken, (db) => students(db, { words: 'AD', most: 1 }));
    expect(found).toMatchObject({ total: 1, students: [{ name: 'Ada', school }] });
    expect(await here.as(teacherToken, (db) => students(db, { from: 1 }))).toMatchObject({
      students: [{ name: 'Bo' }],
    });
    const seen = await here.as(ada.token, (db) => db.query<{ name: string }>('select name from person order by name'));
    expect(seen.rows.map(({ name }) => name)).toEqual(['Ada', 'Tova Lind']);
  });

  test('a student sees a groove from when it is set for her', async () => {
    expect(await here.as(ada.token, (db) => groove(db, grooveId))).toBeDefined();
    expect(await here.as(bo.token, grooves)).toEqual([]);
  });

  test('a student cannot read another’s take, even by raw SQL as the web role', async () => {
    const body = sent(ada.id);
    expect((await here.as(ada.token, async (db) => keepTake(db, (await signedInPerson(db))!, body, NOW))).ok).toBe(
      true,
    );
    expect(await here.as(bo.token, (db) => take(db, body.id))).toBeUndefined();
    const raw = await here.as(bo.token, (db) => db.query('select * from take where id = $1 or true', [body.id]));
    expect(raw.rows).toEqual([]);
    expect(await here.as(teacherToken, (db) => take(db, body.id))).toBeDefined();
  });

  test('the web role cannot become somebody else', async () => {
    await here.as(bo.token, async (db) => {
      for (const sql of [
        'select * from session',
        'select * from credential',
        'select door_open_session(null, null, null)',
        'select * from door_credential(null)',
        'set role mochila_door',
        'reset role; select * from session',
      ]) {
        await db.query('savepoint before');
        await expect(db.query(sql), sql).rejects.toThrow(/permission denied/);
        await db.query('rollback to before');
      }
      await db.query(`select set_config('mochila.person', $1, true)`, [ada.id]);
      expect(await takes(db)).toEqual([]);
    });
    await expect(here.web.query('alter table take disable row level security')).rejects.toThrow(/must be owner/);
    expect((await here.web.query('select * from take')).rows).toEqual([]);
  });

  test('the door cannot read the workshop', async () => {
    await expect(here.door.query('select * from take')).rejects.toThrow(/permission denied/);
    await expect(here.door.query('select * from person')).rejects.toThrow(/permission denied/);
  });

  test('a student can set nothing, add nobody and change no password but her own', async () => {
    const asAda = (sql: string, values: unknown[] = []) => here.as(ada.token, (db) => db.query(sql, values));
    await expect(
      here.as(ada.token, (db) =>
        setAssignment(
          db,
          { id: ada.id, workshop_id: teacher.workshop_id },
          { student_id: ada.id, groove_id: grooveId, tempo: 72, click: 'counts', minutes: 10, reason: 'x' },
        ),
      ),
    ).rejects.toThrow(/row-level security/);
    await expect(
      asAda(
        `insert into person (id, workshop_id, role, name, sign_in_name, level, school) values (gen_random_uuid(), $1, 'teacher', 'x', 'xyz', 'concert', 'x')`,
        [teacher.workshop_id],
      ),
    ).rejects.toThrow(/row-level security/);
    await expect(asAda(`select set_password($1, 'x')`, [bo.id])).rejects.toThrow(/not your password/);
    await expect(asAda('update take set missed = 0')).rejects.toThrow(/permission denied/);
    await expect(asAda('delete from take')).rejects.toThrow(/permission denied/);
    expect(await here.as(ada.token, (db) => endAssignment(db, assignmentId))).toBe(false);
  });

  test('a sign-in name is had once, also across case', async () => {
    const again = await here.as(teacherToken, (db) =>
      addStudent(db, teacher, {
        name: 'Other',
        signInName: 'ADA',
        password: 'another password',
        level: 'advanced',
        setup: 'crossed',
        school,
      }),
    );
    expect(again).toBe('taken');
  });
});

describe('keeping a take', () => {
  const keep = (token: string, body: unknown, now = NOW) =>
    here.as(token, async (db) => keepTake(db, (await signedInPerson(db))!, body, now));
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
    const answer = await keep(ada.token, sent(ada.id, change() as Record<string, unknown>));
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
          `insert into take (id, workshop_id, player_id, groove_id, played_at, played_ms, tempo, click, input, level, matched, missed, extra, tolerance_ms, verdict_about, verdict, judge_version, document_version, document)
       values (gen_random_uuid(), $1, $2, $3, now(), 1, 72, 'counts', 'keys', 'concert', 1, 0, 0, 1, 'clean', null, 1, 1, '{}')`,
          [teacher.workshop_id, ada.id, grooveId],
        ),
      ),
    ).rejects.toThrow(/row-level security/);
    expect(await count()).toBe(before);
  });
});

test('an ended assignment leaves Today; its groove and takes stay', async () => {
  const id = await here.as(teacherToken, (db) =>
    setAssignment(db, teacher, {
      student_id: bo.id,
      groove_id: grooveId,
      tempo: 80,
      click: '2 and 4',
      minutes: 5,
      reason: 'Then on.',
    }),
  );
  expect(await here.as(bo.token, (db) => openAssignments(db, bo.id))).toMatchObject([
    { title: 'Slow crossing', tempo: 80, set_by: 'Tova Lind' },
  ]);
  expect(await here.as(teacherToken, (db) => endAssignment(db, id))).toBe(true);
  expect(await here.as(bo.token, (db) => openAssignments(db, bo.id))).toEqual([]);
  expect(await here.as(bo.token, (db) => groove(db, grooveId))).toBeDefined();
});

describe('saving a groove', () => {
  test('raises the save number and the columns; a save from before is answered with what stands there', async () => {
    const made = STARTER_GROOVES[2]!.groove;
    const id = await here.as(teacherToken, (db) => addGroove(db, teacher, { groove: made, level: 'advanced' }));
    const save = (from: number, title: string) =>
      here.as(teacherToken, (db) => saveGroove(db, id, from, { ...made, title, tempo: 97.5 }));
    expect(await save(1, 'First')).toEqual({ kind: 'saved', save_number: 2 });
    expect(await save(1, 'Second')).toMatchObject({
      kind: 'behind',
      save_number: 2,
      groove: { title: 'First', tempo: 97.5 },
    });
    expect(await here.as(teacherToken, (db) => groove(db, id))).toMatchObject({ title: 'First', save_number: 2 });
  });

  test('a student can save none, not even one that is set for her', async () => {
    const before = await here.as(teacherToken, (db) => groove(db, grooveId));
    const answer = await here.as(ada.token, (db) =>
      saveGroove(db, grooveId, before!.save_number, { ...STARTER_GROOVES[0]!.groove, title: 'Mine now' }),
    );
    expect(answer.kind).toBe('behind');
    expect(await here.as(teacherToken, (db) => groove(db, grooveId))).toEqual(before);
  });
});

describe('the library', () => {
  test('level, tags and archive are the teacher’s to change; a student changes nothing', async () => {
    const id = await here.as(teacherToken, (db) => addGroove(db, teacher, { ...STARTER_GROOVES[1]!, tags: ['one'] }));
    await here.as(teacherToken, async (db) => {
      await setLabels(db, id, { level: 'concert', tags: ['low water', 'backbeat'] });
      await setArchived(db, id, true);
    });
    expect(await here.as(teacherToken, (db) => groove(db, id))).toMatchObject({
      level: 'concert',
      tags: ['low water', 'backbeat'],
      archived: true,
      save_number: 1,
    });
    await here.as(teacherToken, (db) => setArchived(db, id, false));
    await here.as(ada.token, async (db) => {
      await setLabels(db, grooveId, { level: 'concert', tags: ['mine'] });
      await setArchived(db, grooveId, true);
    });
    expect(await here.as(ada.token, (db) => groove(db, grooveId))).toMatchObject({
      level: 'first year',
      archived: false,
    });
  });

  test('favourites are each person’s own, and only of grooves one may see', async () => {
    await here.as(ada.token, (db) =>
      setFavourite(db, { id: ada.id, workshop_id: teacher.workshop_id }, grooveId, true),
    );
    await here.as(ada.token, (db) =>
      setFavourite(db, { id: ada.id, workshop_id: teacher.workshop_id }, grooveId, true),
    );
    expect((await here.as(ada.token, (db) => groove(db, grooveId)))?.favourite).toBe(true);
    expect((await here.as(teacherToken, (db) => groove(db, grooveId)))?.favourite).toBe(false);
    const hidden = await here.as(teacherToken, (db) => addGroove(db, teacher, STARTER_GROOVES[2]!));
    await here.as(ada.token, (db) => setFavourite(db, { id: ada.id, workshop_id: teacher.workshop_id }, hidden, true));
    const forBo = { id: bo.id, workshop_id: teacher.workshop_id };
    await expect(here.as(ada.token, (db) => setFavourite(db, forBo, grooveId, true))).rejects.toThrow(
      /row-level security/,
    );
    expect((await here.owner.query('select from favourite')).rowCount).toBe(1);
    await here.as(ada.token, (db) =>
      setFavourite(db, { id: ada.id, workshop_id: teacher.workshop_id }, grooveId, false),
    );
    expect((await here.as(ada.token, (db) => groove(db, grooveId)))?.favourite).toBe(false);
  });
});

describe('the workshop', () => {
  test('its settings are the teacher’s to set and everybody’s to read', async () => {
    const own = { name: 'Ours', syllables: { 4: ['ka', 'po', 'ki'] } };
    await here.as(teacherToken, (db) => saveSettings(db, teacher.workshop_id, { ...USUAL_SETTINGS, schools: [own] }));
    await here.as(teacherToken, (db) => changePerson(db, ada.id, { school: 'Ours', level: 'advanced' }));
    expect(await here.as(ada.token, signedInPerson)).toMatchObject({
      school: own,
      level: 'advanced',
      setup: 'crossed',
    });
    await here.as(ada.token, (db) => saveSettings(db, teacher.workshop_id, USUAL_SETTINGS));
    expect((await here.as(bo.token, signedInPerson))?.settings.schools).toEqual([own]);
    expect(await here.as(ada.token, (db) => changePerson(db, ada.id, { level: 'first year' }))).toBe(false);
    await here.as(teacherToken, (db) => changePerson(db, ada.id, { school, level: 'second year' }));
  });
});

test('migrating again, and twice at once, changes nothing', async () => {
  const passwords = { web: 'web-of-a-test', door: 'door-of-a-test' };
  const applied = async () => (await here.owner.query('select name from migration')).rows;
  const before = await applied();
  await Promise.all([migrate(here.ownerUrl, passwords), migrate(here.ownerUrl, passwords)]);
  expect(await applied()).toEqual(before);
});
