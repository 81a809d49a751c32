import fs from 'node:fs';
import path from 'node:path';
import { refuse, say } from './say.mjs';
import { lastLines, run } from './run.mjs';

const modifiedMs = (file) => fs.statSync(file, { throwIfNoEntry: false })?.mtimeMs ?? 0;

/** Installs the npm packages when the lock file is newer than what is installed. */
export async function ensurePackages() {
  if (modifiedMs('node_modules/.package-lock.json') >= modifiedMs('package-lock.json')) return;
  say('Installing packages (once, a minute or two) …');
  const { code, output } = await run('npm', ['ci', '--no-audit', '--no-fund']);
  if (code !== 0) {
    if (/ENOSPC/.test(output))
      refuse('The disk is full: the packages need about 1 GB.', 'Free some room and start again.');
    refuse(`npm ci failed (${lastLines(output)}).`, 'See that the npm registry can be reached, then start again.');
  }
  // npm keeps the time stamps of an unchanged hidden lock file; ours must be newer than the lock.
  fs.utimesSync('node_modules/.package-lock.json', new Date(), new Date());
}

/** The folders and files that a build is made from. */
const SOURCES = ['src', 'next.config.ts', 'tsconfig.json', 'package-lock.json', 'scripts/lib/built.mjs'];

function newestMs(file) {
  const stat = fs.statSync(file, { throwIfNoEntry: false });
  if (!stat) return 0;
  if (!stat.isDirectory()) return stat.mtimeMs;
  return fs.readdirSync(file).reduce((newest, name) => Math.max(newest, newestMs(path.join(file, name))), stat.mtimeMs);
}

/** Builds the application into `dist` when the sources are newer than the build there. */
export async function ensureBuild(dist) {
  const { buildThreads } = await import('./built.mjs');
  await buildThreads();
  if (modifiedMs(path.join(dist, 'BUILD_ID')) > SOURCES.reduce((newest, file) => Math.max(newest, newestMs(file)), 0))
    return;
  say('Building (a minute or so, after a change only) …');
  const { code, output } = await run(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
    env: { NEXT_DIST_DIR: dist, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  if (code === 0) return;
  fs.rmSync(path.join(dist, 'BUILD_ID'), { force: true });
  if (/ENOSPC/.test(output)) refuse('The disk is full: a build needs about 500 MB.', 'Free some room and start again.');
  console.error(output);
  refuse('The build failed; its words are above.', 'Mend that and start again.');
}
