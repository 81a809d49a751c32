/**
 * `npm run workshop -- "Lake house" "Tova Lind"`: one workshop more in this installation, with its owner, who comes
 * in by the link that is said once. The settings are those of `npm start`.
 */
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import pg from 'pg';
import { reachDatabase } from './lib/reach.mjs';
import { main, refuse, say } from './lib/say.mjs';

/** How the owner counts at first: the first of the schools. */
const SCHOOL = 'e-and-a / trip-let';
const MOST = 120;

await main(async () => {
  const [workshop, owner] = process.argv.slice(2).map((word) => word.trim().normalize('NFC'));
  if (!workshop || !owner || workshop.length > MOST || owner.length > MOST)
    refuse('A workshop and its owner are to be named.', 'As: npm run workshop -- "Lake house" "Tova Lind"');
  const { url, stop } = await reachDatabase();
  const client = new pg.Client({ connectionString: url });
  try {
    await client.connect();
    if ((await client.query('select from workshop where is_demo')).rowCount)
      refuse('This is the demo.', 'Start a workshop of your own first: MOCHILA_DEMO=0 npm start');
    const token = randomBytes(32).toString('base64url');
    const id = randomUUID();
    await client.query('begin');
    const { rows } = await client.query('insert into workshop (name) values ($1) returning id, handle', [workshop]);
    await client.query(
      `insert into person (id, workshop_id, role, is_owner, name, sign_in_name, level, school)
       values ($1, $2, 'teacher', true, $3, $4, 'concert', $5)`,
      [id, rows[0].id, owner, `invited-${id.slice(0, 8)}`, SCHOOL],
    );
    await client.query('insert into invitation (person_id, workshop_id, token_hash) values ($1, $2, $3)', [
      id,
      rows[0].id,
      createHash('sha256').update(token).digest(),
    ]);
    await client.query('commit');
    say(
      `${workshop} is there. ${owner} comes in once, within seven days, by: http://localhost:${process.env.PORT ?? 3000}/join/${token}`,
    );
    say('From elsewhere, by the address Mochila has there in place of the first part.');
    say(`Where another workshop has the same sign-in name and password, those of this one end in @${rows[0].handle}.`);
  } catch (error) {
    if (error.code === '42P01' || error.code === '3D000')
      refuse('There is no Mochila in this database yet.', 'Give the settings that npm start is run with.');
    throw error;
  } finally {
    await client.end().catch(() => {});
    await stop();
  }
});
