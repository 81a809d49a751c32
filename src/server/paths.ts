import type { Walked } from '@/core/plan/nextStep';
import { standingOn, type CleanTake } from '@/core/plan/path';
import type { Db } from './database';
import type { LearntGroove } from './learnt';
import type { Person } from './people';

/** A step of a path, as it is shown. */
export interface StepRow {
  grooveId: string;
  title: string;
  goal: number;
  passTakes: number;
}

/** A path with its steps, and who of the teacher's own walks it. */
export interface PathRow {
  id: string;
  name: string;
  madeBy: string;
  /** Whether the person who asks may change it. */
  canChange: boolean;
  saveNumber: number;
  archived: boolean;
  steps: StepRow[];
  walkers: { id: string; name: string }[];
}

const STEPS = `coalesce((select jsonb_agg(jsonb_build_object(
  'grooveId', s.groove_id, 'title', g.title, 'goal', s.tempo, 'passTakes', s.pass_takes) order by s.place)
  from path_step s join groove g on g.id = s.groove_id where s.path_id = p.id), '[]') as steps`;

/** How many paths a page shows. */
const MOST_SHOWN = 100;

/** The paths of the workshop by name, or one of them. */
export async function paths(db: Db, { id }: { id?: string } = {}): Promise<PathRow[]> {
  const { rows } = await db.query<PathRow>(
    `select p.id, p.name, t.name as "madeBy", changes_path(p.id) as "canChange", p.save_number as "saveNumber",
       p.archived_at is not null as archived, ${STEPS},
       coalesce((select jsonb_agg(jsonb_build_object('id', w.id, 'name', w.name) order by w.name)
         from path_student s join person w on w.id = s.student_id where s.path_id = p.id), '[]') as walkers
     from path p join person t on t.id = p.made_by
     where p.workshop_id = (select signed_in_workshop()) and ($1::uuid is null or p.id = $1)
     order by p.archived_at is not null, lower(p.name), p.id limit ${MOST_SHOWN}`,
    [id ?? null],
  );
  return rows;
}

/** A path a student walks, with where they stand on it. */
export interface WalkedPath {
  id: string;
  name: string;
  steps: (StepRow & { clean: number })[];
  at: number;
}

/** The paths a student walks, with where the takes put them. */
export async function walkedBy(db: Db, studentId: string, learnt: readonly LearntGroove[]): Promise<WalkedPath[]> {
  const { rows } = await db.query<{ id: string; name: string; steps: StepRow[] }>(
    `select p.id, p.name, ${STEPS} from path_student w join path p on p.id = w.path_id
     where w.student_id = $1 and p.archived_at is null order by w.put_at, p.id`,
    [studentId],
  );
  const clean: CleanTake[] = learnt.flatMap(({ grooveId, tries }) =>
    tries.filter((one) => one.clean).map(({ bpm }) => ({ grooveId, bpm })),
  );
  return rows.map(({ steps, ...path }) => {
    const standing = standingOn(steps, clean);
    return {
      ...path,
      at: standing.at,
      steps: steps.map((step, index) => ({ ...step, clean: standing.clean[index]! })),
    };
  });
}

/** A path as the next step is found from it. */
export function walkedOf({ id, name, steps, at }: WalkedPath): Walked {
  const step = steps[at];
  return {
    pathId: id,
    name,
    at,
    of: steps.length,
    grooveId: step?.grooveId ?? null,
    title: step?.title ?? null,
    goal: step?.goal ?? null,
  };
}

/** `kept`; `behind` where somebody else changed it meanwhile; `gone` where it is not there. */
export type PathKept = 'kept' | 'behind' | 'gone';

/** Keeps a path with its steps, a new one or as a change of the save it started from. */
export async function keepPath(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  {
    id,
    name,
    saveNumber,
    steps,
  }: { id: string; name: string; saveNumber: number; steps: readonly Omit<StepRow, 'title'>[] },
): Promise<PathKept> {
  if (saveNumber === 0)
    await db.query('insert into path (id, workshop_id, made_by, name) values ($1, $2, $3, $4)', [
      id,
      teacher.workshop_id,
      teacher.id,
      name,
    ]);
  else {
    const { rowCount } = await db.query(
      'update path set name = $3, save_number = save_number + 1 where id = $1 and save_number = $2',
      [id, saveNumber, name],
    );
    if (!rowCount) return (await db.query('select from path where id = $1', [id])).rowCount ? 'behind' : 'gone';
  }
  await db.query('delete from path_step where path_id = $1', [id]);
  await db.query(
    `insert into path_step (path_id, place, workshop_id, groove_id, tempo, pass_takes)
     select $1, (n - 1)::smallint, $2, g, t, c
     from unnest($3::uuid[], $4::numeric[], $5::smallint[]) with ordinality one(g, t, c, n)`,
    [
      id,
      teacher.workshop_id,
      steps.map(({ grooveId }) => grooveId),
      steps.map(({ goal }) => goal),
      steps.map(({ passTakes }) => passTakes),
    ],
  );
  return 'kept';
}

/** Puts a path away, or brings it back: who walks it keeps their takes. */
export async function setPathArchived(db: Db, id: string, archived: boolean): Promise<void> {
  await db.query('update path set archived_at = case when $2 then coalesce(archived_at, now()) end where id = $1', [
    id,
    archived,
  ]);
}

/** Puts a student on a path, or takes them off it. */
export async function setWalks(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  { pathId, studentId, walks }: { pathId: string; studentId: string; walks: boolean },
): Promise<void> {
  if (walks)
    await db.query(
      `insert into path_student (path_id, student_id, workshop_id, put_by)
       select id, $2, $3, $4 from path where id = $1 on conflict do nothing`,
      [pathId, studentId, teacher.workshop_id, teacher.id],
    );
  else await db.query('delete from path_student where path_id = $1 and student_id = $2', [pathId, studentId]);
}
