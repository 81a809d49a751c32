/**
 * `npm test`: types, lint, the dependency rule, unused code, unit, database, served and browser tests, on a throw-away
 * cluster and free ports, so that it runs beside `npm start`. With DATABASE_URL set it uses throw-away
 * databases on that server and starts none. Arguments choose steps: `npm test -- unit browser`.
 */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort, startCluster } from './lib/cluster.mjs';
import { prepareDatabase } from './lib/database.mjs';
import { ensureChromium, ensurePostgres, offerDebianPackage } from './lib/debian.mjs';
import { ensureBuild, ensurePackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';
import { main, refuse, say } from './lib/say.mjs';
import { startWeb } from './lib/web.mjs';

process.chdir(path.join(import.meta.dirname, '..'));
const DIST = '.next-test';
const bin = (name) => path.join('node_modules/.bin', name);

const undo = [];
async function clean() {
  for (const one of undo.reverse()) await one();
  undo.length = 0;
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => void clean().finally(() => process.exit(1)));

/** Where throw-away databases are made: the given server, or a cluster of our own, started when first wanted. */
let server;
async function databaseServer() {
  if (server) return server;
  if (process.env.DATABASE_URL) return (server = process.env.DATABASE_URL);
  await ensurePostgres();
  // Not under the system's own temporary folder when that is private: the cluster's user must get there.
  const data = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-test-'));
  fs.chmodSync(data, 0o755);
  undo.push(() => fs.rmSync(data, { recursive: true, force: true }));
  const cluster = await startCluster(data);
  undo.push(cluster.stop);
  return (server = cluster.url('postgres'));
}

async function dropDatabase(url) {
  await run(process.execPath, [
    '--import',
    'tsx',
    '-e',
    `import('./src/server/migrate.ts').then((m) => m.dropDatabase(${JSON.stringify(url)}))`,
  ]);
}

/** A web server of the tests' build on a database. */
async function serveOn(env) {
  const web = await startWeb({ mode: 'start', port: await freePort(), host: '127.0.0.1', dist: DIST, env, show: true });
  undo.push(web.stop);
  return web.address;
}

/** A served workshop of its own for the browser tests. */
async function serve(name, demo) {
  const url = new URL(await databaseServer());
  url.pathname = `/mochila_e2e_${name}_${process.pid}`;
  undo.push(() => dropDatabase(url.href));
  const env = await prepareDatabase({ url: url.href, demo });
  return { address: await serveOn(env), url: url.href, env };
}

const STEPS = {
  types: () => run(bin('tsc'), ['--noEmit'], { show: true }),
  lint: () => run(bin('eslint'), ['--max-warnings', '0', '.'], { show: true }),
  arrows: () =>
    run(bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'err'], { show: true }),
  unused: () => run(bin('knip'), [], { show: true }),
  unit: () => run(bin('vitest'), ['run', '--project', 'unit'], { show: true }),
  database: async () => {
    // Second readers of calendars, MIDI and MusicXML files and sound: those of another house.
    await offerDebianPackage('lilypond', () => fs.existsSync('/usr/bin/musicxml2ly'));
    await offerDebianPackage('sox', () => fs.existsSync('/usr/bin/sox'));
    await offerDebianPackage(
      'python3-mido',
      async () => (await run('/usr/bin/python3', ['-c', 'import mido'])).code === 0,
    );
    await offerDebianPackage(
      'python3-icalendar',
      async () => (await run('/usr/bin/python3', ['-c', 'import icalendar'])).code === 0,
    );
    return run(bin('vitest'), ['run', '--project', 'database'], {
      show: true,
      env: { TEST_DATABASE_URL: await databaseServer() },
    });
  },
  served: async () => {
    // Handouts are printed by it, and read back by Debian's reader of PDFs.
    await ensureChromium();
    await offerDebianPackage('poppler-utils', () => fs.existsSync('/usr/bin/pdftotext'));
    await ensureBuild(DIST);
    const { address, url, env } = await serve('served', false);
    return run(bin('vitest'), ['run', '--project', 'served'], {
      show: true,
      env: {
        NEXT_DIST_DIR: DIST,
        SERVED_URL: address,
        // Another one beside it, on the same database.
        SERVED_BESIDE_URL: await serveOn(env),
        SERVED_DATABASE_URL: url,
        SERVED_WEB_URL: env.WEB_DATABASE_URL,
        SERVED_DOOR_URL: env.DOOR_DATABASE_URL,
      },
    });
  },
  browser: async () => {
    await ensureChromium();
    await ensureBuild(DIST);
    const [demo, own] = [await serve('demo', true), await serve('own', false)];
    const [week, weeks] = [await serve('week', false), await serve('weeks', false)];
    const env = {
      DEMO_URL: demo.address,
      OWN_URL: own.address,
      // Where days go by: their databases are put back by as many.
      WEEK_URL: week.address,
      WEEK_DATABASE_URL: week.url,
      WEEKS_URL: weeks.address,
      WEEKS_DATABASE_URL: weeks.url,
    };
    return run(bin('playwright'), ['test', ...(process.env.GREP ? ['-g', process.env.GREP] : [])], { show: true, env });
  },
};

await main(async () => {
  const wanted = process.argv.slice(2);
  const unknown = wanted.find((name) => !(name in STEPS));
  if (unknown) refuse(`There is no step "${unknown}".`, `Choose from: ${Object.keys(STEPS).join(', ')}`);
  try {
    await ensurePackages();
    const failed = [];
    for (const name of wanted.length ? wanted : Object.keys(STEPS)) {
      const started = Date.now();
      say(`\n== ${name}`);
      const { code, output } = await STEPS[name]();
      if (code !== 0) {
        if (output) console.error(output);
        failed.push(name);
      }
      say(`== ${name}: ${code === 0 ? 'passed' : 'FAILED'} in ${Math.round((Date.now() - started) / 1000)} s`);
    }
    say(`\n${(wanted.length || Object.keys(STEPS).length) - failed.length} passed, ${failed.length} failed`);
    if (failed.length) refuse(`Failed: ${failed.join(', ')}.`, 'Their words are above.');
  } finally {
    await clean();
  }
});
