import { readGroove } from '@/core/documents/groove';
import { turnFor } from '@/core/groove/kit';
import { manualEntry } from '@/core/practice/manualEntry';
import type { Db } from './database';
import { idFrom } from './idFrom';
import { judgedTake, type JudgedTake } from './judging/judged';
import { toleranceOfPerson, type Person } from './people';
import { insertTakes } from './takes';

/** Grooves that are offered by title. */
const MOST_TITLES = 5000;
/** Takes of a log that nothing heard. */
export const MOST_BY_WORD = 50_000;
/** Takes that are written at a time. */
const AT_ONCE = 200;

/** Practice that nothing heard, by the word of whoever did it. */
export interface PractisedElsewhere {
  groove: string;
  playedAt: string;
  tempo: number;
  playedMs: number;
  words: string;
}

/** What one may play, by title. */
export const grooveTitles = async (db: Db): Promise<{ id: string; title: string }[]> =>
  (
    await db.query<{ id: string; title: string }>(
      'select id, title from groove where archived_at is null order by title, id limit $1',
      [MOST_TITLES],
    )
  ).rows;

/**
 * Keeps practice in one's own log, all of it or nothing; what is there already, from when and what it was, is not
 * kept a second time. Gives how many were new; `gone` where a groove is not there any more, `full` where there are as
 * many as there may be.
 */
export async function keepPractice(
  db: Db,
  player: Person,
  lines: readonly PractisedElsewhere[],
): Promise<number | 'gone' | 'full'> {
  const { rows: held } = await db.query<{ count: number }>(
    `select count(*)::int as count from take where player_id = $1 and input = 'nothing'`,
    [player.id],
  );
  if (held[0]!.count + lines.length > MOST_BY_WORD) return 'full';
  const { rows } = await db.query<{ id: string; document: unknown }>(
    'select id, document from groove where id = any ($1::uuid[])',
    [[...new Set(lines.map(({ groove }) => groove))]],
  );
  const grooves = new Map(
    rows.flatMap(({ id, document }) => {
      const read = readGroove(document);
      return read.ok ? [[id, turnFor(read.value, player.setup)] as const] : [];
    }),
  );
  if (lines.some((line) => !grooves.has(line.groove))) return 'gone';
  const { rows: there } = await db.query<{ at: number }>(
    `select n.at::int from unnest($2::uuid[], $3::timestamptz[]) with ordinality n (groove_id, played_at, at)
     where exists (select from take t where t.player_id = $1 and t.groove_id = n.groove_id
       and t.played_at >= date_trunc('milliseconds', n.played_at)
         and t.played_at < n.played_at + interval '1 millisecond')`,
    [player.id, lines.map(({ groove }) => groove), lines.map(({ playedAt }) => playedAt)],
  );
  const isThere = new Set(there.map(({ at }) => at - 1));
  // Of the same length at the same tempo, one is worked out for all.
  const worked = new Map<string, JudgedTake>();
  const judgedOf = ({ groove, tempo, playedMs }: PractisedElsewhere): JudgedTake => {
    const key = `${groove} ${tempo} ${playedMs}`;
    const judged =
      worked.get(key) ?? judgedTake(manualEntry(grooves.get(groove)!, tempo, playedMs), toleranceOfPerson(player));
    worked.set(key, judged);
    // Of no place is there anything to say.
    return { ...judged, places: [] };
  };
  // The same name for the same practice: a line that stands in a file twice is kept once.
  const anew = new Map(
    lines.flatMap((line, index) =>
      isThere.has(index) ? [] : [[idFrom(`${player.id} ${line.groove} ${line.playedAt}`), line] as const],
    ),
  );
  let kept = 0;
  for (const some of chunked([...anew], AT_ONCE)) {
    const written = await insertTakes(
      db,
      some.map(([id, line]) => {
        // It counts as arrived when it was played: what arrives today is bounded, so that playing is never kept out
        // by a file.
        const playedAt = new Date(line.playedAt);
        return { id, player, grooveId: line.groove, playedAt, receivedAt: playedAt, judged: judgedOf(line) };
      }),
    );
    kept += written.size;
    const noted = some.filter(([id, { words }]) => words && written.has(id));
    await db.query(
      `insert into take_note (id, take_id, workshop_id, author_id, words)
       select gen_random_uuid(), n.take_id, $1, $2, n.words from unnest($3::uuid[], $4::text[]) n (take_id, words)`,
      [player.workshop_id, player.id, noted.map(([id]) => id), noted.map(([, { words }]) => words)],
    );
  }
  return kept;
}

const chunked = <T>(all: readonly T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(all.length / size) }, (_, index) => all.slice(index * size, (index + 1) * size));
