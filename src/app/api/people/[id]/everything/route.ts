import { Readable } from 'node:stream';
import { z } from 'zod';
import { asSession } from '@/server/database';
import { everythingOf } from '@/server/leaving';
import { person, sessionToken } from '@/server/session';

/** Everything of a person's as one zip file: for themselves, and for their teacher. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return Response.json({ say: 'You are signed out. Sign in again.' }, { status: 401 });
  const id = z.uuid().safeParse((await params).id);
  const isTheirs = id.success && (who.role === 'teacher' || id.data === who.id);
  const zip = isTheirs ? await everythingOf(id.data, (work) => asSession(token, work)) : undefined;
  if (!zip) return Response.json({ say: 'There is no such person here.' }, { status: 404 });
  return new Response(Readable.toWeb(Readable.from(zip)) as ReadableStream, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="everything.zip"',
      'cache-control': 'no-store',
    },
  });
}
