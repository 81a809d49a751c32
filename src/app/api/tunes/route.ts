import { MOST_TUNES } from '@/core/limits';
import { TUNE_COLUMNS } from '@/features/tunes/csv';
import { asSession } from '@/server/database';
import { person, sessionToken } from '@/server/session';
import { tunes } from '@/server/tunes';
import { csvAnswer } from '@/ui/csv/answer';

/** The workshop's tunes as a file that is read in again as it was. */
export async function GET() {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return Response.json({ say: 'You are signed out. Sign in again.' }, { status: 401 });
  if (who.role !== 'teacher') return Response.json({ say: 'There is no such file here.' }, { status: 404 });
  const all = await asSession(token, (db) => tunes(db, { most: MOST_TUNES }));
  return csvAnswer(
    'tunes.csv',
    TUNE_COLUMNS.map(({ name }) => name),
    all.map(({ title, tempo, meter, feel, grooves, part }) => [
      title,
      tempo,
      meter,
      feel,
      grooves.map((one) => one.title).join('; '),
      part,
    ]),
  );
}
