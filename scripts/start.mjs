/**
 * `npm start`: from a clone to a served workshop, with Node alone. Everything else is installed, made,
 * migrated, filled and built here, each only when it is missing or out of date.
 */
import fs from 'node:fs';
import path from 'node:path';
import { beganAt, clusterUser, makeFolder, parentOf, reachable, startCluster } from './lib/cluster.mjs';
import { prepareDatabase } from './lib/database.mjs';
import { ensurePostgres } from './lib/debian.mjs';
import { addressesHere, ensureCertificate } from './lib/certificate.mjs';
import { ensureBuild, ensurePackages } from './lib/packages.mjs';
import { run } from './lib/run.mjs';
import { main, refuse, say } from './lib/say.mjs';
import { requirePort, startWeb } from './lib/web.mjs';

process.chdir(path.join(import.meta.dirname, '..'));
const dev = process.argv.includes('--dev');
const secure = process.argv.includes('--https');
const {
  HOST: host = '127.0.0.1',
  DATABASE_URL: givenUrl,
  MOCHILA_DATA: data = '.data',
  MOCHILA_DIST: dist = '.next',
} = process.env;
const demo = process.env.MOCHILA_DEMO !== '0';

/** One supervisor a data folder: a second would stop the first one's database. */
function claim() {
  makeFolder(data);
  const file = path.join(data, 'supervisor.pid');
  // By the moment it began too: numbers of processes come again, also to a Mochila that runs elsewhere.
  const [other, began] = fs.existsSync(file) ? fs.readFileSync(file, 'utf8').split(' ') : [];
  if (other && Number(other) !== process.pid && began && beganAt(other) === began) {
    refuse(
      `Mochila already runs from this folder (process ${other}).`,
      'Stop it first, or give this one its own: MOCHILA_DATA=.data2 PORT=3001 npm start',
    );
  }
  fs.writeFileSync(file, `${process.pid} ${beganAt(process.pid)}`);
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

/**
 * npm does not pass SIGTERM on, and killed outright it leaves its shell and this process behind: notice that somebody
 * above is gone.
 */
function leaveWithNpm() {
  if (!process.env.npm_lifecycle_event) return;
  const above = () => [process.ppid, parentOf(process.ppid)].join(' ');
  const before = above();
  setInterval(() => void (above() !== before && leave(0)), 1000).unref();
}

async function leave(code) {
  await stop();
  process.exit(code);
}

/** Seconds until a database server that died is started again: longer each time, while a full disk is made free. */
const PAUSES = [1, 2, 5, 10, 30];

/** Starts the cluster, and starts it again whenever it dies, on the port that the web server knows. */
async function keepCluster() {
  let cluster = await startCluster(data);
  started.push(() => cluster.stop());
  const { port } = cluster;
  const watch = () =>
    cluster.onExit(async () => {
      for (let tries = 0; !stopping; tries++) {
        const seconds = PAUSES[Math.min(tries, PAUSES.length - 1)];
        console.error(
          `Mochila: PostgreSQL stopped by itself (postgres.log in the data folder says why); started again in ${seconds} s.`,
        );
        await new Promise((resolve) => setTimeout(resolve, seconds * 1000));
        if (stopping) return;
        try {
          cluster = await startCluster(data, { port });
          return watch();
        } catch (error) {
          console.error(`Mochila: ${error.message}`);
        }
      }
    });
  watch();
  return cluster;
}

/** Started as root, the web server serves as another user, where that one can read it. */
async function webUser() {
  const user = await clusterUser();
  if (!user || dev) return undefined;
  if (reachable(process.cwd())) return user;
  say('The web server stays root, since no other user may read this folder. Put Mochila where all may read it.');
  return undefined;
}

/** Where others reach it, and what their browsers will ask. */
function secureInWords(port) {
  const trust = 'Its certificate is its own: a browser warns once, and goes on when told to.';
  if (host === '127.0.0.1' || host === 'localhost')
    return `${trust} For phones in the home network start it with HOST=0.0.0.0.`;
  const others = addressesHere().filter((one) => /^[\d.]+$/.test(one) && one !== '127.0.0.1');
  return `${trust} From a phone: ${others.map((one) => `https://${one}:${port}`).join(' or ')}`;
}

await main(async () => {
  if (Number.parseInt(process.versions.node, 10) < 20)
    refuse(`Node ${process.versions.node} is too old.`, 'Install Node 20.');
  if (secure && dev) refuse('--https and --dev do not go together.', 'Leave one of them out.');
  const port = Number(process.env.PORT ?? 3000);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    refuse(`PORT=${process.env.PORT} is not a port.`, 'Use a number from 1 to 65535.');
  if (port < 1024 && process.getuid() === 0)
    refuse(
      `Port ${port} is root’s, and the web server does not serve as root.`,
      'Choose one above 1023, and let a proxy or the system pass it on: PORT=3000 npm start',
    );
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void leave(0));
  leaveWithNpm();

  try {
    started.push(claim());
    await requirePort(port, host);
    await ensurePackages({ forWork: dev });
    let url = givenUrl;
    if (!url) {
      await ensurePostgres();
      const cluster = await keepCluster();
      // The demo and a workshop of one's own live side by side.
      url = cluster.url(demo ? 'mochila_demo' : 'mochila');
    }
    const prepared = prepareDatabase({ url, demo });
    // A server that is not ours may refuse: then nothing is built.
    if (givenUrl) await prepared;
    const built = dev ? import('./lib/built.mjs').then(({ buildThreads }) => buildThreads()) : ensureBuild(dist);
    const [env] = await Promise.all([prepared, built]);
    const user = await webUser();
    const tls = secure ? await ensureCertificate(path.resolve(data), { user }) : undefined;
    const web = await startWeb({ mode: dev ? 'dev' : 'start', port, host, dist, env, tls, user });
    started.push(web.stop);
    // Older takes are judged anew beside the server, which serves meanwhile.
    void run(process.execPath, ['--import', 'tsx', 'scripts/rejudge.ts'], {
      env: { DATABASE_URL: url },
      show: true,
    });
    say(
      `Mochila is at ${web.address}${env.MOCHILA_DEMO === '1' ? ' (demo workshop; MOCHILA_DEMO=0 for your own)' : ''}. Ctrl-C stops it.`,
    );
    if (tls) say(secureInWords(port));
    if (env.MOCHILA_DEMO === '1' && !['127.0.0.1', 'localhost', '::1'].includes(host))
      say('Anybody who reaches this address can come into the demo workshop without a password.');
  } catch (error) {
    await stop();
    throw error;
  }
});
