import { refuse, say } from './say.mjs';
import { lastLines, run } from './run.mjs';

/**
 * Migrates a database and fills the demo when wished; resolves to the environment the web server needs,
 * which does not name the owner. A database that is a workshop of somebody's own stays that.
 * @param {{ url: string, demo: boolean }} options
 * @returns {Promise<{ WEB_DATABASE_URL: string, DOOR_DATABASE_URL: string, MOCHILA_DEMO: '0' | '1' }>}
 */
export async function prepareDatabase({ url, demo }) {
  const { code, output } = await run(process.execPath, ['--import', 'tsx', 'scripts/prepare.ts'], {
    env: { DATABASE_URL: url, MOCHILA_DEMO: demo ? '1' : '0' },
  });
  if (code !== 0) {
    refuse(
      `The database could not be made ready (${lastLines(output)}).`,
      'See that DATABASE_URL names a server that answers and a user who may make databases and roles.',
    );
  }
  const { kind, web, door } = JSON.parse(output.trim().split('\n').at(-1));
  if (demo && kind === 'own')
    say('This database is a workshop of its own, so no demo is put into it (MOCHILA_DEMO=0 was left out).');
  return { WEB_DATABASE_URL: web, DOOR_DATABASE_URL: door, MOCHILA_DEMO: demo && kind === 'demo' ? '1' : '0' };
}
