import { z } from 'zod';
import { grooveFile } from '@/core/format/grooveFile';
import { GROOVE_FILE_NAMES, GROOVE_FILES } from '@/core/format/grooveFileKinds';
import { sentence } from '@/core/result';
import { CLICK_PLAN_NAMES, type ClickPlanName } from '@/core/time/clickPlan';
import { asSession } from '@/server/database';
import { groove } from '@/server/grooves';
import { person, sessionToken } from '@/server/session';
import { fileAnswer } from '../../../fileAnswer';

const askedShape = z.object({ id: z.uuid(), format: z.enum(GROOVE_FILE_NAMES) });

/** What may be wished of a MIDI file. */
const wishesShape = z.object({
  click: z.enum(CLICK_PLAN_NAMES as [ClickPlanName, ...ClickPlanName[]]).optional(),
  countIn: z.coerce.number().int().min(0).max(4).optional(),
  swing: z.enum(['played', 'written']).optional(),
});

const refused = (status: number, say: string) => Response.json({ say }, { status });

/**
 * A groove one may see as a file of each kind; once through, at its own tempo. Of a MIDI file a click, bars counted in
 * and its swing as it is written may be asked for.
 */
export async function GET(request: Request, { params }: { params: Promise<{ id: string; format: string }> }) {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return refused(401, 'You are signed out. Sign in again.');
  const asked = askedShape.safeParse(await params);
  const wishes = wishesShape.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  const found = asked.success ? await asSession(token, (db) => groove(db, asked.data.id)) : undefined;
  if (!asked.success || !wishes.success || !found)
    return refused(404, 'There is no such groove here, or no such file of it.');
  if ('unreadable' in found.content) return refused(422, sentence(found.content.unreadable));
  const written = found.content.groove;
  const { format } = asked.data;
  const { swing, ...midi } = wishes.data;
  const file = grooveFile(written, format, who.school, { ...midi, isAsWritten: swing === 'written' });
  return fileAnswer(file, written.title, GROOVE_FILES[format]);
}
