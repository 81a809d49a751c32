import type { AgeBand, Level } from '@/core/limits';
import type { Setup } from '@/core/groove/limbs';
import type { ReportWords } from '@/core/documents/verdict';
import type { Db } from './database';
import type { Person } from './people';

/** A student as a line of a file has them: who is invited chooses a sign-in name later. */
export interface StudentLine {
  name: string;
  age: AgeBand | null;
  level: Level;
  setup: Setup;
  school: string;
  report: ReportWords;
  goals: string;
}

/** The students a teacher has who are not archived, by name. */
export async function studentLines(db: Db): Promise<StudentLine[]> {
  const { rows } = await db.query<StudentLine>(
    `select name, age, level, setup, school, report, goals from person
     where role = 'student' and archived_at is null order by lower(name), id`,
  );
  return rows;
}

/**
 * Adds students, all of them or none; who is called like one the teacher has already is left out. Gives how many are
 * new.
 */
export async function addStudents(
  db: Db,
  teacher: Pick<Person, 'workshop_id'>,
  given: readonly StudentLine[],
): Promise<number> {
  const { rows } = await db.query<{ name: string }>(
    `select lower(name) as name from person where role = 'student' and archived_at is null`,
  );
  const known = new Set(rows.map(({ name }) => name));
  const fresh = given.filter(({ name }) => !known.has(name.toLowerCase()) && known.add(name.toLowerCase()));
  const ids = fresh.map(() => crypto.randomUUID());
  await db.query(
    `insert into person (id, workshop_id, role, name, sign_in_name, age, level, setup, report, school, goals)
     select id, $1, 'student', name, 'invited-' || id, age, level, setup, report, school, goals
     from unnest($2::uuid[], $3::text[], $4::text[], $5::text[], $6::text[], $7::text[], $8::text[], $9::text[])
       one(id, name, age, level, setup, report, school, goals)`,
    [
      teacher.workshop_id,
      ids,
      ...(['name', 'age', 'level', 'setup', 'report', 'school', 'goals'] as const).map((column) =>
        fresh.map((one) => one[column]),
      ),
    ],
  );
  return fresh.length;
}
