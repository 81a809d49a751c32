import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-chart-'));
afterAll(() => fs.rmSync(folder, { recursive: true }));

const chart = (...files: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/chart.mjs', ...files], { encoding: 'utf8' });
  return { status, said: stdout + stderr };
};
const typed = (text: string): string => {
  const file = path.join(folder, 'typed.txt');
  fs.writeFileSync(file, text);
  return file;
};

test.each([
  ['morning-boat', '40 bars, 1:16'],
  ['gulls', '38 bars, 1:08'],
  ['night-ferry', '163 bars, 5:05'],
])('the chart %s is played', (name, whole) => {
  const { status, said } = chart(`docs/charts/${name}.txt`);
  expect([status, said.trim().split('\n').at(-1)]).toEqual([0, whole]);
});

test('a hundred bars are typed in as many keys as the docs say', () => {
  const keys = fs.readFileSync('docs/charts/night-ferry.txt', 'utf8').trimEnd().length;
  expect(fs.readFileSync('docs/files.md', 'utf8')).toContain(`163 bars as played, takes ${keys} keystrokes`);
});

test('what is not understood, or cannot be played, is told at its place', () => {
  expect(chart().said).toContain('A file is wanted.');
  expect(chart('nowhere.txt').said).toContain('nowhere.txt is not there.');
  expect(chart(typed('4/4 at 90\nA 8, wobble')).said).toContain('line 2, letter 6: “wobble” is not understood.');
  expect(chart(typed('A 8, D.S.'))).toMatchObject({
    status: 1,
    said: expect.stringContaining('A, bar 8: There is a jump without its sign.') as string,
  });
});
