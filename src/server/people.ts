import type { School } from '@/core/count/schools';
import type { Setup } from '@/core/groove/limbs';
import { readSettings, schoolIn, type WorkshopSettings } from '@/core/documents/settings';
import type { Level } from '@/core/limits';
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
}

const PERSON = `select p.id, p.workshop_id, w.name as workshop, w.settings, p.role, p.name, p.sign_in_name, p.birth_year, p.level, p.setup, p.school
  from person p join workshop w on w.id = p.workshop_id`;

type PersonRow = Omit<Person, 'school' | 'settings'> & { school: string; settings: unknown };

function read(row: PersonRow): Person {
  const settings = readSettings(row.settings);
  return { ...row, settings, school: schoolIn(settings, row.school) };
}

/** The person whose session it is. */
export async function signedInPerson(db: Db): Promise<Person | undefined> {
  return (await db.query<PersonRow>(`${PERSON} where p.id = signed_in_person()`)).rows.map(read)[0];
}

export async function students(db: Db): Promise<Person[]> {
  return (await db.query<PersonRow>(`${PERSON} where p.role = 'student' order by p.name`)).rows.map(read);
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
