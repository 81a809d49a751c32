import { z } from 'zod';
import { chartFile, CHART_FILE_NAMES, CHART_FILES } from '@/core/format/chartFile';
import { sentence } from '@/core/result';
import { asSession } from '@/server/database';
import { person, sessionToken } from '@/server/session';
import { chartOf } from '@/server/tuneCharts';
import { fileAnswer } from '../../../fileAnswer';

const askedShape = z.object({ id: z.uuid(), format: z.enum(CHART_FILE_NAMES) });

const refused = (status: number, say: string) => Response.json({ say }, { status });

/** A chart one may see as a file: as it is typed, or our own JSON. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string; format: string }> }) {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return refused(401, 'You are signed out. Sign in again.');
  const asked = askedShape.safeParse(await params);
  const found = asked.success ? await asSession(token, (db) => chartOf(db, asked.data.id)) : undefined;
  if (!asked.success || !found) return refused(404, 'There is no such chart here, or no such file of it.');
  if (found.kind === 'unreadable') return refused(422, sentence(found.problem));
  const { form, groove } = found.chart;
  const { format } = asked.data;
  return fileAnswer(chartFile(form, groove.title, format), groove.title, CHART_FILES[format]);
}
