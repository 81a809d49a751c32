/** A Mochila of its own for a benchmark, so that a running one is not disturbed. */
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { freePort } from '../scripts/lib/cluster.mjs';

const home = path.join(import.meta.dirname, '..');

/** A place for a benchmark's data; `clean` takes it away again. */
export function ownPlace(dist = '.next-bench') {
  const data = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-bench-'));
  fs.chmodSync(data, 0o755);
  const clean = () => {
    fs.rmSync(data, { recursive: true, force: true });
    fs.rmSync(path.join(home, dist), { recursive: true, force: true });
  };
  return { data, dist, clean };
}

/**
 * Starts it, with settings of its own besides and how long that took in seconds; `stop` answers with how long
 * stopping took.
 */
export async function startServed({ data, dist }, env = {}) {
  const port = await freePort();
  const began = performance.now();
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    cwd: home,
    env: {
      ...process.env,
      PORT: String(port),
      MOCHILA_DATA: data,
      MOCHILA_DIST: dist,
      npm_lifecycle_event: '',
      ...env,
    },
  });
  await new Promise((resolve, reject) => {
    child.stdout.on('data', (text) => String(text).includes('Mochila is at') && resolve());
    child.on('exit', (code) => reject(new Error(`start ended with ${code}`)));
    child.stderr.pipe(process.stderr);
  });
  const seconds = (performance.now() - began) / 1000;
  const stop = async () => {
    const stopping = performance.now();
    child.removeAllListeners('exit');
    const ended = new Promise((resolve) => child.on('exit', resolve));
    child.kill('SIGINT');
    await ended;
    return (performance.now() - stopping) / 1000;
  };
  return { address: `http://127.0.0.1:${port}`, pid: child.pid, data, seconds, stop };
}

/** A browser in which the demo's teacher has come in. */
export async function openAsTeacher({ address }, args = []) {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--disable-gpu', ...args] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: address });
  await page.goto('/sign-in');
  await page.getByRole('button', { name: /Oda/ }).click();
  await page.getByRole('heading', { name: 'Today', level: 1 }).waitFor();
  return { browser, page };
}
