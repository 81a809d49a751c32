import { readSightPlan, type SightPlan } from '@/core/documents/sightPlan';
import { drawnAtSight, type NamedSight } from '@/core/practice/atSight';
import type { Result } from '@/core/result';
import type { Db } from './database';
import { addGroove } from './grooves';
import type { Person } from './people';

/** Something to be read at sight as it is kept; the plan as far as it can be read. */
export interface KeptSight extends NamedSight {
  id: string;
  archived: boolean;
  plan: Result<SightPlan>;
}

/** What the workshop reads at sight, by title; what was put away last. */
export async function sightPlans(db: Db): Promise<KeptSight[]> {
  const { rows } = await db.query<Omit<KeptSight, 'plan'> & { at_sight: unknown }>(
    `select id, title, tempo, archived_at is not null as archived, at_sight from groove where at_sight is not null
     order by archived_at is not null, lower(title), id`,
  );
  return rows.map(({ at_sight, ...row }) => ({ ...row, plan: readSightPlan(at_sight) }));
}

/** The seed of the line that stands as an example where a line is shown without being read. */
const EXAMPLE = 1;

/** Keeps what is to be read at sight, with an example of it, and gives its id. */
export const keepSight = (
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  { plan, ...named }: NamedSight & { plan: SightPlan; id?: string },
): Promise<string> =>
  addGroove(db, teacher, {
    id: named.id,
    groove: drawnAtSight(plan, named, EXAMPLE).groove,
    level: plan.level,
    sight: plan,
  });
