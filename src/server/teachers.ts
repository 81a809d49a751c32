import type { Db } from './database';
import type { Person } from './people';

/** A teacher of the workshop as lists show them. */
export interface TeacherRow {
  id: string;
  name: string;
  is_owner: boolean;
  archived: boolean;
  /** How many students of their own they have; an owner sees all beside. */
  students: number;
}

/** The teachers of the workshop by name. */
export async function teachers(db: Db): Promise<TeacherRow[]> {
  const { rows } = await db.query<TeacherRow>(
    `select p.id, p.name, p.is_owner, p.archived_at is not null as archived,
       (select count(*)::int from teaching t where t.teacher_id = p.id) as students
     from person p where p.role = 'teacher' order by p.archived_at is not null, p.name, p.id`,
  );
  return rows;
}

/** Adds a teacher to the owner's workshop, who comes in by a link and chooses a sign-in name then. Gives their id. */
export async function addTeacher(db: Db, owner: Person, name: string): Promise<string> {
  const id = crypto.randomUUID();
  await db.query(
    `insert into person (id, workshop_id, role, name, sign_in_name, level, school)
      values ($1, $2, 'teacher', $3, $4, 'concert', $5)`,
    [id, owner.workshop_id, name, `invited-${id.slice(0, 8)}`, owner.school.name],
  );
  return id;
}

/**
 * Makes a teacher an owner too, or no longer; false where that is not theirs to do, or nobody would own the workshop.
 */
export async function setOwner(db: Db, id: string, owns: boolean): Promise<boolean> {
  return (await db.query<{ done: boolean }>('select set_owner($1, $2) as done', [id, owns])).rows[0]!.done;
}

/**
 * Takes over the students, times and planned lessons of a teacher who is archived; false where that is not theirs to
 * do.
 */
export async function takeOver(db: Db, id: string): Promise<boolean> {
  return (await db.query<{ done: boolean }>('select take_over($1) as done', [id])).rows[0]!.done;
}

/** Who teaches a student. */
export async function teachersOf(db: Db, studentId: string): Promise<string[]> {
  const { rows } = await db.query<{ teacher_id: string }>('select teacher_id from teaching where student_id = $1', [
    studentId,
  ]);
  return rows.map(({ teacher_id }) => teacher_id);
}

/** Shares a student with teachers of the workshop: these, and no others, have them from now on. */
export async function shareStudent(
  db: Db,
  teacher: Pick<Person, 'workshop_id'>,
  studentId: string,
  teacherIds: readonly string[],
): Promise<void> {
  await db.query(
    `insert into teaching (student_id, teacher_id, workshop_id) select $1, p.id, $3 from person p
     where p.id = any($2::uuid[]) and p.role = 'teacher' on conflict do nothing`,
    [studentId, teacherIds, teacher.workshop_id],
  );
  await db.query('delete from teaching where student_id = $1 and teacher_id <> all($2::uuid[])', [
    studentId,
    teacherIds,
  ]);
}
