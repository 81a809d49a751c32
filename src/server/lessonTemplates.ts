import { readLessonPlan, type LessonPlan } from '@/core/documents/lesson';
import { planFrom } from '@/core/plan/lesson';
import { asJson } from './asJson';
import type { Db } from './database';
import type { Person } from './people';

/** Steps a teacher plans lessons from. */
export interface LessonTemplate {
  id: string;
  name: string;
  plan: LessonPlan;
}

/** How many a teacher keeps. */
export const MOST_TEMPLATES = 40;

/** The teacher's templates by name; one that cannot be read is left out. */
export async function lessonTemplates(db: Db): Promise<LessonTemplate[]> {
  const { rows } = await db.query<{ id: string; name: string; document: unknown }>(
    'select id, name, document from lesson_template order by name limit $1',
    [MOST_TEMPLATES],
  );
  return rows.flatMap(({ document, ...row }) => {
    const plan = readLessonPlan(document);
    return plan.ok ? [{ ...row, plan: plan.value }] : [];
  });
}

/**
 * Keeps the steps of a plan under a name, in place of those that bore it. False where there is no room for one more.
 */
export async function keepTemplate(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  name: string,
  plan: LessonPlan,
): Promise<boolean> {
  const steps = planFrom(
    plan,
    plan.steps.reduce((sum, { minutes }) => sum + minutes, 0),
  );
  const { rowCount } = await db.query(
    `insert into lesson_template (id, workshop_id, made_by, name, document)
     select $1, $2, $3, $4, $5 where (select count(*) from lesson_template where name <> $4) < $6
     on conflict (made_by, name) do update set document = excluded.document`,
    [crypto.randomUUID(), teacher.workshop_id, teacher.id, name, asJson(steps), MOST_TEMPLATES],
  );
  return rowCount === 1;
}

export async function dropTemplate(db: Db, id: string): Promise<void> {
  await db.query('delete from lesson_template where id = $1', [id]);
}
