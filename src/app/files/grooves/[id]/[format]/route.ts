import { z } from 'zod';
import { grooveFile } from '@/core/format/grooveFile';
import { GROOVE_FILE_NAMES, GROOVE_FILES } from '@/core/format/grooveFileKinds';
import { sentence } from '@/core/result';
import { asSession } from '@/server/database';
import { groove } from '@/server/grooves';
import { person, sessionToken } from '@/server/session';
import { fileAnswer } from '../../../fileAnswer';

const askedShape = z.object({ id: z.uuid(), format: z.enum(GROOVE_FILE_NAMES) });

const refused = (status: number, say: string) => Response.json({ say }, { status });

/** A groove one may see as a file: MIDI, MusicXML, plain text, or our own JSON; once through, at its own tempo. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string; format: string }> }) {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return refused(401, 'You are signed out. Sign in again.');
  const asked = askedShape.safeParse(await params);
  const found = asked.success ? await asSession(token, (db) => groove(db, asked.data.id)) : undefined;
  if (!asked.success || !found) return refused(404, 'There is no such groove here, or no such file of it.');
  if ('unreadable' in found.content) return refused(422, sentence(found.content.unreadable));
  const written = found.content.groove;
  const { format } = asked.data;
  return fileAnswer(grooveFile(written, format, who.school), written.title, GROOVE_FILES[format]);
}
