import { randomUUID } from 'node:crypto';
import fs from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { restore, type RestoreAnswer } from '@/server/backup/restore';
import { backupOf } from '@/server/backup/write';
import { readSentBackup } from '@/server/sent';
import { asSession, type InSession } from '@/server/database';
import { person, sessionToken } from '@/server/session';

const refused = (status: number, say: string) => Response.json({ say }, { status });

async function signedInOwner() {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return refused(401, 'You are signed out. Sign in again.');
  if (!who.is_owner) return refused(403, 'The workshop as one file is its owner’s.');
  const inSession: InSession = (work, way) => asSession(token, work, way);
  return { who, inSession };
}

/** The whole workshop as one file, for its owner. */
export async function GET() {
  const asked = await signedInOwner();
  if (asked instanceof Response) return asked;
  const now = new Date();
  const file = backupOf(asked.inSession, asked.who.workshop, now);
  return new Response(Readable.toWeb(file) as ReadableStream, {
    headers: {
      'content-type': 'application/gzip',
      'content-disposition': `attachment; filename="workshop-${now.toISOString().slice(0, 10)}.mochila.gz"`,
      'cache-control': 'no-store',
    },
  });
}

/** What is told while a backup is brought in: a line of JSON each; `sendBackup` reads it. */
type RestoreNews = { rows: number } | { answer: RestoreAnswer };

/**
 * Brings a backup into the owner's workshop; with `?try` all is done and nothing kept. It answers with news, the last
 * of them the answer.
 */
export async function POST(request: Request) {
  const asked = await signedInOwner();
  if (asked instanceof Response) return asked;
  const file = path.join(os.tmpdir(), `mochila-${randomUUID()}.backup`);
  const drop = () => fs.rm(file, { force: true });
  const sent = await readSentBackup(request, file).catch(async (error: unknown) => {
    await drop();
    throw error;
  });
  if (!sent.ok) {
    await drop();
    return refused(sent.status, sent.say);
  }
  const isTry = new URL(request.url).searchParams.has('try');
  const me = { id: asked.who.id, signInName: asked.who.sign_in_name.replace(/@.*/, '') };
  const news = new TransformStream<RestoreNews, Uint8Array>({
    transform: (one, to) => to.enqueue(new TextEncoder().encode(`${JSON.stringify(one)}\n`)),
  });
  const writer = news.writable.getWriter();
  // Whoever asked may have gone: then it is not brought in.
  const gone = new AbortController();
  void writer.closed.catch(() => gone.abort());
  request.signal.addEventListener('abort', () => gone.abort());
  void restore(asked.inSession, me, file, {
    isTry,
    onRows: (rows) => void writer.write({ rows }).catch(() => gone.abort()),
    signal: gone.signal,
  })
    .then((answer) => writer.write({ answer }))
    .then(() => writer.close())
    .catch((error: unknown) => writer.abort(error).catch(() => {}))
    .finally(() => void drop());
  return new Response(news.readable, {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
  });
}
