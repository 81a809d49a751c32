/**
 * `npm test`: all that has to pass, on a throw-away cluster and free ports, so that it runs beside `npm start`. With
 * DATABASE_URL set it uses throw-away databases on that server and starts none.
 *
 * `npm test -- unit browser` runs some of the steps, `npm test -- changed` what a change can break, `npm test -- nightly`
 * all of them at full size, with the stories over weeks and mutation.
 */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { changedFiles } from './lib/changed.mjs';
import { freePort, startCluster } from './lib/cluster.mjs';
import { prepareDatabase } from './lib/database.mjs';
import { ensureChromium, ensureHeadlessChromium, ensurePostgres, offerDebianPackages } from './lib/debian.mjs';
import { ensureBuild, ensurePackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';
import { main, refuse, say } from './lib/say.mjs';
import { runSteps, tableOf } from './lib/steps.mjs';
import { startWeb } from './lib/web.mjs';

process.chdir(path.join(import.meta.dirname, '..'));
const DIST = '.next-test';
/** Pages that are open in the browser at once, each worker with a workshop and a web server of its own. */
const BROWSER_WORKERS = Number(process.env.WORKERS ?? 2);
const bin = (name) => path.join('node_modules/.bin', name);
const vitest = (project, env = {}, ...more) => run(bin('vitest'), ['run', '--project', project, ...more], { env });

const undo = [];
async function clean() {
  for (const one of undo.reverse()) await one();
  undo.length = 0;
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => void clean().finally(() => process.exit(1)));

/** Makes something once, whoever asks first. */
const once = (make) => {
  let made;
  return () => (made ??= make());
};

/** Where throw-away databases are made: the given server, or a cluster of our own. */
const databaseServer = once(async () => {
  if (process.env.DATABASE_URL) return process.env.DATABASE_URL;
  await ensurePostgres();
  // Not under the system's own temporary folder when that is private: the cluster's user must get there.
  const data = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-test-'));
  fs.chmodSync(data, 0o755);
  undo.push(() => fs.rmSync(data, { recursive: true, force: true }));
  const cluster = await startCluster(data);
  undo.push(cluster.stop);
  return cluster.url('postgres');
});
const build = once(() => ensureBuild(DIST));

const inMigrate = (expression) =>
  run(process.execPath, ['--import', 'tsx', '-e', `import('./src/server/migrate.ts').then((m) => ${expression})`]);
const quoted = JSON.stringify;

/** A database of this run, made as `template` is where one is given. */
async function database(name, { demo = false, template } = {}) {
  const url = new URL(await databaseServer());
  url.pathname = `/mochila_e2e_${name}_${process.pid}`;
  // A cluster of our own goes as a whole.
  if (process.env.DATABASE_URL) undo.push(() => inMigrate(`m.dropDatabase(${quoted(url.href)})`));
  if (template) await inMigrate(`m.ensureDatabase(${quoted(url.href)}, ${quoted(template.slice(1))})`);
  return { url: url.href, name: url.pathname, env: await prepareDatabase({ url: url.href, demo }) };
}

/** A web server of the tests' build on a database. */
async function serveOn(env) {
  const web = await startWeb({ mode: 'start', port: await freePort(), host: '127.0.0.1', dist: DIST, env, show: true });
  undo.push(web.stop);
  return web.address;
}

async function serveDemos() {
  const { name: template } = await database('demo', { demo: true });
  const demos = [];
  for (let at = 0; at < BROWSER_WORKERS; at++) {
    const { env } = await database(`demo${at}`, { demo: true, template });
    demos.push(await serveOn(env));
  }
  return demos;
}

async function served() {
  // Handouts are printed by it, and read back by Debian's reader of PDFs.
  await ensureChromium();
  await offerDebianPackages([['poppler-utils', () => fs.existsSync('/usr/bin/pdftotext')]]);
  await build();
  const { url, env } = await database('served');
  return vitest('served', {
    NEXT_DIST_DIR: DIST,
    SERVED_URL: await serveOn(env),
    // Another one beside it, on the same database.
    SERVED_BESIDE_URL: await serveOn(env),
    SERVED_DATABASE_URL: url,
    SERVED_WEB_URL: env.WEB_DATABASE_URL,
    SERVED_DOOR_URL: env.DOOR_DATABASE_URL,
  });
}

async function browser({ only = [] } = {}) {
  await ensureChromium();
  await ensureHeadlessChromium();
  await build();
  const demos = await serveDemos();
  const env = { DEMO_URLS: demos.join(), WORKERS: String(BROWSER_WORKERS) };
  // Where days go by the database is put back by as many; each such story has one of its own.
  for (const name of ['own', ...(process.env.NIGHTLY ? ['week', 'weeks'] : [])]) {
    const { url, env: web } = await database(name);
    Object.assign(env, {
      [`${name.toUpperCase()}_URL`]: await serveOn(web),
      [`${name.toUpperCase()}_DATABASE_URL`]: url,
    });
  }
  return run(bin('playwright'), ['test', ...only, ...(process.env.GREP ? ['-g', process.env.GREP] : [])], {
    show: true,
    env,
  });
}

/** Second readers of calendars, MIDI and MusicXML files and sound: those of another house. */
const offerReaders = once(() => {
  const python = (module) => async () => (await run('/usr/bin/python3', ['-c', `import ${module}`])).code === 0;
  return offerDebianPackages([
    ['lilypond', () => fs.existsSync('/usr/bin/musicxml2ly')],
    ['sox', () => fs.existsSync('/usr/bin/sox')],
    ['python3-mido', python('mido')],
    ['python3-icalendar', python('icalendar')],
  ]);
});

/** Each with the seconds it may take on two idle cores, before a line of the table warns. */
const STEPS = {
  lint: { budget: 60, run: () => run(bin('oxlint'), ['--type-aware', '--deny-warnings']) },
  types: { budget: 60, run: () => run(process.execPath, ['node_modules/typescript-native/bin/tsc', '--noEmit']) },
  arrows: {
    budget: 40,
    run: () => run(bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err']),
  },
  unused: { budget: 30, run: () => run(bin('knip'), []) },
  unit: { budget: 200, run: () => vitest('unit') },
  scripts: { budget: 90, run: async () => (await offerReaders(), vitest('scripts')) },
  build: { budget: 150, run: async () => (await build(), { code: 0, output: '' }) },
  database: {
    budget: 150,
    run: async () => (await offerReaders(), vitest('database', { TEST_DATABASE_URL: await databaseServer() })),
  },
  served: { budget: 240, run: served },
  browser: { budget: 500, isLive: true, run: browser },
};
/** What runs side by side, and what comes after: pages are played to, and want the machine for themselves. */
const LANES = [
  ['lint', 'types', 'arrows', 'unused', 'unit', 'scripts'],
  ['build', 'database', 'served'],
];

/** What a change can break, as far as that is known within two minutes. */
function stepsOfChange(files) {
  const code = files.filter((file) => /\.(ts|tsx)$/.test(file));
  const related = () => run(bin('vitest'), ['related', '--run', '--passWithNoTests', '--project', 'unit', ...code]);
  const touches = (...folders) => files.some((file) => folders.some((one) => file.startsWith(one)));
  const steps = { lint: STEPS.lint, types: STEPS.types };
  if (touches('src')) Object.assign(steps, { arrows: STEPS.arrows });
  if (code.length) Object.assign(steps, { unit: { run: related } });
  if (touches('scripts')) Object.assign(steps, { scripts: STEPS.scripts });
  if (touches('src/server', 'db')) Object.assign(steps, { database: STEPS.database });
  const specs = files.filter((file) => file.endsWith('.spec.ts'));
  if (specs.length) Object.assign(steps, { browser: { run: () => browser({ only: specs }) } });
  return steps;
}

function chosen(wanted) {
  if (wanted[0] === 'changed') {
    const files = changedFiles();
    say(`${files.length} files changed.`);
    return stepsOfChange(files);
  }
  if (wanted[0] === 'nightly') {
    process.env.NIGHTLY = '1';
    return {
      ...STEPS,
      mutants: { isLive: true, run: () => run(process.execPath, ['scripts/mutate.mjs'], { show: true }) },
    };
  }
  const unknown = wanted.find((name) => !(name in STEPS));
  if (unknown)
    refuse(`There is no step "${unknown}".`, `Choose from: ${Object.keys(STEPS).join(', ')}, changed, nightly`);
  return wanted.length ? Object.fromEntries(wanted.map((name) => [name, STEPS[name]])) : STEPS;
}

await main(async () => {
  const steps = chosen(process.argv.slice(2));
  try {
    const began = Date.now();
    await ensurePackages({ forWork: true });
    const lanes = LANES.map((lane) => lane.filter((name) => name in steps)).filter((lane) => lane.length);
    const last = Object.keys(steps).filter((name) => !LANES.flat().includes(name));
    const results = [...(await runSteps(steps, lanes)), ...(await runSteps(steps, [last]))];
    say(tableOf(results, (Date.now() - began) / 1000));
    const failed = results.filter(({ code }) => code !== 0).map(({ name }) => name);
    say(`\n${results.length - failed.length} passed, ${failed.length} failed`);
    if (failed.length) refuse(`Failed: ${failed.join(', ')}.`, 'Their words are above.');
  } finally {
    await clean();
  }
});
