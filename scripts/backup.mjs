/**
 * `npm run backup`: the whole workshop into one file, as it stands at one moment, also while takes arrive. A name may
 * be given: `npm run backup -- /safe/place/mochila.backup`. The settings are those of `npm start`.
 */
import fs from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import { reachDatabase, runPostgres } from './lib/reach.mjs';
import { main, refuse, say } from './lib/say.mjs';

await main(async () => {
  const stamp = new Date().toISOString().slice(0, 16).replace(/[T:]/g, '-');
  const file = path.resolve(process.argv[2] ?? `mochila-${stamp}.backup`);
  if (fs.existsSync(file)) refuse(`${file} is there already.`, 'Give another name, so that no backup is overwritten.');
  const { url, stop } = await reachDatabase();
  const client = new pg.Client({ connectionString: url });
  const unfinished = `${file}.unfinished`;
  try {
    await client.connect();
    // Passwords are in it, as hashes: for its owner alone.
    fs.writeFileSync(unfinished, '', { mode: 0o600 });
    await runPostgres(
      'pg_dump',
      ['--format=custom', '--no-owner', `--file=${unfinished}`, `--dbname=${url}`],
      'See that there is room on the disk, and that PostgreSQL here is no older than the server.',
    );
    // Whole only if its own table of contents can be read.
    await runPostgres('pg_restore', ['--list', unfinished], 'Run the backup again.');
    fs.renameSync(unfinished, file);
    await client.query('update installation set backed_up_at = now()');
    const { rows } = await client.query(
      'select (select count(*) from person)::int as people, (select count(*) from take)::int as takes',
    );
    const megabytes = (fs.statSync(file).size / 1e6).toFixed(1);
    say(`${file}: ${rows[0].people} people, ${rows[0].takes} takes, ${megabytes} MB. Keep it on another machine.`);
  } catch (error) {
    if (error.code === 'ENOSPC')
      refuse(`The disk is full at ${path.dirname(file)}.`, 'Free some room, or give another place.');
    if (error.code === 'EACCES' || error.code === 'ENOENT')
      refuse(
        `${file} cannot be written (${error.code}).`,
        'Give another place: npm run backup -- /some/folder/mochila.backup',
      );
    if (error.code === '42P01' || error.code === '3D000')
      refuse('There is no workshop in this database yet.', 'Give the settings that npm start is run with.');
    throw error;
  } finally {
    fs.rmSync(unfinished, { force: true });
    await client.end().catch(() => {});
    await stop();
  }
});
