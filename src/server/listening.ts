import { readListening, type ListeningTake, type Subject } from '@/core/documents/listening';
import { MOST_TAKES_A_DAY } from '@/core/limits';
import { listeningFigures } from '@/core/practice/listening';
import { fail, ok, problem, type Result } from '@/core/result';
import { asJson } from './asJson';
import type { Db } from './database';
import type { Person } from './people';

/** How far somebody has got with a subject: the sittings of late, the newest first. */
export interface ListeningProgress {
  subject: Subject;
  sittings: { asked: number; answered: number; rung: number; at: Date }[];
  /** The answers of those that can be read. */
  answers: ListeningTake['answers'];
}

/** Sittings of a subject that are looked back on. */
const LOOKED_BACK = 8;

/** Keeps a sitting of the person who is signed in; once only, however often it is sent. */
export async function keepListening(
  db: Db,
  player: Pick<Person, 'id' | 'workshop_id'>,
  id: string,
  json: unknown,
): Promise<Result<{ id: string }>> {
  const read = readListening(json);
  if (!read.ok) return read;
  const { asked, right, rung } = listeningFigures(read.value);
  const { rows } = await db.query<{ kept: number }>(
    `select count(*)::integer as kept from listening
     where player_id = $1 and received_at > now() - interval '1 day'`,
    [player.id],
  );
  if (rows[0]!.kept >= MOST_TAKES_A_DAY)
    return fail(
      problem(
        'too-many-today',
        `${MOST_TAKES_A_DAY.toLocaleString('en')} sittings were kept within a day; there is room for no more.`,
        'Go on tomorrow.',
        { most: MOST_TAKES_A_DAY },
      ),
    );
  await db.query(
    `insert into listening (id, workshop_id, player_id, subject, asked, answered, rung, document)
     values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (id) do nothing`,
    [id, player.workshop_id, player.id, read.value.subject, asked, right, rung, asJson(read.value)],
  );
  return ok({ id });
}

/** How far a player has got with each subject that was listened to. */
export async function listeningOf(db: Db, playerId: string): Promise<ListeningProgress[]> {
  const { rows } = await db.query<{
    subject: Subject;
    asked: number;
    answered: number;
    rung: number;
    document: unknown;
    received_at: Date;
  }>(
    `select subject, asked, answered, rung, document, received_at
     from (select *, row_number() over (partition by subject order by received_at desc) as place
           from listening where player_id = $1) numbered
     where place <= $2 order by received_at desc`,
    [playerId, LOOKED_BACK],
  );
  const bySubject = new Map<Subject, ListeningProgress>();
  for (const { subject, asked, answered, rung, document, received_at: at } of rows) {
    const one = bySubject.get(subject) ?? { subject, sittings: [], answers: [] };
    const read = readListening(document);
    one.sittings.push({ asked, answered, rung, at });
    if (read.ok) one.answers.push(...read.value.answers);
    bySubject.set(subject, one);
  }
  return [...bySubject.values()];
}
