import { z } from 'zod';
import { LONGEST_KEPT_MS, MOST_SOUNDS_KEPT, SOUND_DAYS } from '@/core/limits';
import { byteRange } from '@/server/byteRange';
import { asSession } from '@/server/database';
import { keepRecording, recordingOf, soundOf } from '@/server/recordings';
import { readSentSound } from '@/server/sent';
import { person, sessionToken } from '@/server/session';

interface Asked {
  params: Promise<{ take: string }>;
}

const idShape = z.uuid();
const aboutShape = z.object({
  player: z.uuid(),
  length: z.coerce.number().min(1).max(LONGEST_KEPT_MS),
  zero: z.coerce
    .number()
    .min(-60_000)
    .max(LONGEST_KEPT_MS + 60_000),
});

const SIGNED_OUT = { status: 401, say: 'You are signed out. Sign in again; the recording is still here.' };
const NONE = { status: 404, say: 'There is no recording here.' };

const refused = ({ status, say }: { status: number; say: string }) => Response.json({ say }, { status });

/** The kept sound of a take, whole or the part that is asked for. */
export async function GET(request: Request, { params }: Asked) {
  const [token, id] = [await sessionToken(), idShape.safeParse((await params).take)];
  if (!token || !(await person())) return refused(SIGNED_OUT);
  if (!id.success) return refused(NONE);
  return asSession(token, async (db) => {
    const recording = await recordingOf(db, id.data);
    if (!recording) return refused(NONE);
    const { bytes, kind } = recording;
    const range = byteRange(request.headers.get('range'), bytes);
    if (range === 'impossible')
      return new Response(null, { status: 416, headers: { 'content-range': `bytes */${bytes}` } });
    const { from, to } = range ?? { from: 0, to: bytes };
    const sound = await soundOf(db, id.data, from, to - from);
    if (!sound) return refused(NONE);
    return new Response(new Uint8Array(sound), {
      status: range ? 206 : 200,
      headers: {
        'content-type': kind,
        'content-length': String(sound.length),
        'accept-ranges': 'bytes',
        // Nobody but this browser keeps it, and it asks whether it still may.
        'cache-control': 'private, no-cache',
        ...(range && { 'content-range': `bytes ${from}-${to - 1}/${bytes}` }),
      },
    });
  });
}

/** Keeps the sound of a take of one's own. 200, also when it was kept before; otherwise `say`. */
export async function PUT(request: Request, { params }: Asked) {
  const [player, token] = await Promise.all([person(), sessionToken()]);
  if (!player || !token) return refused(SIGNED_OUT);
  const id = idShape.safeParse((await params).take);
  const about = aboutShape.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!id.success || !about.success)
    return refused({ status: 422, say: 'It is not said which take this is a recording of, or how long it is.' });
  // Somebody else signed in on this browser before it could be sent.
  if (about.data.player !== player.id)
    return refused({
      status: 422,
      say: 'This recording is another person’s. It is sent when they sign in here again.',
    });
  const sent = await readSentSound(request);
  if (!sent.ok) return refused(sent);
  const { kind, sound } = sent;
  const kept = await asSession(token, (db) =>
    keepRecording(db, player, { takeId: id.data, kind, sound, lengthMs: about.data.length, zeroMs: about.data.zero }),
  );
  if (kept === 'gone') return refused({ status: 404, say: 'The take it belongs to is not there.' });
  if (kept === 'full')
    return refused({
      status: 409,
      say: `You keep ${MOST_SOUNDS_KEPT} recordings, and there is room for no more. Drop one first: the log marks the takes that have one. What nobody pins goes by itself after ${SOUND_DAYS} days.`,
    });
  return Response.json({ takeId: id.data });
}
