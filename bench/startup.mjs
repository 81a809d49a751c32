/**
 * How long `npm start` takes until the address answers: with everything to make but the packages, and
 * again with everything there. In a copy of its own, so that a running Mochila is not disturbed.
 */
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort } from '../scripts/lib/cluster.mjs';

const home = path.join(import.meta.dirname, '..');
const data = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-bench-'));
fs.chmodSync(data, 0o755);
const dist = '.next-bench';

async function start() {
  const port = await freePort();
  const began = performance.now();
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    cwd: home,
    env: { ...process.env, PORT: String(port), MOCHILA_DATA: data, MOCHILA_DIST: dist, npm_lifecycle_event: '' },
  });
  await new Promise((resolve, reject) => {
    child.stdout.on('data', (text) => String(text).includes('Mochila is at') && resolve());
    child.on('exit', (code) => reject(new Error(`start ended with ${code}`)));
    child.stderr.pipe(process.stderr);
  });
  const seconds = (performance.now() - began) / 1000;
  const stopping = performance.now();
  child.removeAllListeners('exit');
  const ended = new Promise((resolve) => child.on('exit', resolve));
  child.kill('SIGINT');
  await ended;
  return [seconds, (performance.now() - stopping) / 1000];
}

try {
  const rows = [
    ['first: cluster, demo and build to make', await start()],
    ['second', await start()],
    ['third', await start()],
  ];
  console.log('\nstart-up\n\n| | seconds until it answers | seconds to stop |\n| --- | ---: | ---: |');
  for (const [name, [up, down]] of rows) console.log(`| ${name} | ${up.toFixed(1)} | ${down.toFixed(1)} |`);
} finally {
  fs.rmSync(data, { recursive: true, force: true });
  fs.rmSync(path.join(home, dist), { recursive: true, force: true });
}
