import { reachCluster } from './cluster.mjs';
import { ensurePostgres, findPostgres } from './debian.mjs';
import { refuse } from './say.mjs';
import { lastLines, run } from './run.mjs';

/**
 * The database that `npm start` with the same settings would serve, for a command that is run by hand, also beside it.
 * @returns {Promise<{ url: string, stop: () => Promise<void> }>}
 */
export async function reachDatabase() {
  const { DATABASE_URL: url, MOCHILA_DATA: data = '.data', MOCHILA_DEMO: demo } = process.env;
  if (url) return { url, stop: () => Promise.resolve() };
  await ensurePostgres();
  const cluster = await reachCluster(data);
  return { url: cluster.url(demo === '0' ? 'mochila' : 'mochila_demo'), stop: cluster.stop };
}

/** Runs one of PostgreSQL's own programs; what it says when it fails is said with the remedy. */
export async function runPostgres(program, args, remedy) {
  await ensurePostgres();
  const { code, output } = await run(`${findPostgres()}/${program}`, args);
  if (code !== 0) refuse(`${program} failed (${lastLines(output)}).`, remedy);
  return output;
}
