/**
 * Makes and migrates the database that DATABASE_URL names, and fills the demo workshop once unless it is a workshop
 * of one's own (MOCHILA_DEMO=0 at the first start); with MOCHILA_VOLUME=students,takes,lines it brings the demo up to
 * so many. Writes what the web server needs to reach it as one line of JSON.
 */
import { fillDemo } from '../src/server/demo/fill';
import { fillVolume, volumeFrom } from '../src/server/demo/volume';
import { kindOf } from '../src/server/installation';
import { ensureDatabase, loginUrl, migrate } from '../src/server/migrate';

const { DATABASE_URL: url, MOCHILA_DEMO: demo, MOCHILA_VOLUME: volume } = process.env;
if (!url) throw new Error('scripts/start.mjs and scripts/test.mjs call this with their environment');

try {
  await ensureDatabase(url);
  const passwords = await migrate(url);
  const kind = await kindOf(url, demo === '0' ? 'own' : 'demo');
  if (kind === 'demo' && demo !== '0') await fillDemo(url, new Date());
  if (kind === 'demo' && volume) await fillVolume(url, volumeFrom(volume), new Date());
  console.log(JSON.stringify({ kind, web: loginUrl(url, 'web', passwords), door: loginUrl(url, 'door', passwords) }));
} catch (error) {
  // One line for the supervisor to pass on.
  console.error((error as Error).message || String((error as { code?: string }).code ?? error));
  process.exitCode = 1;
}
