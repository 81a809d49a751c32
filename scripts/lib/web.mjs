import { fork } from 'node:child_process';
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
 * Serves the application and waits until it answers and reaches its database.
 * @param {{ mode: 'start' | 'dev', port: number, host: string, dist: string, env: Record<string, string>, show?: boolean }} options
 */
export async function startWeb({ mode, port, host, dist, env, show = true }) {
  const server = fork('node_modules/next/dist/bin/next', [mode, '-H', host, '-p', String(port)], {
    execArgv: ['--import', './scripts/lib/leave-with-parent.mjs'],
    env: {
      ...process.env,
      ...env,
      MOCHILA_SUPERVISOR: String(process.pid),
      DATABASE_URL: '',
      NEXT_DIST_DIR: dist,
      NEXT_TELEMETRY_DISABLED: '1',
      NODE_ENV: mode === 'dev' ? 'development' : 'production',
    },
    stdio: ['ignore', show && mode === 'dev' ? 'inherit' : 'ignore', show ? 'inherit' : 'ignore', 'ipc'],
    // Ctrl-C reaches the supervisor alone, which stops things in order.
    detached: true,
  });
  let ended = false;
  server.on('exit', () => (ended = true));
  const reached = host === '0.0.0.0' ? '127.0.0.1' : host;
  const address = `http://${reached.includes(':') ? `[${reached}]` : reached}:${port}`;
  for (let waited = 0; ; waited += 200) {
    const answer = await fetch(`${address}/health`).catch(() => undefined);
    if (answer?.ok) break;
    if (ended || waited > 120_000)
      refuse('The web server did not come up.', answer ? 'Its database does not answer.' : 'Its words are above.');
    await pause(200);
  }
  return {
    address,
    onExit: (listener) => server.on('exit', listener),
    stop: () => (ended ? Promise.resolve() : end(server.pid, 'SIGTERM', 5000)),
  };
}
