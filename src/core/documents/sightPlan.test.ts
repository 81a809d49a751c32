import { expect, test } from 'vitest';
import { readSightPlan, writeSightPlan } from './sightPlan';

const kept = {
  version: 1,
  kind: 'line',
  level: 'second year',
  values: ['8ths', '16ths'],
  meter: '7/8 (2+2+3)',
  bars: 4,
  lookS: 20,
};

test('a plan is read as it was written', () => {
  const read = readSightPlan(kept);
  expect(read.ok && read.value).toMatchObject({ level: 'second year', meter: { beats: 7, unit: 8 } });
  expect(read.ok && writeSightPlan(read.value)).toEqual(kept);
});

test.each([
  ['no values', { values: [] }, 'Choose at least one value.'],
  ['a value twice', { values: ['8ths', '8ths'] }, 'Each value once.'],
  ['a value that there is not', { values: ['64ths'] }, undefined],
  ['a meter that is none', { meter: '4/5' }, undefined],
  ['no bars', { bars: 0 }, undefined],
  ['too many bars', { bars: 33 }, undefined],
  ['too long a look', { lookS: 121 }, undefined],
  ['something else beside', { tempo: 80 }, undefined],
  ['a later version', { version: 2 }, undefined],
])('%s is refused', (_, change, say) => {
  const read = readSightPlan({ ...kept, ...change });
  expect(read.ok).toBe(false);
  if (!read.ok && say) expect(read.problems[0]!.say).toBe(say);
});
