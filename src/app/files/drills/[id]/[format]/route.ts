import { z } from 'zod';
import { drillFile, grooveOfRule } from '@/core/format/drillFile';
import { grooveFile } from '@/core/format/grooveFile';
import { GROOVE_FILE_NAMES, GROOVE_FILES } from '@/core/format/grooveFileKinds';
import { sentence } from '@/core/result';
import { asSession } from '@/server/database';
import { drill } from '@/server/drills';
import { person, sessionToken } from '@/server/session';
import { fileAnswer } from '../../../fileAnswer';

const askedShape = z.object({ id: z.uuid(), format: z.enum(GROOVE_FILE_NAMES) });

const refused = (status: number, say: string) => Response.json({ say }, { status });

/** A drill of the workshop as a file: its rule as our own JSON, or its exercises one after another as notes. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string; format: string }> }) {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return refused(401, 'You are signed out. Sign in again.');
  const asked = askedShape.safeParse(await params);
  const found = asked.success ? await asSession(token, (db) => drill(db, asked.data.id)) : undefined;
  if (!asked.success || !found) return refused(404, 'There is no such drill here, or no such file of it.');
  const { name, tags, rule } = found;
  if (!rule.ok) return refused(422, sentence(rule.problems[0]!));
  const { format } = asked.data;
  if (format === 'json') return fileAnswer(drillFile({ name, tags, rule: rule.value }), name, GROOVE_FILES.json);
  const written = grooveOfRule({ name, rule: rule.value });
  if (!written.ok) return refused(422, sentence(written.problems[0]!));
  return fileAnswer(grooveFile(written.value, format, who.school), name, GROOVE_FILES[format]);
}
