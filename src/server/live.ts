import { EventEmitter } from 'node:events';
import { setTimeout } from 'node:timers/promises';
import pg from 'pg';
import { z } from 'zod';

/**
 * What a web server hears of a lesson: that its screen has changed, that it is over, or what a student's device
 * tells.
 */
const heardShape = z.discriminatedUnion('about', [
  z.object({ about: z.literal('screen'), lesson: z.uuid() }),
  z.object({ about: z.literal('over'), lesson: z.uuid() }),
  z.object({ about: z.literal('said'), lesson: z.uuid(), by: z.uuid(), what: z.unknown() }),
]);
export type Heard = z.infer<typeof heardShape>;

const heard = new EventEmitter();
// A stream each for every device in every lesson.
heard.setMaxListeners(0);

let listening: Promise<void> | undefined;
/** After the connection is lost, it is asked for again so long after. */
const AGAIN_MS = 1000;

/** The one connection of this web server that hears what goes by NOTIFY, for as long as the server lives. */
async function listen(): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.WEB_DATABASE_URL });
  client.on('notification', ({ payload = '' }) => {
    const read = heardShape.safeParse(parsed(payload));
    if (read.success) heard.emit(read.data.lesson, read.data);
  });
  // Lost, it says so once or twice, as an error or as its end.
  client.on('error', () => void client.end().catch(() => {}));
  client.once('end', () => {
    listening = undefined;
    void hearAgain();
  });
  await client.connect();
  await client.query('listen lesson');
  heard.emit('again');
}

/** Asks for a connection again until there is one, as long as anybody listens. */
async function hearAgain(): Promise<void> {
  while (heard.listenerCount('again')) {
    await setTimeout(AGAIN_MS, undefined, { ref: false });
    const isHearing = await hearing().then(
      () => true,
      () => false,
    );
    if (isHearing) return;
  }
}

function parsed(payload: string): unknown {
  try {
    return JSON.parse(payload) as unknown;
  } catch {
    return undefined;
  }
}

function hearing(): Promise<void> {
  listening ??= listen().catch((error: unknown) => {
    listening = undefined;
    throw error;
  });
  return listening;
}

/**
 * Hears what happens in a lesson on any web server, from now on; `onAgain` where the connection was lost meanwhile
 * and something may have been missed. Gives what ends it.
 */
export async function hearLesson(
  lessonId: string,
  onHeard: (what: Heard) => void,
  onAgain: () => void,
): Promise<() => void> {
  await hearing();
  heard.on(lessonId, onHeard);
  heard.on('again', onAgain);
  return () => {
    heard.off(lessonId, onHeard);
    heard.off('again', onAgain);
  };
}
