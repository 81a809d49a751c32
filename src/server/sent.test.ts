import { expect, test } from 'vitest';
import { readJsonBody } from './sent';

const request = (body: string, headers: Record<string, string> = {}) =>
  new Request('http://drums.example/api/takes', {
    method: 'POST',
    body,
    headers: { host: 'drums.example', 'content-type': 'application/json', ...headers },
  });

test('JSON of our own pages is read, also behind a proxy', async () => {
  expect(await readJsonBody(request('{"a":1}', { origin: 'http://drums.example' }))).toEqual({
    ok: true,
    json: { a: 1 },
  });
  expect(
    await readJsonBody(
      request('1', { host: '127.0.0.1:3000', 'x-forwarded-host': 'drums.example', origin: 'https://drums.example' }),
    ),
  ).toEqual({
    ok: true,
    json: 1,
  });
});

test.each([
  ['another site', request('{}', { origin: 'https://elsewhere.example' }), 403],
  ['an origin that is none', request('{}', { origin: 'null' }), 403],
  ['another kind', request('{}', { 'content-type': 'text/plain' }), 415],
  ['half of it', request('{"a":'), 400],
  ['too much, as it says', request('{}', { 'content-length': '5000000' }), 413],
  ['too much, whatever it says', request(`"${'x'.repeat(4_100_000)}"`), 413],
] as const)('%s is refused', async (_, sent, status) => {
  expect(await readJsonBody(sent)).toMatchObject({ ok: false, status });
});
