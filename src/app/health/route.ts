import { databaseAnswers, databaseKeeps } from '@/server/database';

export const dynamic = 'force-dynamic';

/** Asked more often than this, the answer before is given again: the question writes a row. */
const FRESH_MS = 1000;
let last: { at: number; answer: Promise<{ answers: boolean; keeps: boolean }> } | undefined;

async function ask() {
  const answers = await databaseAnswers();
  return { answers, keeps: answers && (await databaseKeeps()) };
}

/** For whoever watches the server: 200 when the database answers and keeps what is written, 503 when it does not. */
export async function GET() {
  if (!last || Date.now() - last.at > FRESH_MS) last = { at: Date.now(), answer: ask() };
  const { answers, keeps } = await last.answer;
  return Response.json(
    { ok: answers && keeps, database: answers ? 'answers' : 'does not answer', writing: keeps ? 'works' : 'fails' },
    { status: answers && keeps ? 200 : 503, headers: { 'cache-control': 'no-store' } },
  );
}
