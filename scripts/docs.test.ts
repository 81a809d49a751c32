import fs from 'node:fs';
import path from 'node:path';
import { expect, test } from 'vitest';
import { documented, sayTable } from './say-table';

const HOME = path.join(import.meta.dirname, '..');
const CORE = path.join(HOME, 'src/core');
const DOCS = fs.readFileSync(path.join(HOME, 'docs/core.md'), 'utf8');

test('docs/core.md names every file of the core, and none that is not there', () => {
  const files = fs
    .readdirSync(CORE, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !/\.(test|d)\.ts$/.test(file))
    .map((file) => file.replaceAll(path.sep, '/'));
  const table = DOCS.slice(DOCS.indexOf('## What is where'), DOCS.indexOf('## Rules that are easy'));
  const named = [...table.matchAll(/`([\w/]+\.ts)`/g)].map(([, file]) => file!);
  expect(named.toSorted()).toEqual(files.toSorted());
});

test('docs/say-it.md has the words that are read', () => {
  expect(documented()).toBe(sayTable());
});
