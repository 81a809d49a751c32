import type { School } from '@/core/counting/schools';
import type { Setup } from '@/core/groove/limbs';
import { limitsShape, readSettings, schoolIn, type WorkshopSettings } from '@/core/documents/settings';
import { asTypedName } from '@/core/format/signInName';
import type { AgeBand, Level, SpeedLimits } from '@/core/limits';
import type { Problem } from '@/core/result';
import { toleranceOf, type Tolerance } from '@/core/judging/types/figures';
import type { ReportWords } from '@/core/documents/verdict';
import { asJson } from './asJson';
import type { Db } from './database';
import { hashPassword } from './door';

export interface Person {
  id: string;
  workshop_id: string;
  workshop: string;
  role: 'teacher' | 'student';
  name: string;
  /** With the workshop's name for signing in behind it where the installation has several workshops. */
  sign_in_name: string;
  /** Manages the workshop and its teachers, and has every student. */
  is_owner: boolean;
  age: AgeBand | null;
  /** What a student is after, in words. */
  goals: string;
  level: Level;
  setup: Setup;
  /** Whether reports speak of milliseconds, or of late and early in plain words. */
  report: ReportWords;
  /** How this person counts. */
  school: School;
  settings: WorkshopSettings;
  /** Strokes a second of their own hands and feet, where they are not the workshop's. */
  limits: SpeedLimits | null;
  /** What of the workshop's settings could not be read, and holds as usual until it is set again. */
  settings_problems: Problem[];
  /** Raised with every save of the settings. */
  settings_number: number;
  /** Signs in no more; what was played stays. */
  archived: boolean;
  /** Whether the workshop is the demo. */
  is_demo: boolean;
}

/** How far a person's errors are tolerated: by their level, as their workshop has set it. */
export const toleranceOfPerson = ({ level, settings }: Pick<Person, 'level' | 'settings'>): Tolerance =>
  toleranceOf(level, settings.tolerances[level]);

/** A student as lists show them. */
export type StudentRow = Pick<Person, 'id' | 'name' | 'sign_in_name' | 'age' | 'level' | 'setup'> & {
  school: string;
};

/** How many people a page shows. */
export const MOST_PEOPLE = 50;

const PERSON = `select p.id, p.workshop_id, w.name as workshop, w.settings, w.settings_number, p.role, p.is_owner,
  p.name, p.sign_in_name || (select sign_in_ending()) as sign_in_name, p.age, p.goals, p.level, p.setup, p.report,
  p.school, p.limits,
  p.archived_at is not null as archived, w.is_demo
  from person p join workshop w on w.id = p.workshop_id`;

type PersonRow = Omit<Person, 'school' | 'settings' | 'settings_problems' | 'limits'> & {
  school: string;
  settings: unknown;
  limits: unknown;
};

function read(row: PersonRow): Person {
  const { settings, problems } = readSettings(row.settings);
  const limits = limitsShape.safeParse(row.limits).data as SpeedLimits | undefined;
  return {
    ...row,
    limits: limits ?? null,
    settings,
    settings_problems: problems,
    school: schoolIn(settings, row.school),
  };
}

/** The person whose session it is. */
export async function signedInPerson(db: Db): Promise<Person | undefined> {
  return (await db.query<PersonRow>(`${PERSON} where p.id = signed_in_person()`)).rows.map(read)[0];
}

/**
 * A page of the workshop's students by name, archived ones by themselves; those whose name holds `words`, or these,
 * when given; and how many there are.
 */
export async function students(
  db: Db,
  {
    words = '',
    from = 0,
    most = MOST_PEOPLE,
    archived = false,
    ids,
  }: { words?: string; from?: number; most?: number; archived?: boolean; ids?: readonly string[] } = {},
): Promise<{ total: number; students: StudentRow[] }> {
  const { rows } = await db.query<StudentRow & { total: number }>(
    `select id, name, sign_in_name, age, level, setup, school, count(*) over ()::int as total from person
     where role = 'student' and archived_at is not null = $4 and position(lower($1) in lower(name)) > 0
       and ($5::uuid[] is null or id = any($5)) order by name, id limit $2 offset $3`,
    [words, most, from, archived, ids ?? null],
  );
  return { total: rows[0]?.total ?? 0, students: rows.map(({ total: _, ...one }) => one) };
}

export async function student(db: Db, id: string): Promise<Person | undefined> {
  return (await db.query<PersonRow>(`${PERSON} where p.id = $1 and p.role = 'student'`, [id])).rows.map(read)[0];
}

export interface NewStudent {
  name: string;
  /** Both left out, the student chooses them when they come in by an invitation. */
  signInName?: string;
  password?: string;
  age?: AgeBand | null;
  goals?: string;
  level: Level;
  setup: Setup;
  /** Figures where nothing is said. */
  report?: ReportWords;
  school: string;
}

/** How the signed-in person sits, counts and reads reports. */
export async function setOwnWays(db: Db, given: { setup: Setup; school: string; report: ReportWords }): Promise<void> {
  await db.query('select set_own_ways($1, $2, $3)', [given.setup, given.school, given.report]);
}

/** Adds a student to the teacher's workshop. `taken` when the sign-in name is somebody's already. */
export async function addStudent(db: Db, teacher: Person, given: NewStudent): Promise<string | 'taken'> {
  // Only what one's own workshop shows can be asked, so the unique index is asked instead; the insert
  // returns no row when the name is taken.
  const id = crypto.randomUUID();
  const hashed = given.password !== undefined && (await hashPassword(given.password));
  const { rowCount } = await db.query(
    `insert into person (id, workshop_id, role, name, sign_in_name, age, level, setup, report, school, goals)
     values ($1, $2, 'student', $3, $4, $5, $6, $7, $8, $9, $10) on conflict do nothing`,
    [
      id,
      teacher.workshop_id,
      given.name,
      // Until they choose one: nobody signs in by it, since there is no password yet.
      given.signInName === undefined ? `invited-${id.slice(0, 8)}` : asTypedName(given.signInName),
      given.age ?? null,
      given.level,
      given.setup,
      given.report ?? 'figures',
      given.school,
      given.goals ?? '',
    ],
  );
  if (!rowCount) return 'taken';
  if (hashed) await db.query('select set_password($1, $2)', [id, hashed]);
  return id;
}

/**
 * Changes what a person is called, how they count, sit and are judged; false when the teacher has no such person. A
 * sign-in name that is somebody's already is the database's to refuse: a unique violation.
 */
export async function changePerson(
  db: Db,
  id: string,
  change: {
    name?: string;
    age?: AgeBand | null;
    goals?: string;
    school?: string;
    level?: Level;
    setup?: Setup;
    report?: ReportWords;
    limits?: SpeedLimits | null;
    signInName?: string;
  },
): Promise<boolean> {
  const { rowCount } = await db.query(
    `update person set school = coalesce($2, school), level = coalesce($3, level), setup = coalesce($4, setup),
       report = coalesce($5, report), name = coalesce($6, name), goals = coalesce($7, goals),
       age = case when $9 then $8 else age end, limits = case when $11 then $10::jsonb else limits end,
       sign_in_name = coalesce($12, sign_in_name) where id = $1`,
    [
      id,
      change.school,
      change.level,
      change.setup,
      change.report,
      change.name,
      change.goals,
      change.age ?? null,
      change.age !== undefined,
      change.limits ? asJson(change.limits) : null,
      change.limits !== undefined,
      change.signInName === undefined ? undefined : asTypedName(change.signInName),
    ],
  );
  return rowCount === 1;
}

/**
 * Archives a student, or as an owner a teacher, who then signs in no more, or brings one back; false where one has no
 * such person.
 */
export async function archivePerson(db: Db, id: string, archived: boolean): Promise<boolean> {
  const { rowCount } = await db.query(
    `update person set archived_at = case when $2 then coalesce(archived_at, now()) end
      where id = $1 and not is_owner and id <> signed_in_person()`,
    [id, archived],
  );
  return rowCount === 1;
}

/**
 * Sets a password: one's own, or as a teacher a student's. Every session of that person ends but the one that asks.
 * False when it is not the person's to set.
 */
export async function setPassword(db: Db, personId: string, password: string): Promise<boolean> {
  const { rowCount } = await db.query('select from person where id = $1', [personId]);
  if (!rowCount) return false;
  await db.query('select set_password($1, $2)', [personId, await hashPassword(password)]);
  return true;
}

/** Ends every session of the signed-in person, this one too. */
export async function signOutEverywhere(db: Db): Promise<void> {
  await db.query('select sign_out_everywhere()');
}

/**
 * Deletes a student for good, with everything of theirs; false where the teacher has no such student who is archived.
 */
export async function deleteStudent(db: Db, id: string): Promise<boolean> {
  return (await db.query<{ gone: boolean }>('select delete_student($1) as gone', [id])).rows[0]!.gone;
}
