import { makeDrill } from '@/core/drill/drill';
import { readRule, type Rule } from '@/core/documents/rule';
import { writeOut } from '@/core/drill/written';
import { ok, type Result } from '@/core/result';
import type { Level } from '@/core/limits';
import type { ClickPlanName } from '@/core/time/clickPlan';
import { asJson } from './asJson';
import type { Db } from './database';
import { addGroove } from './grooves';
import type { Person } from './people';

/** A drill as it is kept: its name, its tags and its rule, as far as that can be read. */
export interface KeptDrill {
  id: string;
  name: string;
  tags: string[];
  rule: Result<Rule>;
}

/** A drill as it stands among what can be set. */
export interface DrillChoice {
  id: string;
  name: string;
  goal: number;
  click: ClickPlanName;
}

type DrillRow = Omit<KeptDrill, 'rule'> & { rule: unknown };

const read = (row: DrillRow): KeptDrill => ({ ...row, rule: readRule(row.rule) });

/** The workshop's drills as they can be set, by name: no rule is read for it. */
export async function drillChoices(db: Db): Promise<DrillChoice[]> {
  const { rows } = await db.query<DrillChoice>(
    `select id, name, coalesce(goal, 80) as goal, coalesce(click, 'counts') as click from drill
     order by lower(name), id`,
  );
  return rows;
}

/** The workshop's drills by name. */
export async function drills(db: Db): Promise<KeptDrill[]> {
  return (await db.query<DrillRow>('select id, name, tags, rule from drill order by lower(name), id')).rows.map(read);
}

export async function drill(db: Db, id: string): Promise<KeptDrill | undefined> {
  return (await db.query<DrillRow>('select id, name, tags, rule from drill where id = $1', [id])).rows.map(read)[0];
}

/** Keeps a drill under a name; one of that name gets the new rule and tags. Gives its id. */
export async function keepDrill(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  { id, name, tags, rule }: { id?: string; name: string; tags: string[]; rule: Rule },
): Promise<string> {
  const { rows } = await db.query<{ id: string }>(
    `insert into drill (id, workshop_id, made_by, name, family, rule, tags) values ($1, $2, $3, $4, $5, $6, $7)
     on conflict (workshop_id, name) do update set rule = excluded.rule, family = excluded.family,
       tags = excluded.tags, changed_at = now()
     returning id`,
    [id ?? crypto.randomUUID(), teacher.workshop_id, teacher.id, name, rule.family, asJson(rule), tags],
  );
  return rows[0]!.id;
}

export async function dropDrill(db: Db, id: string): Promise<void> {
  await db.query('delete from drill where id = $1', [id]);
}

/**
 * The groove that plays a drill, written out now or when the same rule was written out under this name before. Its
 * bars stay, whatever becomes of the drill or of its generator. Problems when the rule makes nothing, or too much for
 * one go.
 */
export async function grooveOfDrill(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  { name, rule }: { name: string; rule: Rule },
  level: Level,
  id?: string,
): Promise<Result<string>> {
  const kept = asJson(rule);
  // Asked for several times at once it is written out once.
  await db.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [`${teacher.workshop_id} ${name} ${kept}`]);
  const before = await db.query<{ id: string }>(
    "select id from groove where workshop_id = $1 and title = $2 and drill -> 'rule' = $3::jsonb",
    [teacher.workshop_id, name, kept],
  );
  if (before.rows[0]) return ok(before.rows[0].id);
  const made = makeDrill(rule);
  if (!made.ok) return made;
  const written = writeOut(made.value, rule, name);
  if (!written.ok) return written;
  return ok(await addGroove(db, teacher, { id, groove: written.value.groove, level, drill: written.value }));
}
