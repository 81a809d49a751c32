import { expect, test } from 'vitest';
import { usualRule } from '@/core/drill/rule';
import { FAMILIES, familyNamed } from '@/core/drill/registry';
import { parametersOf } from './parameters';

test('every parameter of every family but the groove it is made of has a field with a label and its usual value', () => {
  for (const family of FAMILIES) {
    const shown = parametersOf(family);
    const all = Object.keys(family.shape.parse(usualRule(family).params) as object).filter((name) => name !== 'figure');
    expect(shown.map(({ name }) => name)).toEqual(all);
    for (const one of shown) {
      expect(one.label).toMatch(/^[A-Z]/);
      if (one.kind === 'one of') expect(one.options).toContain(one.usual);
      if (one.kind === 'some of') expect(one.options).toEqual(expect.arrayContaining(one.usual as unknown[]));
      if (one.kind === 'number') expect(one.usual).toBeGreaterThanOrEqual(one.least);
    }
  }
});

test('the kinds of fields follow the shape', () => {
  expect(parametersOf(familyNamed('accents')!).map(({ kind }) => kind)).toEqual([
    'number',
    'number',
    'switch',
    'one of',
  ]);
  expect(parametersOf(familyNamed('overlay')!)[0]).toMatchObject({
    kind: 'some of',
    options: [3, 5, 7],
    usual: [3, 5, 7],
  });
});
