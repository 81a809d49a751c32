import fs from 'node:fs';
import path from 'node:path';
import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import { expect, test } from 'vitest';
import { readChartText } from '@/core/chart/text/chartText';
import { writeGroove } from '@/core/documents/groove';
import { usualRule } from '@/core/drill/rule';
import { drillFile } from '@/core/format/drillFile';
import { familyNamed } from '@/core/drill/registry';
import { chartFile } from '@/core/format/chartFile';
import { publishedSchemas } from '@/core/format/schemas';
import { STARTERS } from '@/core/testing/starters';

const folder = path.join(import.meta.dirname, '../docs/schemas');

test('what is published is what our files are read by', () => {
  const published = Object.fromEntries(
    fs
      .readdirSync(folder)
      .map((file) => [file.slice(0, -5), JSON.parse(fs.readFileSync(path.join(folder, file), 'utf8')) as object]),
  );
  expect(published).toEqual(JSON.parse(JSON.stringify(publishedSchemas())));
});

/** A second reader: a validator of another house. */
const validator = (name: string): ValidateFunction =>
  new Ajv2020({ strict: false, validateFormats: false }).compile(publishedSchemas()[name]!);

test('grooves, rules and charts of ours are what the schemas say, and others are not', () => {
  const groove = validator('groove');
  for (const one of STARTERS)
    expect([one.title, groove(JSON.parse(JSON.stringify(writeGroove(one))))]).toEqual([one.title, true]);
  expect(groove({ version: 1, title: 'x' })).toBe(false);
  expect(groove({ ...writeGroove(STARTERS[0]!), colour: 'blue' })).toBe(false);
  const drill = validator('drill');
  const rule = usualRule(familyNamed('between')!);
  expect(drill(JSON.parse(drillFile({ name: 'Oars', tags: ['ferry'], rule })))).toBe(true);
  expect(drill(JSON.parse(JSON.stringify(rule)))).toBe(false);
  expect(drill({})).toBe(false);
  const chart = validator('chart');
  const read = readChartText('A 8, 2 times, hits: 1 in bar 8, ending 1: 2, ending 2: 2; verse (B 4; C 4)');
  expect(read.ok && chart(JSON.parse(chartFile(read.value, 'Ferry song', 'json')))).toBe(true);
  expect(chart({ sections: [] })).toBe(false);
});
