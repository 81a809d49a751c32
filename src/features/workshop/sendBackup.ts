/** What a backup holds and whom its owner becomes, or why it cannot be brought in; as the server tells it. */
export interface Restored {
  head: { workshop: string; madeAt: string };
  rows: Record<string, number>;
  owner: { name: string; signInName: string };
}
export type RestoreAnswer = ({ ok: true } & Restored) | { ok: false; say: string };
/** What is told while a backup is brought in, a line of JSON each; the last is the answer. */
export type RestoreNews = { rows: number } | { answer: RestoreAnswer };

interface Way {
  isTry: boolean;
  onRows: (rows: number) => void;
  signal: AbortSignal;
}

const UNREACHED = 'The server cannot be reached, so nothing was kept. Try again in a moment.';

/** Sends a backup, and tells how far it is. Nothing where it was stopped: then nothing is kept. */
export async function sendBackup(file: File, { isTry, onRows, signal }: Way): Promise<RestoreAnswer | undefined> {
  try {
    const response = await fetch(`/api/workshop/backup${isTry ? '?try=1' : ''}`, {
      method: 'POST',
      headers: { 'content-type': 'application/gzip' },
      body: file,
      signal,
    });
    if (!response.ok || !response.body) {
      const said = (await response.json().catch(() => ({}))) as { say?: string };
      return { ok: false, say: said.say ?? UNREACHED };
    }
    let answer: RestoreAnswer | undefined;
    let open = '';
    for await (const part of textOf(response.body)) {
      const lines = (open + part).split('\n');
      open = lines.pop()!;
      for (const line of lines) {
        const news = JSON.parse(line) as RestoreNews;
        if ('answer' in news) answer = news.answer;
        else onRows(news.rows);
      }
    }
    return answer ?? { ok: false, say: UNREACHED };
  } catch {
    return signal.aborted ? undefined : { ok: false, say: UNREACHED };
  }
}

async function* textOf(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body.pipeThrough(new TextDecoderStream() as TransformStream<Uint8Array, string>).getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    yield value;
  }
}
