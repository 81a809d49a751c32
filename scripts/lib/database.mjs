import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { refuse } from './say.mjs';
import { lastLines, run } from './run.mjs';

/** The passwords of the web server's database roles, made once for a data folder and kept there. */
function rolePasswords(data) {
  const file = path.join(data, 'role-passwords.json');
  if (!fs.existsSync(file)) {
    fs.mkdirSync(data, { recursive: true });
    fs.writeFileSync(
      file,
      JSON.stringify({ web: randomBytes(24).toString('hex'), door: randomBytes(24).toString('hex') }),
      { mode: 0o600 },
    );
  }
  return JSON.parse(fs.readFileSync(file, 'utf8'));
}

/**
 * Migrates a database and fills the demo when wished; resolves to the environment the web server needs,
 * which does not name the owner.
 * @param {{ url: string, data: string, demo: boolean }} options
 */
export async function prepareDatabase({ url, data, demo }) {
  const passwords = rolePasswords(data);
  const { code, output } = await run(process.execPath, ['--import', 'tsx', 'scripts/prepare.ts'], {
    env: {
      DATABASE_URL: url,
      WEB_PASSWORD: passwords.web,
      DOOR_PASSWORD: passwords.door,
      MOCHILA_DEMO: demo ? '1' : '0',
    },
  });
  if (code !== 0) {
    refuse(
      `The database could not be made ready (${lastLines(output)}).`,
      'See that DATABASE_URL names a server that answers and a user who may make databases and roles.',
    );
  }
  const as = (kind) => {
    const role = new URL(url);
    const name = decodeURIComponent(role.pathname.slice(1)) || 'postgres';
    role.username = `${name.slice(0, 50)}_${kind}_login`;
    role.password = passwords[kind];
    return role.href;
  };
  return { WEB_DATABASE_URL: as('web'), DOOR_DATABASE_URL: as('door'), MOCHILA_DEMO: demo ? '1' : '0' };
}
