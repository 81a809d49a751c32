import fs from 'node:fs/promises';
import { MOST_SOUND_BYTES, SOUND_KINDS, type SoundKind } from '@/core/limits';

/** A take of 20,000 hits is about 1 MB of JSON; nothing honest is larger than this. */
const MOST_BYTES = 4_000_000;

/** What was read of a request, or why it was not. */
export type Sent<T> = ({ ok: true } & T) | { ok: false; status: 400 | 403 | 413 | 415; say: string };

/** Reads a JSON body that a page of ours sent, and refuses others' and anything too large before holding it. */
export async function readJsonBody(request: Request): Promise<Sent<{ json: unknown }>> {
  const body = await bodyOf(request, MOST_BYTES, {
    isKind: (type) => type.startsWith('application/json'),
    kind: 'Send JSON.',
    large: 'This is too large for a take: record a shorter one.',
  });
  if (!body.ok) return body;
  try {
    return { ok: true, json: JSON.parse(body.bytes.toString('utf8')) };
  } catch {
    return { ok: false, status: 400, say: 'This is not JSON.' };
  }
}

/** How the files of each kind of sound begin: WebM by its EBML header (RFC 8794), WAV by RIFF. */
const BEGINS: Record<SoundKind, readonly number[]> = {
  'audio/webm': [0x1a, 0x45, 0xdf, 0xa3],
  'audio/wav': [0x52, 0x49, 0x46, 0x46],
};

/** Reads sound that a page of ours sent, of a kind that is kept. */
export async function readSentSound(request: Request): Promise<Sent<{ kind: SoundKind; sound: Buffer }>> {
  const kind = SOUND_KINDS.find((one) => one === request.headers.get('content-type'));
  const body = await bodyOf(request, MOST_SOUND_BYTES, {
    isKind: () => kind !== undefined,
    kind: `Send sound: ${SOUND_KINDS.join(' or ')}.`,
    large: `This recording is larger than ${MOST_SOUND_BYTES / 1e6} MB: record a shorter one.`,
  });
  if (!body.ok) return body;
  if (BEGINS[kind!].some((byte, index) => body.bytes[index] !== byte))
    return { ok: false, status: 415, say: 'This is no sound that can be kept.' };
  return { ok: true, kind: kind!, sound: body.bytes };
}

interface Wanted {
  isKind: (type: string) => boolean;
  /** Said where it is of another kind. */
  kind: string;
  /** Said where it is too large. */
  large: string;
}

async function bodyOf(request: Request, most: number, wanted: Wanted): Promise<Sent<{ bytes: Buffer }>> {
  const parts: Uint8Array[] = [];
  const read = await readBody(request, most, wanted, (part) => void parts.push(part));
  return read.ok ? { ok: true, bytes: Buffer.concat(parts) } : read;
}

/** Hands on a body that a page of ours sent, part by part, up to so many bytes. */
async function readBody(
  request: Request,
  most: number,
  wanted: Wanted,
  onPart: (part: Uint8Array) => void | Promise<void>,
): Promise<Sent<object>> {
  const origin = request.headers.get('origin');
  const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host');
  if (origin && (!URL.canParse(origin) || new URL(origin).host !== host))
    return { ok: false, status: 403, say: 'This was sent from another site.' };
  if (!wanted.isKind(request.headers.get('content-type') ?? '')) return { ok: false, status: 415, say: wanted.kind };
  const tooLarge = { ok: false, status: 413, say: wanted.large } as const;
  if (Number(request.headers.get('content-length') ?? 0) > most) return tooLarge;
  let bytes = 0;
  for await (const part of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += part.length;
    if (bytes > most) return tooLarge;
    await onPart(part);
  }
  return { ok: true };
}

/** The largest backup that is taken in by a page, in bytes. */
const MOST_BACKUP_BYTES = 1_000_000_000;

/** Puts a backup that a page of ours sent into a file, which is no larger than is taken in. */
export async function readSentBackup(request: Request, path: string): Promise<Sent<object>> {
  const file = await fs.open(path, 'wx', 0o600);
  try {
    return await readBody(
      request,
      MOST_BACKUP_BYTES,
      {
        isKind: (type) => type === 'application/gzip',
        kind: 'Send a backup.',
        large: `This backup is larger than ${MOST_BACKUP_BYTES / 1e6} MB, more than a page takes in. Whoever runs the server moves everything with npm run backup and npm run restore.`,
      },
      async (part) => void (await file.write(part)),
    );
  } finally {
    await file.close();
  }
}
