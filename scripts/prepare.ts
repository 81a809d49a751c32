/**
 * Makes and migrates the database that DATABASE_URL names, and fills the demo workshop once unless MOCHILA_DEMO=0; with
 * MOCHILA_VOLUME=students,takes it brings the demo up to so many.
 */
import { fillDemo } from '../src/server/demo/fill';
import { fillVolume, volumeFrom } from '../src/server/demo/volume';
import { ensureDatabase, migrate } from '../src/server/migrate';

const {
  DATABASE_URL: url,
  WEB_PASSWORD: web,
  DOOR_PASSWORD: door,
  MOCHILA_DEMO: demo,
  MOCHILA_VOLUME: volume,
} = process.env;
if (!url || !web || !door) throw new Error('scripts/start.mjs and scripts/test.mjs call this with their environment');

try {
  await ensureDatabase(url);
  await migrate(url, { web, door });
  if (demo !== '0') await fillDemo(url, new Date());
  if (volume) await fillVolume(url, volumeFrom(volume), new Date());
} catch (error) {
  // One line for the supervisor to pass on.
  console.error((error as Error).message || String((error as { code?: string }).code ?? error));
  process.exitCode = 1;
}
