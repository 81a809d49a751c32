/**
 * `npm run password -- sign-in-name`: a new password for whoever has lost theirs and has nobody to ask, the owner above
 * all. It is made here and said once; every session of that person ends. The settings are those of `npm start`.
 */
import { randomInt } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import pg from 'pg';
import { reachDatabase } from './lib/reach.mjs';
import { main, refuse, say } from './lib/say.mjs';

/** Letters and digits that are not taken for one another. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
/** Four groups of four: 79 bits. */
const made = () =>
  Array.from({ length: 4 }, () => Array.from({ length: 4 }, () => LETTERS[randomInt(LETTERS.length)]).join('')).join(
    '-',
  );

await main(async () => {
  const name = process.argv[2]?.trim().normalize('NFKC').toLowerCase();
  if (!name) refuse('Nobody was named.', 'Give the sign-in name: npm run password -- tova');
  const { url, stop } = await reachDatabase();
  const client = new pg.Client({ connectionString: url });
  try {
    await client.connect();
    const { rows } = await client.query(
      `select p.id, p.name, p.archived_at from person p join workshop w on w.id = p.workshop_id
       where $1 in (p.sign_in_name, p.sign_in_name || '@' || w.handle)`,
      [name],
    );
    if (rows.length > 1)
      refuse(`Several people sign in as "${name}".`, `Name the workshop too: npm run password -- ${name}@workshop`);
    if (!rows[0]) {
      const teachers = await client.query(`select sign_in_name from person where role = 'teacher' order by 1 limit 5`);
      refuse(
        `Nobody signs in as "${name}".`,
        `Teachers here: ${teachers.rows.map(({ sign_in_name }) => sign_in_name).join(', ') || 'none'}.`,
      );
    }
    const password = made();
    await client.query('begin');
    await client.query(
      `insert into credential (person_id, password_hash) values ($1, $2)
       on conflict (person_id) do update set password_hash = excluded.password_hash, changed_at = now()`,
      [rows[0].id, await hash(password)],
    );
    await client.query('delete from session where person_id = $1', [rows[0].id]);
    await client.query('commit');
    say(`${rows[0].name} signs in as ${name} with: ${password}`);
    if (rows[0].archived_at) say('They are archived: a teacher must bring them back before they can sign in.');
  } catch (error) {
    if (error.code === '42P01' || error.code === '3D000')
      refuse('There is no workshop in this database yet.', 'Give the settings that npm start is run with.');
    throw error;
  } finally {
    await client.end().catch(() => {});
    await stop();
  }
});
