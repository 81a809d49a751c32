import type { School } from '@/core/count/schools';
import type { Setup } from '@/core/groove/limbs';
import { readSettings, schoolIn, type WorkshopSettings } from '@/core/documents/settings';
import type { Level } from '@/core/limits';
import type { Problem } from '@/core/result';
import type { Db } from './database';
import { hashPassword } from './door';

export interface Person {
  id: string;
  workshop_id: string;
  workshop: string;
  role: 'teacher' | 'student';
  name: string;
  sign_in_name: string;
  birth_year: number | null;
  level: Level;
  setup: Setup;
  /** How this person counts. */
  school: School;
  settings: WorkshopSettings;
  /** What of the workshop's settings could not be read, and holds as usual until it is set again. */
  settings_problems: Problem[];
}

/** A student as lists show them. */
export type StudentRow = Pick<Person, 'id' | 'name' | 'sign_in_name' | 'birth_year' | 'level' | 'setup'> & {
  school: string;
};

/** How many people a page shows. */
export const MOST_PEOPLE = 50;

const PERSON = `select p.id, p.workshop_id, w.name as workshop, w.settings, p.role, p.name, p.sign_in_name, p.birth_year, p.level, p.setup, p.school
  from person p join workshop w on w.id = p.workshop_id`;

type PersonRow = Omit<Person, 'school' | 'settings' | 'settings_problems'> & { school: string; settings: unknown };

function read(row: PersonRow): Person {
  const { settings, problems } = readSettings(row.settings);
  return { ...row, settings, settings_problems: problems, school: schoolIn(settings, row.school) };
}

/** The person whose session it is. */
export async function signedInPerson(db: Db): Promise<Person | undefined> {
  return (await db.query<PersonRow>(`${PERSON} where p.id = signed_in_person()`)).rows.map(read)[0];
}

/** A page of the workshop's students by name, those whose name holds `words` when given; and how many there are. */
export async function students(
  db: Db,
  { words = '', from = 0, most = MOST_PEOPLE }: { words?: string; from?: number; most?: number } = {},
): Promise<{ total: number; students: StudentRow[] }> {
  const { rows } = await db.query<StudentRow & { total: number }>(
    `select id, name, sign_in_name, birth_year, level, setup, school, count(*) over ()::int as total from person
     where role = 'student' and position(lower($1) in lower(name)) > 0 order by name, id limit $2 offset $3`,
    [words, most, from],
  );
  return { total: rows[0]?.total ?? 0, students: rows.map(({ total: _, ...one }) => one) };
}

export async function student(db: Db, id: string): Promise<Person | undefined> {
  return (await db.query<PersonRow>(`${PERSON} where p.id = $1 and p.role = 'student'`, [id])).rows.map(read)[0];
}

export interface NewStudent {
  name: string;
  signInName: string;
  password: string;
  birthYear?: number;
  level: Level;
  setup: Setup;
  school: string;
}

/** Adds a student to the teacher's workshop. `taken` when the sign-in name is somebody's already. */
export async function addStudent(db: Db, teacher: Person, given: NewStudent): Promise<string | 'taken'> {
  // Only what one's own workshop shows can be asked, so the unique index is asked instead; the insert
  // returns no row when the name is taken.
  const id = crypto.randomUUID();
  const { rowCount } = await db.query(
    `insert into person (id, workshop_id, role, name, sign_in_name, birth_year, level, setup, school)
     values ($1, $2, 'student', $3, lower($4), $5, $6, $7, $8) on conflict do nothing`,
    [
      id,
      teacher.workshop_id,
      given.name,
      given.signInName,
      given.birthYear ?? null,
      given.level,
      given.setup,
      given.school,
    ],
  );
  if (!rowCount) return 'taken';
  await db.query('select set_password($1, $2)', [id, await hashPassword(given.password)]);
  return id;
}

/** Changes how a person counts, sits and is judged; false when the teacher has no such person. */
export async function changePerson(
  db: Db,
  id: string,
  change: { school?: string; level?: Level; setup?: Setup },
): Promise<boolean> {
  const { rowCount } = await db.query(
    'update person set school = coalesce($2, school), level = coalesce($3, level), setup = coalesce($4, setup) where id = $1',
    [id, change.school, change.level, change.setup],
  );
  return rowCount === 1;
}
