import { fork } from 'node:child_process';
import http from 'node:http';
import https from 'node:https';
import net from 'node:net';
import { end } from './cluster.mjs';
import { refuse } from './say.mjs';

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Refuses when something already listens there. */
export function requirePort(port, host) {
  return new Promise((resolve, reject) => {
    const server = net.createServer();
    server.once('error', reject);
    server.listen(port, host, () => server.close(resolve));
  }).catch((error) => {
    if (error.code === 'EADDRINUSE')
      refuse(`Port ${port} is taken on ${host}.`, `Choose another: PORT=${port + 1} npm start`);
    if (error.code === 'EACCES')
      refuse(`Port ${port} may not be used by this user.`, 'Choose one above 1023: PORT=3000 npm start');
    refuse(`${host}:${port} cannot be listened on (${error.code}).`, 'Set HOST to an address of this machine.');
  });
}

/**
 * What serves: the built application, the one that is rebuilt as one types, or, for tests of what is here, next to
 * nothing.
 */
const PROGRAMS = {
  start: () => ['scripts/serve.mjs', []],
  dev: (host, port) => ['node_modules/next/dist/bin/next', ['dev', '-H', host, '-p', String(port)]],
  stub: () => ['scripts/lib/stub-server.mjs', []],
};

const reachedAt = (host, port, scheme) => {
  const reached = host === '0.0.0.0' ? '127.0.0.1' : host;
  return `${scheme}://${reached.includes(':') ? `[${reached}]` : reached}:${port}`;
};

/** The status of an answer, whoever signed its certificate; undefined where none comes. */
const statusOf = (url) =>
  new Promise((resolve) => {
    const { get } = url.startsWith('https') ? https : http;
    get(url, { rejectUnauthorized: false }, (response) => {
      response.resume();
      resolve(response.statusCode);
    }).on('error', () => resolve(undefined));
  });

/** Seconds until a server that died is started again: longer each time it dies soon. */
const PAUSES = [1, 2, 5, 15, 30, 60];
/** One that lived so long died of something else than the one before. */
const LONG_MS = 5 * 60_000;

/**
 * Serves the application and waits until it answers and reaches its database. From then on it is started again whenever
 * it dies.
 * @param {{ mode: 'start' | 'dev' | 'stub', port: number, host: string, dist: string, env: Record<string, string>,
 * show?: boolean,
 *   tls?: { key: string, cert: string }, user?: { uid: number, gid: number }, pausesMs?: number[] }} options
 */
export async function startWeb({
  mode,
  port,
  host,
  dist,
  env,
  show = true,
  tls,
  user,
  pausesMs = PAUSES.map((seconds) => seconds * 1000),
}) {
  const [program, args] = PROGRAMS[mode](host, port);
  const address = reachedAt(host, port, tls ? 'https' : 'http');
  let server;
  let stopping = false;
  let deaths = 0;

  function serve() {
    const began = Date.now();
    server = fork(program, args, {
      execArgv: ['--import', './scripts/lib/leave-with-parent.mjs'],
      env: {
        ...process.env,
        ...env,
        PORT: String(port),
        HOST: host,
        ...(tls && { MOCHILA_TLS_KEY: tls.key, MOCHILA_TLS_CERTIFICATE: tls.cert }),
        MOCHILA_SUPERVISOR: String(process.pid),
        DATABASE_URL: '',
        NEXT_DIST_DIR: dist,
        NEXT_TELEMETRY_DISABLED: '1',
        NODE_ENV: mode === 'dev' ? 'development' : 'production',
      },
      stdio: ['ignore', show && mode === 'dev' ? 'inherit' : 'ignore', show ? 'inherit' : 'ignore', 'ipc'],
      // Ctrl-C reaches the supervisor alone, which stops things in order.
      detached: true,
      ...user,
    });
    server.once('exit', () => {
      if (stopping || !isUp) return;
      if (Date.now() - began > LONG_MS) deaths = 0;
      const pauseMs = pausesMs[Math.min(deaths++, pausesMs.length - 1)];
      console.error(`Mochila: the web server stopped by itself and is started again in ${pauseMs / 1000} s.`);
      setTimeout(() => !stopping && serve(), pauseMs);
    });
  }

  const isGone = () => server.exitCode !== null || server.signalCode !== null;
  let isUp = false;
  serve();
  for (let waited = 0; ; waited += 200) {
    const answer = await statusOf(`${address}/health`);
    if (answer === 200) break;
    if (isGone() || waited > 120_000)
      refuse('The web server did not come up.', answer ? 'Its database does not answer.' : 'Its words are above.');
    await pause(200);
  }
  isUp = true;
  return {
    address,
    /** The process that serves now. */
    pid: () => server.pid,
    stop: () => {
      stopping = true;
      return isGone() ? Promise.resolve() : end(server.pid, 'SIGTERM', 5000);
    },
  };
}
