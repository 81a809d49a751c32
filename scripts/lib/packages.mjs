import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { refuse, say } from './say.mjs';
import { lastLines, run } from './run.mjs';

const modifiedMs = (file) => fs.statSync(file, { throwIfNoEntry: false })?.mtimeMs ?? 0;

/**
 * Installs the npm packages when the lock file is newer than what is installed: those that serve, and with `forWork`
 * those that test and type-check too.
 */
export async function ensurePackages({ forWork = false } = {}) {
  const isThere = modifiedMs('node_modules/.package-lock.json') >= modifiedMs('package-lock.json');
  if (isThere && (!forWork || fs.existsSync('node_modules/vitest'))) return;
  say('Installing packages (once, a minute or so) …');
  const { code, output } = await run('npm', ['ci', '--no-audit', '--no-fund', ...(forWork ? [] : ['--omit=dev'])]);
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

/** What the sources are, in one mark: the same sources have the same, whenever they were written. */
function markOfSources() {
  const hash = createHash('sha256').update(process.version);
  const files = SOURCES.flatMap((source) =>
    fs.statSync(source).isDirectory()
      ? fs
          .readdirSync(source, { recursive: true, withFileTypes: true })
          .flatMap((one) => (one.isFile() ? [path.join(one.parentPath, one.name)] : []))
      : [source],
  );
  const built = files.filter((file) => !/\.test\.tsx?$/.test(file)).toSorted();
  for (const file of built) hash.update(`${file}\0`).update(fs.readFileSync(file));
  return hash.digest('hex');
}

/** Builds the application into `dist` when the build there is of other sources. */
export async function ensureBuild(dist) {
  const { buildThreads } = await import('./built.mjs');
  await buildThreads();
  const mark = markOfSources();
  const markFile = path.join(dist, 'SOURCES');
  if (fs.existsSync(markFile) && fs.readFileSync(markFile, 'utf8') === mark) return;
  fs.rmSync(markFile, { force: true });
  say('Building (a minute or so, after a change only) …');
  const { code, output } = await run(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
    env: { NEXT_DIST_DIR: dist, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  });
  if (code === 0) return fs.writeFileSync(markFile, mark);
  if (/ENOSPC/.test(output)) refuse('The disk is full: a build needs about 500 MB.', 'Free some room and start again.');
  console.error(output);
  refuse('The build failed; its words are above.', 'Mend that and start again.');
}
