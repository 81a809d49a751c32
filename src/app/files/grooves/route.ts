import { strToU8, zipSync, type Zippable } from 'fflate';
import { z } from 'zod';
import { fileNamed, grooveFile } from '@/core/format/grooveFile';
import { GROOVE_FILE_NAMES, GROOVE_FILES } from '@/core/format/grooveFileKinds';
import { MOST_ZIPPED } from '@/core/limits';
import { asSession } from '@/server/database';
import { groovesOf } from '@/server/grooves';
import { person, sessionToken } from '@/server/session';

const askedShape = z.object({
  format: z.enum(GROOVE_FILE_NAMES),
  ids: z.array(z.uuid()).min(1).max(MOST_ZIPPED),
});

const refused = (status: number, say: string) => Response.json({ say }, { status });

/** Several grooves one may see, each as a file, in one zip. What cannot be read is left out and named in it. */
export async function GET(request: Request): Promise<Response> {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return refused(401, 'You are signed out. Sign in again.');
  const { searchParams } = new URL(request.url);
  const asked = askedShape.safeParse({ format: searchParams.get('format'), ids: searchParams.getAll('id') });
  if (!asked.success) return refused(404, `Name a format and up to ${MOST_ZIPPED} grooves.`);
  const { format, ids } = asked.data;
  const found = await asSession(token, (db) => groovesOf(db, ids));
  if (!found.length) return refused(404, 'None of these grooves is here.');
  const files: Zippable = {};
  const unread: string[] = [];
  for (const { title, content } of found) {
    if ('unreadable' in content) {
      unread.push(title);
      continue;
    }
    const { ending } = GROOVE_FILES[format];
    let name = fileNamed(title, ending);
    // Two may be called the same.
    for (let number = 2; name in files; number++) name = fileNamed(`${title.slice(0, 70)} ${number}`, ending);
    const written = grooveFile(content.groove, format, who.school);
    files[name] = typeof written === 'string' ? strToU8(written) : written;
  }
  if (unread.length) files['not read.txt'] = strToU8(`${unread.join('\n')}\n`);
  return new Response(new Uint8Array(zipSync(files)), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="grooves.zip"',
      'cache-control': 'no-store',
    },
  });
}
