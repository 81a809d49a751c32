import { sentence } from '@/core/result';
import { asSession } from '@/server/database';
import { person, sessionToken } from '@/server/session';
import { readJsonBody } from '@/server/sent';
import { Busy } from '@/server/busy';
import { judgeInWorker } from '@/server/judging/apart';
import { keepTake, type Keeping } from '@/server/keepTake';

/**
 * Keeps a take. 200 with its id, also when it was kept before; otherwise `say` and, where there are several,
 * `problems`.
 */
export async function POST(request: Request) {
  const [player, token] = await Promise.all([person(), sessionToken()]);
  if (!player || !token)
    return Response.json({ say: 'You are signed out. Sign in again; the take is still here.' }, { status: 401 });
  const sent = await readJsonBody(request);
  if (!sent.ok) return Response.json({ say: sent.say }, { status: sent.status });
  const inSession: Keeping['inSession'] = (work) => asSession(token, work);
  const keeping: Keeping = { player, inSession, now: new Date(), judging: judgeInWorker };
  const kept = await keepTake(sent.json, keeping).catch((error: unknown) => {
    if (error instanceof Busy) return error;
    throw error;
  });
  if (kept instanceof Busy)
    return Response.json({ say: kept.message }, { status: 503, headers: { 'retry-after': String(kept.retryAfter) } });
  if (kept.ok) return Response.json(kept.value);
  // What is too much for today waits in the browser; anything else would be refused tomorrow too.
  const status = kept.problems[0]!.code === 'too-many-today' ? 429 : 422;
  return Response.json({ say: sentence(kept.problems[0]!), problems: kept.problems }, { status });
}
