import { fileNamed } from '@/core/format/grooveFile';

/** A file as a route answers it, by the title of what is in it: also for browsers that know plain names alone. */
export function fileAnswer(
  content: string | Uint8Array,
  title: string,
  { ending, type }: { ending: string; type: string },
): Response {
  const name = fileNamed(title, ending);
  const plainName =
    name
      .normalize('NFKD')
      .replace(/[^\x20-\x7e]/g, '')
      .replace(/["\\]/g, '') || `file.${ending}`;
  return new Response(content as BodyInit, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${plainName}"; filename*=UTF-8''${encodeURIComponent(name)}`,
      'cache-control': 'no-store',
      'x-content-type-options': 'nosniff',
    },
  });
}
