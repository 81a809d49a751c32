import { describe, expect, test } from 'vitest';
import { writeTake } from '@/core/documents/take';
import { emptyTake, playedTake } from '@/core/testing/takes';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import { ask, call, actions, Form, owner, sessionOf, theCast, type Cast } from './served';
import { EMPTY, grooveJson } from './samples';

const cast: Cast = theCast();

const honestTake = () => ({
  id: crypto.randomUUID(),
  playerId: cast.student.id,
  grooveId: cast.groove,
  playedAt: new Date().toISOString(),
  take: writeTake(playedTake({ spreadMs: 9 }, emptyTake(STARTER_GROOVES[0]!.groove, { rounds: 2 }))),
});
const send = (body: unknown, token: string) =>
  ask('/api/takes', token, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

describe('many at once', () => {
  test('200 pages are shown or told to come again, none breaks', async () => {
    const token = await sessionOf(cast.teacher.id);
    const pages = ['/today', '/people', '/takes', '/grooves', '/workshop'];
    const answers = await Promise.all(
      Array.from({ length: 200 }, async (_, at) => {
        const response = await ask(pages[at % pages.length]!, token);
        const text = await response.text();
        return { status: response.status, after: response.headers.get('retry-after'), text };
      }),
    );
    for (const { status, after, text } of answers) {
      expect([200, 503]).toContain(status);
      if (status === 503) expect([after, text.includes('Many are here at once')]).toEqual(['5', true]);
      // A page that broke inside says so without a status of its own.
      else expect(text).not.toContain('The workshop did not answer');
    }
    expect(answers.filter(({ status }) => status === 200).length).toBeGreaterThan(20);
  });

  test('200 takes: every one is kept, once, though half of them are sent twice', async () => {
    const token = await sessionOf(cast.student.id);
    const bodies = Array.from({ length: 200 }, honestTake);
    const twice = bodies.flatMap((body, at) => (at % 2 ? [body] : [body, body]));
    // What is told to come again comes again, as the outbox does.
    const sendUntilKept = async (body: unknown): Promise<number> => {
      const response = await send(body, token);
      await response.arrayBuffer();
      if (response.status !== 503) return response.status;
      await new Promise((resolve) => setTimeout(resolve, 500));
      return sendUntilKept(body);
    };
    expect(new Set(await Promise.all(twice.map(sendUntilKept)))).toEqual(new Set([200]));
    const { rows } = await owner.query<{ count: number }>(
      'select count(*)::int from take where id = any ($1::uuid[])',
      [bodies.map(({ id }) => id)],
    );
    expect(rows[0]!.count).toBe(200);
  });

  test('a take that asks for too much is answered in words and stops nothing', async () => {
    const token = await sessionOf(cast.student.id);
    const { take, ...frame } = honestTake();
    const greedy: object[] = [
      { click: { kind: 'every', counts: '1/999999999999999', from: '0' } },
      { click: { kind: 'every', counts: '1/1000000', from: '0' } },
      { rounds: 2000, passages: [{ from: 0, bars: 1, times: 2000 }] },
      {
        rounds: 2000,
        click: {
          kind: 'thinning',
          bars: 1,
          stages: Array.from({ length: 8 }, () => ({ kind: 'every', counts: '1/24', from: '0' })),
        },
      },
    ];
    for (const change of greedy) {
      const response = await send({ ...frame, id: crypto.randomUUID(), take: { ...take, ...change } }, token);
      expect([response.status, Object.keys(change)[0]]).toEqual([422, Object.keys(change)[0]]);
      expect(((await response.json()) as { say: string }).say).toMatch(/\w+\./);
    }
    expect((await ask('/health')).status).toBe(200);
  });

  test('one of that kind that is stored already is met by the reader: its page says so, lists go on', async () => {
    const token = await sessionOf(cast.student.id);
    const body = honestTake();
    expect((await send(body, token)).status).toBe(200);
    await owner.query(
      `update take set document = jsonb_set(document, '{click}', '{"kind": "every", "counts": "1/1000000", "from": "0"}') where id = $1`,
      [body.id],
    );
    const page = await ask(`/takes/${body.id}`, token);
    expect([page.status, (await page.text()).includes('Write a number of counts from 1/24')]).toEqual([200, true]);
    expect((await ask('/takes', token)).status).toBe(200);
  });

  test('a flood of sign-ins: whoever knows the password and the browser comes in, and pages are shown', async () => {
    await owner.query('delete from sign_in_failure');
    const signIn = (name: string, password: string, device?: string) =>
      call(actions.get('signInAction')!, [EMPTY, new Form({ name, password })], undefined, { device });
    const known = await signIn('tova', 'a long password');
    const device = /mochila_device=([\w-]{43})/.exec(known.headers.getSetCookie().join(';'))![1]!;
    const flood = Array.from({ length: 50 }, (_, at) => signIn(at % 2 ? 'tova' : `guess${at}`, 'wrong'));
    const token = await sessionOf(cast.teacher.id);
    const [mine, page, ...others] = await Promise.all([
      signIn('tova', 'a long password', device),
      ask('/today', token),
      ...flood,
    ]);
    expect(mine.headers.get('x-action-redirect')).toMatch(/today/);
    expect(page.status).toBe(200);
    expect(others.filter(({ headers }) => headers.has('x-action-redirect'))).toEqual([]);
  });
});

test('what is served by https says so to the browser; every page has its policy, also when it is fetched ahead', async () => {
  const ahead = await ask('/sign-in', undefined, { headers: { 'next-router-prefetch': '1', rsc: '1' } });
  expect(ahead.headers.get('content-security-policy')).toMatch(/frame-ancestors 'none'/);
  expect(ahead.headers.has('strict-transport-security')).toBe(false);
  const secure = await ask('/sign-in', undefined, { headers: { 'x-forwarded-proto': 'https' } });
  expect(secure.headers.get('strict-transport-security')).toMatch(/max-age=\d{8}/);
});

describe('two web servers on one database serve one workshop', () => {
  test('a session, a take and a change of one are there on the other', async () => {
    const token = await sessionOf(cast.student.id);
    const body = honestTake();
    expect((await send(body, token)).status).toBe(200);
    const page = await ask(`/takes/${body.id}`, token, { beside: true });
    expect(page.status).toBe(200);
    const again = await ask('/api/takes', token, {
      beside: true,
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    expect([again.status, await again.json()]).toEqual([200, { id: body.id }]);
  });

  test('an action that a page of one offers is answered by the other', async () => {
    const title = `Beside ${crypto.randomUUID()}`;
    const args = [{ ...grooveJson, title }];
    await call(actions.get('keepGrooveAction')!, args, await sessionOf(cast.teacher.id), { beside: true });
    expect((await owner.query('select from groove where title = $1', [title])).rowCount).toBe(1);
  });

  test('tries are counted for both together', async () => {
    await owner.query('delete from sign_in_failure');
    const tryAt = async (beside: boolean) =>
      (
        await call(actions.get('signInAction')!, [EMPTY, new Form({ name: 'bo', password: 'wrong' })], undefined, {
          beside,
        })
      ).text();
    const answers = [];
    for (const beside of [false, true, false, true, false]) answers.push(await tryAt(beside));
    for (const answer of answers) expect(answer).toContain('do not go together');
    expect(await tryAt(true)).toContain('Too many tries');
    await owner.query('delete from sign_in_failure');
  });
});
