import { runningLesson } from '@/server/lessons';
import { asPerson, person } from '@/server/session';

/** Which lesson one is in that runs now, if any. */
export async function GET() {
  const who = await person();
  if (!who) return Response.json({ say: 'You are signed out. Sign in again.' }, { status: 401 });
  const running = await asPerson((db) => runningLesson(db, who));
  return Response.json({ lesson: running?.id ?? null }, { headers: { 'cache-control': 'no-store' } });
}
