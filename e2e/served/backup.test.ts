import { gunzipSync, gzipSync } from 'node:zlib';
import { expect, test } from 'vitest';
import { ACTORS, ask, sessionOf, theCast, type ActorName } from './served';

/** The workshop as one file: given to its owner alone, and taken from no other. */
const cast = theCast();

const asked = async (actor: ActorName, init: RequestInit = {}) =>
  ask('/api/workshop/backup?try=1', actor === 'visitor' ? undefined : await sessionOf(cast[actor].id), init);
const gzip = { 'content-type': 'application/gzip' };

test('it is given to the owner, with their own workshop and no other in it', async () => {
  for (const actor of ACTORS) {
    const response = await asked(actor);
    const bytes = Buffer.from(await response.arrayBuffer());
    const owns = actor === 'owner' || actor === 'foreign';
    const refused = actor === 'visitor' ? 401 : 403;
    expect([actor, response.status]).toEqual([actor, owns ? 200 : refused]);
    if (!owns) continue;
    const text = gunzipSync(bytes).toString();
    expect(text).toContain(cast[actor].id);
    expect([actor, text.includes(cast.student.id)]).toEqual([actor, actor === 'owner']);
    expect(text.includes(cast.foreign.id)).toBe(actor === 'foreign');
  }
});

test('it is taken from an owner, sent by a page of ours, and into an empty workshop', async () => {
  const body = gzipSync('{"mochila":"workshop","version":1,"workshop":"x","madeAt":"2026-11-20T12:00:00.000Z"}\n');
  for (const actor of ACTORS) {
    const response = await asked(actor, { method: 'POST', body, headers: gzip });
    const said = await response.text();
    if (actor === 'visitor') expect(response.status).toBe(401);
    else if (!['owner', 'foreign'].includes(actor)) expect([actor, response.status]).toEqual([actor, 403]);
    else
      expect(said).toContain(actor === 'owner' ? 'There are other people in this workshop already' : 'ends too early');
  }
  const elsewhere = { method: 'POST', body, headers: { ...gzip, origin: 'https://elsewhere.example' } };
  expect((await asked('owner', elsewhere)).status).toBe(403);
  expect((await asked('owner', { method: 'POST', body, headers: { 'content-type': 'text/plain' } })).status).toBe(415);
  const none = await asked('foreign', { method: 'POST', body: 'no backup', headers: gzip });
  expect(await none.text()).toContain('This is no backup of a workshop.');
});
