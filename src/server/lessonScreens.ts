import { readLessonScreen, type LessonScreen, type Told } from '@/core/documents/lessonScreen';
import { asJson } from './asJson';
import type { Db } from './database';
import type { Person } from './people';

/** What is open in a lesson for the students' devices to follow; nothing while it is let go. */
export async function screenOf(db: Db, lessonId: string): Promise<LessonScreen | undefined> {
  const { rows } = await db.query<{ document: unknown }>(
    'select document from lesson_screen where lesson_id = $1 and not is_let_go',
    [lessonId],
  );
  const read = rows[0] && readLessonScreen(rows[0].document);
  return read?.ok ? read.value : undefined;
}

/** Whether one is in a lesson that runs now. */
export async function isInLesson(db: Db, lessonId: string): Promise<boolean> {
  return (await db.query(`select from lesson where id = $1 and state = 'running'`, [lessonId])).rowCount === 1;
}

/** Shows on the students' devices what the teacher has open, or lets go of them; false where it is not theirs to do. */
export async function showScreen(
  db: Db,
  teacher: Pick<Person, 'workshop_id' | 'role'>,
  lessonId: string,
  screen: LessonScreen | undefined,
): Promise<boolean> {
  if (teacher.role !== 'teacher' || !(await isInLesson(db, lessonId))) return false;
  if (!screen) {
    await db.query('update lesson_screen set is_let_go = true where lesson_id = $1', [lessonId]);
    return true;
  }
  const { rowCount } = await db.query('select from groove where id = $1', [screen.grooveId]);
  if (!rowCount) return false;
  await db.query(
    `insert into lesson_screen (lesson_id, workshop_id, groove_id, document) values ($1, $2, $3, $4)
     on conflict (lesson_id) do update set groove_id = excluded.groove_id, document = excluded.document,
       is_let_go = false`,
    [lessonId, teacher.workshop_id, screen.grooveId, asJson(screen)],
  );
  return true;
}

/** Tells everybody else in a lesson what a student's device has to tell; false where one is not in it. */
export async function tellLesson(db: Db, lessonId: string, told: Told): Promise<boolean> {
  return (await db.query<{ told: boolean }>('select say_in_lesson($1, $2) as told', [lessonId, asJson(told)])).rows[0]!
    .told;
}
