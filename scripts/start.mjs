/**
 * `npm start`: from a clone to a served workshop, with Node alone. Everything else is installed, made,
 * migrated, filled and built here, each only when it is missing or out of date.
 */
import fs from 'node:fs';
import path from 'node:path';
import { commandOf, startCluster } from './lib/cluster.mjs';
import { prepareDatabase } from './lib/database.mjs';
import { ensurePostgres } from './lib/debian.mjs';
import { ensureBuild, ensurePackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';
import { main, refuse, say } from './lib/say.mjs';
import { requirePort, startWeb } from './lib/web.mjs';

process.chdir(path.join(import.meta.dirname, '..'));
const dev = process.argv.includes('--dev');
const {
  HOST: host = '127.0.0.1',
  DATABASE_URL: givenUrl,
  MOCHILA_DATA: data = '.data',
  MOCHILA_DIST: dist = '.next',
} = process.env;
const demo = process.env.MOCHILA_DEMO !== '0';

/** One supervisor a data folder: a second would stop the first one's database. */
function claim() {
  fs.mkdirSync(data, { recursive: true });
  const file = path.join(data, 'supervisor.pid');
  const other = fs.existsSync(file) ? Number(fs.readFileSync(file, 'utf8')) : undefined;
  if (other && other !== process.pid && commandOf(other)?.includes('start.mjs')) {
    refuse(
      `Mochila already runs from this folder (process ${other}).`,
      'Stop it first, or give this one its own: MOCHILA_DATA=.data2 PORT=3001 npm start',
    );
  }
  fs.writeFileSync(file, String(process.pid));
  return () => fs.rmSync(file, { force: true });
}

const started = [];
let stopping;
/** Stops what was started, the last one first. */
function stop() {
  stopping ??= (async () => {
    for (const one of started.reverse()) await one();
  })();
  return stopping;
}

/** npm does not pass SIGTERM on and leaves this process behind: notice that the parent changed. */
function leaveWithNpm() {
  if (!process.env.npm_lifecycle_event) return;
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && leave(0), 1000).unref();
}

async function leave(code) {
  await stop();
  process.exit(code);
}

await main(async () => {
  if (Number.parseInt(process.versions.node, 10) < 20)
    refuse(`Node ${process.versions.node} is too old.`, 'Install Node 20.');
  const port = Number(process.env.PORT ?? 3000);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    refuse(`PORT=${process.env.PORT} is not a port.`, 'Use a number from 1 to 65535.');
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void leave(0));
  leaveWithNpm();

  try {
    started.push(claim());
    await requirePort(port, host);
    await ensurePackages();
    let url = givenUrl;
    if (!url) {
      await ensurePostgres();
      const cluster = await startCluster(data);
      started.push(cluster.stop);
      cluster.onExit(
        () =>
          !stopping &&
          (console.error('Mochila: PostgreSQL stopped by itself. See postgres.log in the data folder.'), void leave(1)),
      );
      // The demo and a workshop of one's own live side by side.
      url = cluster.url(demo ? 'mochila_demo' : 'mochila');
    }
    const env = await prepareDatabase({ url, data, demo });
    if (dev) {
      const { buildThreads } = await import('./lib/built.mjs');
      await buildThreads();
    } else await ensureBuild(dist);
    const web = await startWeb({ mode: dev ? 'dev' : 'start', port, host, dist, env });
    started.push(web.stop);
    web.onExit(() => !stopping && void leave(1));
    // Older takes are judged anew beside the server, which serves meanwhile.
    void run(process.execPath, ['--import', 'tsx', 'scripts/rejudge.ts'], {
      env: { DATABASE_URL: url },
      show: true,
    });
    say(`Mochila is at ${web.address}${demo ? ' (demo workshop; MOCHILA_DEMO=0 for your own)' : ''}. Ctrl-C stops it.`);
    if (demo && !['127.0.0.1', 'localhost', '::1'].includes(host))
      say('Anybody who reaches this address can come into the demo workshop without a password.');
  } catch (error) {
    await stop();
    throw error;
  }
});
