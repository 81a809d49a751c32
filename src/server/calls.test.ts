import { describe, expect, test } from 'vitest';
import { validateServerAction } from './calls';

const HERE = 'http://mochila.test/drills';
const called = (body: string) =>
  new Request(HERE, {
    method: 'POST',
    headers: { 'next-action': 'x', 'content-type': 'text/plain;charset=UTF-8' },
    body,
  });
const formed = (fields: Record<string, string>, headers: Record<string, string> = { 'next-action': 'x' }) => {
  const body = new FormData();
  for (const [name, value] of Object.entries(fields)) body.append(name, value);
  return new Request(HERE, { method: 'POST', headers, body });
};

describe('what a page of ours sends is let through', () => {
  test.each([
    ['[]'],
    ['["$$price", true, null, 1e9]'],
    ['[{"id":"x","swing":"$undefined"}]'],
    // The same bar twice is sent once.
    ['[{"groove":{"bars":[{"meter":{"beats":4}},{"meter":"$0:0:groove:bars:0:meter"}]}}]'],
    ['[{"lean":{"right hand":1}},"$0:0:lean:right hand"]'],
  ])('%s', async (body) => expect(await validateServerAction(called(body))).toBe(true));

  test('forms, with the page’s script and before it runs; and whatever is only asked for', async () => {
    expect(await validateServerAction(formed({ _1_name: 'x', '0': '["$undefined","$K1"]' }))).toBe(true);
    const early = {
      $ACTION_REF_1: '',
      '$ACTION_1:0': '{"id":"x","bound":"$@1"}',
      '$ACTION_1:1': '[{"typed":{}}]',
      name: 'x',
    };
    expect(await validateServerAction(formed(early, {}))).toBe(true);
    expect(await validateServerAction(formed({ $ACTION_ID_x: '', person: 'y' }, {}))).toBe(true);
    expect(await validateServerAction(new Request(HERE))).toBe(true);
  });
});

describe('anything else is refused before it is decoded', () => {
  test.each([
    [''],
    ['{}'],
    ['['],
    ['["$1"]'],
    ['["$@0"]'],
    ['["$F1"]'],
    ['["$B1"]'],
    ['["$h1"]'],
    ['["$0:__proto__:then"]'],
    ['["$0:0:constructor:constructor"]'],
    ['["$1:a"]'],
    [JSON.stringify(Array.from({ length: 11 }, () => 1))],
    [JSON.stringify(['x'.repeat(100_001)])],
    [`[${'['.repeat(10)}${']'.repeat(10)}]`],
  ])('%.60s', async (body) => expect(await validateServerAction(called(body))).toBe(false));

  test('forms with names of their own, or none of an action', async () => {
    expect(await validateServerAction(formed({ '0': '["$K1"]', '1': '"x"' }))).toBe(false);
    expect(await validateServerAction(formed({ '0': '["$@1"]' }))).toBe(false);
    expect(await validateServerAction(formed({ name: 'x' }, {}))).toBe(false);
    expect(await validateServerAction(formed({ '$ACTION_1:0': '{"id":"$F1"}' }, {}))).toBe(false);
  });
});
