/**
 * `npm run restore -- file`: a backup into an empty place: same people, same takes, same sign-ins. A database that
 * holds a workshop is left alone. The settings are those of `npm start`.
 */
import fs from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import { prepareDatabase } from './lib/database.mjs';
import { reachDatabase, runPostgres } from './lib/reach.mjs';
import { main, refuse, say } from './lib/say.mjs';

/** Runs `work` with a connection to a database of the server. */
async function connected(url, work) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

const nameOf = (url) => decodeURIComponent(new URL(url).pathname.slice(1)) || 'postgres';

/** How many workshops a database holds: 0 also where it holds no tables. */
async function workshopsIn(url) {
  return connected(url, async (client) => {
    const { rows } = await client.query(`select to_regclass('public.workshop') as found`);
    return rows[0].found ? (await client.query('select count(*)::int as count from workshop')).rows[0].count : 0;
  });
}

/** Makes the database anew, empty, with the roles that a backup's grants name. */
async function makeEmpty(url) {
  const server = new URL(url);
  server.pathname = '/postgres';
  const name = nameOf(url);
  await connected(server.href, async (client) => {
    const { rowCount } = await client.query('select from pg_database where datname = $1', [name]);
    if (rowCount && (await workshopsIn(url)))
      refuse(
        `The database "${name}" holds a workshop already, which is left as it is.`,
        'Restore into an empty place: MOCHILA_DATA=.data2, or another DATABASE_URL.',
      );
    for (const role of ['mochila_web', 'mochila_door'])
      await client.query(
        `do $$ begin create role ${role} nologin; exception when duplicate_object or unique_violation then null; end $$`,
      );
    try {
      if (rowCount) await client.query(`drop database ${pg.escapeIdentifier(name)}`);
    } catch (error) {
      if (error.code !== '55006') throw error;
      refuse(`Somebody is connected to the database "${name}".`, 'Stop Mochila, then restore.');
    }
    await client.query(`create database ${pg.escapeIdentifier(name)} encoding 'UTF8' template template0`);
  });
}

await main(async () => {
  const [given] = process.argv.slice(2);
  if (!given) refuse('No backup was named.', 'Name the file: npm run restore -- mochila.backup');
  const file = path.resolve(given);
  if (!fs.existsSync(file)) refuse(`There is no ${file}.`, 'Name a file that npm run backup made.');
  const remedy = 'Take another backup: this file is none, or is not whole.';
  await runPostgres('pg_restore', ['--list', file], remedy);
  const { url, stop } = await reachDatabase();
  try {
    await makeEmpty(url);
    await runPostgres(
      'pg_restore',
      ['--no-owner', '--exit-on-error', '--single-transaction', `--dbname=${url}`, file],
      remedy,
    );
    await prepareDatabase({ url, demo: false });
    const { people, takes } = await connected(
      url,
      async (client) =>
        (
          await client.query(
            'select (select count(*) from person)::int as people, (select count(*) from take)::int as takes',
          )
        ).rows[0],
    );
    say(`Restored: ${people} people, ${takes} takes. Everybody signs in as before.`);
  } finally {
    await stop();
  }
});
