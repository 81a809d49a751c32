import fs from 'node:fs';
import { refuse, say } from './say.mjs';
import { lastLines, run } from './run.mjs';

/** apt locks itself: whoever calls while it runs waits for its end. */
let running = Promise.resolve();
const oneAtATime = (call) => (running = running.then(call));

/** Runs apt as root, or through sudo where that asks nothing; undefined where neither is possible. */
async function aptHere() {
  if (!fs.existsSync('/usr/bin/apt-get')) return undefined;
  if (process.getuid?.() === 0)
    return (...args) => oneAtATime(() => run('apt-get', args, { env: { DEBIAN_FRONTEND: 'noninteractive' } }));
  if ((await run('sudo', ['-n', 'true'])).code !== 0) return undefined;
  return (...args) => oneAtATime(() => run('sudo', ['-n', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args]));
}

/**
 * Installs packages that tests only compare with, where that is allowed; they say so themselves where one is not there.
 * @param {[name: string, isThere: () => boolean | Promise<boolean>][]} packages
 */
export async function offerDebianPackages(packages) {
  const wanted = [];
  for (const [name, isThere] of packages) if (!(await isThere())) wanted.push(name);
  const apt = wanted.length ? await aptHere() : undefined;
  if (!apt) return;
  say(`Installing ${wanted.join(', ')} (once) …`);
  await apt('update');
  await apt('install', '-y', '--no-install-recommends', ...wanted);
}

/** Installs a Debian package when `isThere` finds nothing; without the right to, says the line to run. */
async function ensureDebianPackage(name, what, isThere) {
  const found = isThere();
  if (found) return found;
  const remedy = `apt-get update && apt-get install -y ${name}`;
  if (!fs.existsSync('/usr/bin/apt-get'))
    refuse(`${what} was not found and there is no apt here.`, `Install ${name} by hand, then start again.`);
  const apt = await aptHere();
  if (!apt) refuse(`${what} was not found and may not be installed by this user.`, `Run as root: ${remedy}`);
  say(`Installing ${name} (once) …`);
  await apt('update');
  const { code, output } = await apt('install', '-y', '--no-install-recommends', name);
  const installed = isThere();
  if (code !== 0 || !installed)
    refuse(`${name} could not be installed (${lastLines(output)}).`, `Run it by hand: ${remedy}`);
  return installed;
}

export const ensureChromium = () =>
  ensureDebianPackage('chromium', 'Chromium', () => ['/usr/bin/chromium'].find((file) => fs.existsSync(file)));

/** The same without a window of its own: pages are tested in it with half the work. */
export const ensureHeadlessChromium = () =>
  ensureDebianPackage('chromium-headless-shell', 'Chromium without a window', () =>
    ['/usr/bin/chromium-headless-shell'].find((file) => fs.existsSync(file)),
  );

/** The folder of the newest PostgreSQL server here, or of the version a cluster was made with. */
export function findPostgres(version) {
  const root = '/usr/lib/postgresql';
  const versions = fs.existsSync(root)
    ? fs
        .readdirSync(root)
        .map(Number)
        .filter((each) => fs.existsSync(`${root}/${each}/bin/postgres`))
    : [];
  const wanted = version ? versions.filter((each) => each === version) : versions;
  return wanted.length ? `${root}/${Math.max(...wanted)}/bin` : undefined;
}

export const ensurePostgres = () => ensureDebianPackage('postgresql', 'PostgreSQL', () => findPostgres());
