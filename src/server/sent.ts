/** A take of 20,000 hits is about 1 MB of JSON; nothing honest is larger than this. */
const MOST_BYTES = 4_000_000;

export type Sent = { ok: true; json: unknown } | { ok: false; status: 400 | 403 | 413 | 415; say: string };

/** Reads a JSON body that a page of ours sent, and refuses others' and anything too large before holding it. */
export async function readSent(request: Request): Promise<Sent> {
  const origin = request.headers.get('origin');
  const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host');
  if (origin && (!URL.canParse(origin) || new URL(origin).host !== host))
    return { ok: false, status: 403, say: 'This was sent from another site.' };
  if (!request.headers.get('content-type')?.startsWith('application/json'))
    return { ok: false, status: 415, say: 'Send JSON.' };
  const tooLarge: Sent = { ok: false, status: 413, say: 'This is too large for a take: record a shorter one.' };
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES) return tooLarge;
  const parts: Uint8Array[] = [];
  let bytes = 0;
  for await (const part of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += part.length;
    if (bytes > MOST_BYTES) return tooLarge;
    parts.push(part);
  }
  try {
    return { ok: true, json: JSON.parse(Buffer.concat(parts).toString('utf8')) };
  } catch {
    return { ok: false, status: 400, say: 'This is not JSON.' };
  }
}
