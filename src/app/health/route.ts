import { databaseAnswers } from '@/server/database';

export const dynamic = 'force-dynamic';

/** For whoever watches the server: 200 when the database answers, 503 when it does not. */
export async function GET() {
  const answers = await databaseAnswers();
  return Response.json(
    { ok: answers, database: answers ? 'answers' : 'does not answer' },
    { status: answers ? 200 : 503, headers: { 'cache-control': 'no-store' } },
  );
}
