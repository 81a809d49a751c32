import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { join, signIn } from '@/server/door';
import { kindOf } from '@/server/installation';
import { dropDatabase } from '@/server/migrate';
import { signedInPerson, students } from '@/server/people';
import { ada, kept, seed, sent, teacher } from '@/server/testing/seeded';
import { throwAwayDatabase } from '@/server/testing/throwAway';

const here = throwAwayDatabase('backup');
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-backup-'));
const file = path.join(folder, 'whole.backup');
const elsewhere = () => here.ownerUrl.replace(/(\w+)$/, '$1_restored');

/** What a script says and ends with, on a database. */
function run(script: string, url: string, ...args: string[]): Promise<{ code: number | null; said: string }> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [`scripts/${script}.mjs`, ...args], {
      env: { ...process.env, DATABASE_URL: url },
    });
    let said = '';
    child.stdout.on('data', (text) => (said += text));
    child.stderr.on('data', (text) => (said += text));
    child.on('exit', (code) => resolve({ code, said }));
  });
}

beforeAll(async () => {
  await seed(here);
  // As every start has it.
  await kindOf(here.ownerUrl, 'own');
});
afterAll(async () => {
  fs.rmSync(folder, { recursive: true, force: true });
  await dropDatabase(elsewhere());
});

describe('backup and restore', () => {
  test('made while takes arrive, restored elsewhere: same people, same takes, same sign-ins', async () => {
    const acknowledged: string[] = [];
    const keep = async () => {
      const body = sent(ada.id);
      expect((await kept(here, ada.token, body)).ok).toBe(true);
      acknowledged.push(body.id);
    };
    for (let take = 0; take < 5; take++) await keep();
    const before = [...acknowledged];
    const backup = run('backup', here.ownerUrl, file);
    let isDone = false;
    void backup.finally(() => (isDone = true));
    while (!isDone) await keep();
    expect(await backup).toMatchObject({ code: 0, said: expect.stringMatching(/3 people, \d+ takes/) as string });
    expect(acknowledged.length).toBeGreaterThan(before.length);
    expect(fs.statSync(file).mode & 0o077).toBe(0);

    const restored = await run('restore', elsewhere(), file);
    expect(restored).toMatchObject({ code: 0, said: expect.stringMatching(/Restored: 3 people/) as string });
    const there = new pg.Pool({ connectionString: elsewhere() });
    const all = async (sql: string, pool: pg.Pool) =>
      (await pool.query<{ one: string }>(sql)).rows.map(({ one }) => one);
    const takesThere = await all('select id::text as one from take', there);
    // All that were acknowledged before it began; of those that came meanwhile, each whole or not at all.
    expect(takesThere).toEqual(expect.arrayContaining(before));
    const places = `select take_id::text || count(*) as one from take_place where take_id = any ('{${takesThere.join(',')}}') group by take_id order by 1`;
    expect(await all(places, there)).toEqual(await all(places, here.owner));
    for (const table of [
      'person',
      'credential',
      'session',
      'groove',
      'assignment',
      'event',
      'installation - backed_up_at',
    ]) {
      const [name, without] = table.split(' - ');
      const sql = `select (to_jsonb(t)${without ? ` - '${without}'` : ''})::text as one from ${name} t order by 1`;
      expect([name, await all(sql, there)]).toEqual([name, await all(sql, here.owner)]);
    }
    // Through the roles of the web server there: an open session, and a password.
    const { rows } = await there.query<{ web_password: string; door_password: string }>('select * from installation');
    const login = (kind: 'web' | 'door') => {
      const url = new URL(elsewhere());
      url.username = `${url.pathname.slice(1).slice(0, 50)}_${kind}_login`;
      url.password = rows[0]![`${kind}_password`];
      return url.href;
    };
    const web = new pg.Client({ connectionString: login('web') });
    await web.connect();
    await web.query(`select set_config('mochila.session', $1, false)`, [ada.token]);
    expect((await web.query('select signed_in_person() as id')).rows).toEqual([{ id: ada.id }]);
    await web.end();
    const door = new pg.Client({ connectionString: login('door') });
    await door.connect();
    expect((await door.query(`select person_id from door_credential('tova')`)).rows).toEqual([
      { person_id: teacher.id },
    ]);
    await door.end();
    await there.end();
  });

  test('it is said when the last one was made', async () => {
    const { rows } = await here.owner.query<{ is_new: boolean }>(
      `select backed_up_at > now() - interval '10 minutes' as is_new from installation`,
    );
    expect(rows).toEqual([{ is_new: true }]);
  });

  test('a workshop is never overwritten, and neither is a backup', async () => {
    const onto = await run('restore', here.ownerUrl, file);
    expect(onto).toMatchObject({ code: 1, said: expect.stringMatching(/holds a workshop already/) as string });
    const again = await run('backup', here.ownerUrl, file);
    expect(again).toMatchObject({ code: 1, said: expect.stringMatching(/is there already/) as string });
    expect((await here.owner.query('select from person')).rowCount).toBe(3);
  });

  test.each([
    ['no name', [], /No backup was named/],
    ['a name of nothing', ['/nowhere/none.backup'], /There is no \/nowhere\/none\.backup/],
    ['what is no backup', ['package.json'], /pg_restore failed.*Take another backup/],
  ])('restored from %s it says so in a line', async (_, args, words) => {
    const { code, said } = await run('restore', elsewhere(), ...args);
    expect(code).toBe(1);
    expect(said).toMatch(words);
    expect(said.trim().split('\n')).toHaveLength(1);
  });

  test('half a backup is none', async () => {
    const half = path.join(folder, 'half.backup');
    const whole = fs.readFileSync(file);
    fs.writeFileSync(half, whole.subarray(0, Math.floor(whole.length * 0.6)));
    await dropDatabase(elsewhere());
    expect((await run('restore', elsewhere(), half)).code).toBe(1);
    // Nothing of it stands there, and the whole one can still be restored.
    expect((await run('restore', elsewhere(), file)).code).toBe(0);
  });
});

test('whoever has lost the password gets a new one at the server, once; every session ends', async () => {
  const unknown = await run('password', here.ownerUrl, 'nobody');
  expect(unknown).toMatchObject({
    code: 1,
    said: expect.stringMatching(/Nobody signs in as "nobody".*tova/) as string,
  });
  const { code, said } = await run('password', here.ownerUrl, ' TOVA ');
  expect(code).toBe(0);
  const password = /Tova Lind signs in as tova with: (\S+)/.exec(said)![1]!;
  expect((await here.owner.query('select from session where person_id = $1', [teacher.id])).rowCount).toBe(0);
  expect((await signIn('tova', password, { address: '192.0.2.7' })).ok).toBe(true);
});

test('one workshop more is made at the server; its owner comes in by the link, and sees nothing of the first', async () => {
  expect(await run('workshop', here.ownerUrl, 'Lake house')).toMatchObject({
    code: 1,
    said: expect.stringMatching(/its owner are to be named/) as string,
  });
  const { code, said } = await run('workshop', here.ownerUrl, 'Lake house', 'Sunniva Roth');
  expect(code).toBe(0);
  expect(said).toContain('@lake-house');
  const token = /\/join\/([\w-]{43})/.exec(said)![1]!;
  const came = await join(token, { signInName: 'tova', password: 'a quite new one' });
  if (typeof came === 'string') throw new Error(came);
  expect(await here.as(came.token, signedInPerson)).toMatchObject({
    workshop: 'Lake house',
    is_owner: true,
    sign_in_name: 'tova@lake-house',
  });
  expect(await here.as(came.token, (db) => students(db))).toMatchObject({ total: 0 });
  // Two are called Tova at the door now: the workshop's name tells them apart, also at the server.
  expect(await run('password', here.ownerUrl, 'tova')).toMatchObject({
    code: 1,
    said: expect.stringMatching(/Several people sign in as "tova"/) as string,
  });
  expect(await run('password', here.ownerUrl, 'tova@lake-house')).toMatchObject({ code: 0 });
});
