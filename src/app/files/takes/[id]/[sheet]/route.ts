import { z } from 'zod';
import { figureSheet, strokeSheet } from '@/core/format/takeSheets';
import { sentence } from '@/core/result';
import { toleranceOf } from '@/core/judging/types/figures';
import { judge } from '@/core/judging/verdict/judge';
import { asSession } from '@/server/database';
import { person, sessionToken } from '@/server/session';
import { take } from '@/server/takes';
import { csvAnswer } from '@/ui/csv/answer';

const askedShape = z.object({ id: z.uuid(), sheet: z.enum(['figures', 'strokes']) });

const refused = (status: number, say: string) => Response.json({ say }, { status });

/** Worked out here, where pages are served: a take of so many strokes takes a quarter of a second. */
const MOST_HITS_TABLED = 5000;

/**
 * A take one may see as a table: every figure with its interval, or every stroke that was due with when it was
 * struck.
 */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string; sheet: string }> }) {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return refused(401, 'You are signed out. Sign in again.');
  const asked = askedShape.safeParse(await params);
  const found = asked.success ? await asSession(token, (db) => take(db, asked.data.id)) : undefined;
  if (!asked.success || !found) return refused(404, 'There is no such take here, or no such table of it.');
  if (!found.take.ok) return refused(422, sentence(found.take.problems[0]!));
  const played = found.take.value;
  if (played.hits.length > MOST_HITS_TABLED)
    return refused(422, `A table holds at most ${MOST_HITS_TABLED.toLocaleString('en')} strokes; this take has more.`);
  const judgement = judge(played, toleranceOf(found.level, found.tolerance_factor));
  const { heading, rows } =
    asked.data.sheet === 'figures' ? figureSheet(played, judgement) : strokeSheet(played, judgement, who.school);
  return csvAnswer(`${asked.data.sheet}.csv`, heading, rows);
}
