import { readTake } from '@/core/documents/take';
import type { Level } from '@/core/limits';
import { toleranceOf, type Tolerance } from '@/core/judging/types/figures';
import { JUDGE_VERSION } from '@/core/judging/verdict/judge';
import type { Db } from '../database';
import { keepPlaces, placeholders } from '../takes';
import { JUDGED, judgedColumns } from './judged';

/** How many takes are judged anew in one go, between which others may write. */
const REJUDGED_AT_ONCE = 100;

/**
 * Judges anew, as the database's owner, what an older version of the judging was applied to; the newest first, in
 * batches. A take that cannot be read keeps its figures and loses its verdict. `onShare` hears how many of how many are
 * done. Gives how many those were.
 */
export async function rejudgeTakes(db: Db, onShare: (done: number, of: number) => void = () => {}): Promise<number> {
  const counted = await db.query<{ waiting: number }>(
    'select count(*)::int as waiting from take where judge_version < $1',
    [JUDGE_VERSION],
  );
  const of = counted.rows[0]!.waiting;
  for (let done = 0; ;) {
    const { rows } = await db.query<{ id: string; level: Level; tolerance_factor: number | null; document: unknown }>(
      `select id, level, tolerance_factor, document from take where judge_version < $1
        order by played_at desc, id limit $2`,
      [JUDGE_VERSION, REJUDGED_AT_ONCE],
    );
    if (!rows.length) return done;
    for (const { id, level, tolerance_factor, document } of rows)
      await rejudge(db, id, toleranceOf(level, tolerance_factor), document);
    done += rows.length;
    onShare(done, Math.max(of, done));
  }
}

async function rejudge(db: Db, id: string, tolerance: Tolerance, document: unknown): Promise<void> {
  const read = readTake(document);
  if (!read.ok) {
    await db.query('update take set verdict = null, judge_version = $2 where id = $1', [id, JUDGE_VERSION]);
    return;
  }
  const { values, places } = judgedColumns(read.value, tolerance);
  await db.query('delete from take_place where take_id = $1', [id]);
  await keepPlaces(db, id, places);
  await db.query(`update take set (${JUDGED.join(', ')}) = (${placeholders(JUDGED.length, 2)}) where id = $1`, [
    id,
    ...values,
  ]);
}
