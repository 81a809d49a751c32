/**
 * Makes and migrates the database that DATABASE_URL names, fills the demo workshop once unless
 * MOCHILA_DEMO=0, and brings the takes up to the judging of this version.
 */
import pg from 'pg';
import { fillDemo } from '../src/server/demo/fill';
import { ensureDatabase, migrate } from '../src/server/migrate';
import { rejudgeTakes } from '../src/server/takes';

const { DATABASE_URL: url, WEB_PASSWORD: web, DOOR_PASSWORD: door, MOCHILA_DEMO: demo } = process.env;
if (!url || !web || !door) throw new Error('scripts/start.mjs and scripts/test.mjs call this with their environment');

try {
  await ensureDatabase(url);
  await migrate(url, { web, door });
  if (demo !== '0') await fillDemo(url, new Date());
  const owner = new pg.Client({ connectionString: url });
  await owner.connect();
  await rejudgeTakes(owner);
  await owner.end();
} catch (error) {
  // One line for the supervisor to pass on.
  console.error((error as Error).message || String((error as { code?: string }).code ?? error));
  process.exitCode = 1;
}
