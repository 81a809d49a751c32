import type { ClickPlanName } from '@/core/time/clickPlan';
import type { Db } from './database';
import type { Person } from './people';

/** A groove set to be practised: at which tempo, with which click, how long a day, and why. */
export interface Assignment {
  id: string;
  student_id: string;
  groove_id: string;
  title: string;
  meter: string;
  tempo: number;
  click: ClickPlanName;
  minutes: number;
  reason: string;
  set_at: Date;
  set_by: string;
}

const ASSIGNMENT = `select a.id, a.student_id, a.groove_id, g.title, g.meter, a.tempo, a.click, a.minutes, a.reason, a.set_at, t.name as set_by
  from assignment a join groove g on g.id = a.groove_id join person t on t.id = a.set_by`;

/** What is set for a student and not ended, the newest first. */
export async function openAssignments(db: Db, studentId: string): Promise<Assignment[]> {
  return (
    await db.query<Assignment>(
      `${ASSIGNMENT} where a.student_id = $1 and a.ended_at is null order by a.set_at desc, a.id`,
      [studentId],
    )
  ).rows;
}

export type NewAssignment = Pick<Assignment, 'student_id' | 'groove_id' | 'tempo' | 'click' | 'minutes' | 'reason'>;

/**
 * Sets a groove for a student of the teacher's workshop; anybody else's is refused by the database. What stands there
 * already just so is not set again, however often it is sent. Gives its id.
 */
export async function setAssignment(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  given: NewAssignment & { id?: string; setAt?: Date },
): Promise<string> {
  const id = given.id ?? crypto.randomUUID();
  // Two that are sent at once come one after another.
  await db.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [`assignment ${given.student_id}`]);
  const same = await db.query<{ id: string }>(
    `select id from assignment where student_id = $1 and groove_id = $2 and tempo = $3::numeric(6, 3) and click = $4
       and minutes = $5 and reason = $6 and ended_at is null`,
    [given.student_id, given.groove_id, given.tempo, given.click, given.minutes, given.reason],
  );
  if (same.rows[0] && !given.id) return same.rows[0].id;
  await db.query(
    `insert into assignment (id, workshop_id, student_id, groove_id, set_by, set_at, tempo, click, minutes, reason)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [
      id,
      teacher.workshop_id,
      given.student_id,
      given.groove_id,
      teacher.id,
      given.setAt ?? new Date(),
      given.tempo,
      given.click,
      given.minutes,
      given.reason,
    ],
  );
  return id;
}

/** Ends an assignment: it stays in the log and leaves Today. False when there is none of that id to end. */
export async function endAssignment(db: Db, id: string): Promise<boolean> {
  return Boolean(
    (await db.query('update assignment set ended_at = now() where id = $1 and ended_at is null', [id])).rowCount,
  );
}
