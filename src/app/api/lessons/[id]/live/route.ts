import { z } from 'zod';
import { readLessonScreen, toldShape } from '@/core/documents/lessonScreen';
import { asSession } from '@/server/database';
import { isInLesson, screenOf, showScreen, tellLesson } from '@/server/lessonScreens';
import { hearLesson, type Heard } from '@/server/live';
import { person, sessionToken } from '@/server/session';
import { readJsonBody } from '@/server/sent';

interface Params {
  params: Promise<{ id: string }>;
}

/** So often a stream says that it lives, and looks whether whoever hears it still may. */
const BEAT_MS = 15_000;
/** Streams of one web server at once: each lesson has two or three, and a browser that has lost one opens another. */
const MOST_STREAMS = 600;
let streams = 0;

const refused = (status: number, say: string) => Response.json({ say }, { status });
const SIGNED_OUT = 'You are signed out. Sign in again.';
const NO_LESSON = 'This lesson does not run.';

/** What happens in a lesson that runs, as server-sent events: `screen`, `told`, `over`. */
export async function GET(request: Request, { params }: Params) {
  const [who, token, id] = [await person(), await sessionToken(), z.uuid().safeParse((await params).id)];
  if (!who || !token) return refused(401, SIGNED_OUT);
  if (!id.success || !(await asSession(token, (db) => isInLesson(db, id.data)))) return refused(404, NO_LESSON);
  if (streams >= MOST_STREAMS) return refused(503, 'Many lessons run at once. Try again in a moment.');
  const stream = streamOf(id.data, token, who, request.signal);
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    },
  });
}

function streamOf(
  lessonId: string,
  token: string,
  { id: me, role }: { id: string; role: 'teacher' | 'student' },
  signal: AbortSignal,
): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let leave = () => {};
  return new ReadableStream({
    async start(controller) {
      streams++;
      let isOpen = true;
      let stop = () => {};
      const say = (event: string, data: unknown) =>
        isOpen && controller.enqueue(encoder.encode(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`));
      const beat = setInterval(() => void lookAgain(), BEAT_MS);
      leave = () => {
        if (!isOpen) return;
        isOpen = false;
        streams--;
        clearInterval(beat);
        stop();
        try {
          controller.close();
        } catch {
          // The reader has gone already.
        }
      };
      const over = () => {
        say('over', {});
        leave();
      };
      /** Reads anew as whoever listens: what they may not see any more ends the stream. */
      async function lookAgain(withScreen = false): Promise<void> {
        const seen = await asSession(token, async (db) => ({
          isIn: await isInLesson(db, lessonId),
          screen: withScreen ? await screenOf(db, lessonId) : undefined,
        })).catch(() => undefined);
        if (!seen) return;
        if (!seen.isIn) return over();
        if (withScreen) say('screen', { screen: seen.screen ?? null });
        else say('beat', {});
      }
      signal.addEventListener('abort', leave);
      stop = await hearLesson(
        lessonId,
        (what: Heard) => {
          if (what.about === 'over') over();
          else if (what.about === 'screen') void lookAgain(true);
          // What one student plays is the teacher's to see, and no other student's.
          else if (role === 'teacher' && what.by !== me) say('told', { by: what.by, told: what.what });
        },
        () => void lookAgain(true),
      );
      if (!isOpen) return stop();
      await lookAgain(true);
    },
    cancel: () => leave(),
  });
}

const sentShape = z.union([z.strictObject({ screen: z.unknown() }), z.strictObject({ told: toldShape })]);

/**
 * Shows a screen to those in the lesson (its teacher), lets go of them by `null`, or tells what is played (a
 * student).
 */
export async function POST(request: Request, { params }: Params) {
  const [who, token, id] = [await person(), await sessionToken(), z.uuid().safeParse((await params).id)];
  if (!who || !token) return refused(401, SIGNED_OUT);
  if (!id.success) return refused(404, NO_LESSON);
  const sent = await readJsonBody(request);
  if (!sent.ok) return refused(sent.status, sent.say);
  const read = sentShape.safeParse(sent.json);
  if (!read.success) return refused(422, 'This is nothing that is told in a lesson.');
  const given = read.data;
  if ('told' in given) {
    const told = await asSession(token, (db) => tellLesson(db, id.data, given.told));
    return told ? Response.json({}) : refused(404, NO_LESSON);
  }
  const screen = given.screen === null ? undefined : readLessonScreen(given.screen);
  if (screen && !screen.ok) return refused(422, screen.problems[0]!.say);
  const shown = await asSession(token, (db) => showScreen(db, who, id.data, screen?.value));
  return shown ? Response.json({}) : refused(404, NO_LESSON);
}
