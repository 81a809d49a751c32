import { sentence } from '@/core/result';
import { asSession } from '@/server/database';
import { person, sessionToken } from '@/server/session';
import { readSent } from '@/server/sent';
import { keepTake } from '@/server/takes';

/** Keeps a take. 200 with its id, also when it was kept before; otherwise `say` and, where there are several, `problems`. */
export async function POST(request: Request) {
  const [player, token] = await Promise.all([person(), sessionToken()]);
  if (!player || !token)
    return Response.json({ say: 'You are signed out. Sign in again; the take is still here.' }, { status: 401 });
  const sent = await readSent(request);
  if (!sent.ok) return Response.json({ say: sent.say }, { status: sent.status });
  const kept = await asSession(token, (db) => keepTake(db, player, sent.json, new Date()));
  if (kept.ok) return Response.json(kept.value);
  return Response.json({ say: sentence(kept.problems[0]!), problems: kept.problems }, { status: 422 });
}
