import type { Rule } from '@/core/drill/rule';
import type { Db } from './database';
import type { Person } from './people';

/** A drill as it is kept: its name and its rule. */
export interface KeptDrill {
  id: string;
  name: string;
  rule: Rule;
}

/** The workshop's drills by name. */
export async function drills(db: Db): Promise<KeptDrill[]> {
  return (await db.query<KeptDrill>('select id, name, rule from drill order by lower(name), id')).rows;
}

/** Keeps a drill under a name; one of that name gets the new rule. */
export async function keepDrill(db: Db, teacher: Pick<Person, 'id' | 'workshop_id'>, name: string, rule: Rule): Promise<void> {
  await db.query(
    `insert into drill (workshop_id, made_by, name, family, rule) values ($1, $2, $3, $4, $5)
     on conflict (workshop_id, name) do update set rule = excluded.rule, family = excluded.family, changed_at = now()`,
    [teacher.workshop_id, teacher.id, name, rule.family, JSON.stringify(rule)],
  );
}

export async function dropDrill(db: Db, id: string): Promise<void> {
  await db.query('delete from drill where id = $1', [id]);
}
