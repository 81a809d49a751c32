import { MOST_LINES_IN } from '@/core/limits';
import { verdictInWords } from '@/core/wording/verdictInWords';
import { logAskedOf } from '@/features/takes/asked';
import { spanOf } from '@/features/takes/span';
import { asSession } from '@/server/database';
import { person, sessionToken } from '@/server/session';
import { wordsOn } from '@/server/takeNotes';
import { takes, type TakeRow } from '@/server/takes';
import { csvAnswer } from '@/ui/csv/answer';

const HEADING = [
  'played at',
  'who',
  'what',
  'tempo',
  'click',
  'sounding (s)',
  'heard by',
  'struck by',
  'hit',
  'missed',
  'extra',
  'mean (ms)',
  'spread (ms)',
  'drift (%)',
  'verdict',
  'set aside',
  'words',
];

/** The takes of the log that are asked for as a file, the newest first; so many lines at most. */
export async function GET(request: Request) {
  const [who, token] = await Promise.all([person(), sessionToken()]);
  if (!who || !token) return Response.json({ say: 'You are signed out. Sign in again.' }, { status: 401 });
  const asked = logAskedOf(Object.fromEntries(new URL(request.url).searchParams));
  const { all, words } = await asSession(token, async (db) => {
    const listed = await takes(db, {
      playerId: who.role === 'student' ? who.id : asked.student,
      words: asked.item,
      input: asked.input,
      ...spanOf(asked, who.settings.timeZone),
      most: MOST_LINES_IN,
    });
    return {
      all: listed,
      words: await wordsOn(
        db,
        listed.flatMap(({ id, notes }) => (notes ? id : [])),
      ),
    };
  });
  const rounded = (value: number | null) => (value === null ? null : Math.round(value * 10) / 10);
  const rowOf = (take: TakeRow) => [
    take.played_at.toISOString(),
    take.player,
    take.title,
    take.tempo,
    take.click,
    Math.round(take.played_ms / 1000),
    take.input,
    take.struck_by,
    take.matched,
    take.missed,
    take.extra,
    rounded(take.mean_error_ms),
    rounded(take.sd_error_ms),
    rounded(take.tempo_drift_percent),
    take.verdict ? verdictInWords(take.verdict, who.school, who.report).say : '',
    take.set_aside_why ?? '',
    (words.get(take.id) ?? []).join(' / '),
  ];
  return csvAnswer('log.csv', HEADING, all.map(rowOf));
}
