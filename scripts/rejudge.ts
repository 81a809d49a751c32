/**
 * Brings the takes up to the judging of this version, in batches, beside the web server: until a take's turn comes the
 * lists say that it is being judged anew. Says how far it is.
 */
import pg from 'pg';
import { rejudgeTakes } from '../src/server/judging/rejudgeTakes';

const { DATABASE_URL: url } = process.env;
if (!url) throw new Error('scripts/start.mjs calls this with its environment');

const SAY_EVERY = 500;
const owner = new pg.Client({ connectionString: url });
await owner.connect();
let said = 0;
try {
  const done = await rejudgeTakes(owner, (now, of) => {
    if (now - said < SAY_EVERY) return;
    said = now;
    console.log(`Mochila judges older takes anew: ${now} of ${of}.`);
  });
  if (done) console.log(`Mochila has judged ${done} older ${done === 1 ? 'take' : 'takes'} anew.`);
} finally {
  await owner.end();
}
