import { expect, test } from 'vitest';
import { familyNamed } from '../drill/registry';
import { usualRule } from '../drill/rule';
import { SHELF } from '../drill/shelf';
import { drillFile, grooveOfRule, readDrillFile } from './drillFile';

const DRILLS = SHELF.map(({ name, family, change }) => ({
  name,
  tags: ['ferry', '16ths'],
  rule: usualRule(familyNamed(family)!, change),
}));

test('every drill that ships comes back from its file as it was, and writes the same', () => {
  for (const drill of DRILLS) {
    const read = readDrillFile(drillFile(drill));
    expect(read).toEqual({ ok: true, value: drill });
    if (read.ok) expect(grooveOfRule(read.value)).toEqual(grooveOfRule(drill));
  }
});

test('an older rule is brought up to date', () => {
  const { version: _, ...rest } = DRILLS[0]!.rule;
  const old = readDrillFile(JSON.stringify({ name: 'Planks', ...rest, version: 1 }));
  expect(old).toMatchObject({ ok: true, value: { name: 'Planks', tags: [], rule: { version: 2 } } });
});

test.each([
  ['no JSON', 'drill', 'no-json'],
  ['nothing', 'null', 'no-version'],
  ['a list', '[1, 2]', 'no-version'],
  ['a groove', '{"version": 1, "title": "x", "bars": []}', undefined],
  ['no name', JSON.stringify(DRILLS[0]!.rule), undefined],
  ['a later version', JSON.stringify({ ...DRILLS[0]!.rule, name: 'x', version: 9 }), 'newer-version'],
  ['something more', JSON.stringify({ ...DRILLS[0]!.rule, name: 'x', run: 'it' }), undefined],
])('%s is told', (_, text, code) => {
  const read = readDrillFile(text);
  expect(read.ok).toBe(false);
  if (!read.ok && code) expect(read.problems[0]!.code).toBe(code);
});

test('what makes nothing says so, and so does what is too long for one groove', () => {
  const usual = usualRule(familyNamed('placement')!);
  const long = usualRule(familyNamed('accents')!, { most: 1000, params: { accents: 4, among: 16 } });
  expect(grooveOfRule({ name: 'x', rule: { ...usual, family: 'no such' } })).toMatchObject({
    ok: false,
    problems: [{ code: 'no-such-family' }],
  });
  expect(grooveOfRule({ name: 'x', rule: long })).toMatchObject({ ok: false, problems: [{ code: 'too-many-bars' }] });
});
