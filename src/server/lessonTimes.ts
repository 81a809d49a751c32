import { agendaOf, type DatedLesson, type Entry, type Holiday, type LessonTime } from '@/core/plan/agenda';
import type { Db } from './database';
import type { Person } from './people';

/** Who comes to a lesson, as lists show them. */
export interface Coming {
  id: string;
  name: string;
}

/** A time that comes round, with who comes then. */
export interface TimeRow extends LessonTime {
  students: Coming[];
  teacher_id: string;
}

export type LessonState = 'planned' | 'running' | 'held' | 'skipped';

/** A lesson in the order of a day. */
export interface LessonOfDay extends DatedLesson {
  state: LessonState;
  teacher_id: string;
  students: Coming[];
}

export type AgendaEntry = Entry<TimeRow, LessonOfDay>;

const TIME = `select t.id, t.teacher_id, t.rule, to_char(t.starts_on, 'YYYY-MM-DD') as "startsOn",
  to_char(t.ends_on, 'YYYY-MM-DD') as "endsOn",
  to_char(t.at, 'HH24:MI') as at, t.minutes,
  coalesce((select jsonb_agg(jsonb_build_object('id', p.id, 'name', p.name) order by p.name)
    from lesson_time_student s join person p on p.id = s.student_id
    where s.lesson_time_id = t.id and p.archived_at is null), '[]') as students
  from lesson_time t`;

const asTime = ({ endsOn, ...row }: Omit<TimeRow, 'endsOn'> & { endsOn: string | null }): TimeRow => ({
  ...row,
  ...(endsOn && { endsOn }),
});

/** The times a student comes at that are not over. */
export async function timesOf(db: Db, studentId: string): Promise<TimeRow[]> {
  const { rows } = await db.query(
    `${TIME} where t.id in (select lesson_time_id from lesson_time_student where student_id = $1)
       and (t.ends_on is null or t.ends_on >= now() - interval '1 day') order by t.starts_on, t.id`,
    [studentId],
  );
  return rows.map(asTime);
}

/** The lessons of a span of time in order: those a teacher gives, or those a student comes to. */
export async function agenda(
  db: Db,
  who: { teacherId: string } | { studentId: string },
  span: { from: Date; to: Date },
  timeZone: string,
): Promise<AgendaEntry[]> {
  // One condition or the other, so that each is found by its index.
  const [id, isTimeOf, isOf] =
    'teacherId' in who
      ? [who.teacherId, 't.teacher_id = $1', 'l.teacher_id = $1']
      : [
          who.studentId,
          't.id in (select lesson_time_id from lesson_time_student where student_id = $1)',
          'l.id in (select lesson_id from lesson_student where student_id = $1)',
        ];
  const times = await db.query(
    `${TIME} where ${isTimeOf} and (t.ends_on is null or t.ends_on >= $2::timestamptz - interval '2 days')`,
    [id, span.from],
  );
  const lessons = await db.query<
    Omit<LessonOfDay, 'timeId' | 'ofDay'> & { timeId: string | null; ofDay: string | null }
  >(
    // A lesson that was moved out of the span still stands in the place of its time.
    `select l.id, l.teacher_id, l.lesson_time_id as "timeId", to_char(l.of_day, 'YYYY-MM-DD') as "ofDay",
      l.starts_at as "startsAt", l.minutes, l.state,
       coalesce((select jsonb_agg(jsonb_build_object('id', p.id, 'name', p.name) order by p.name)
         from lesson_student s join person p on p.id = s.student_id where s.lesson_id = l.id), '[]') as students
     from lesson l
     where ${isOf} and ((l.starts_at >= $2 and l.starts_at < $3)
       or (l.of_day between ($2::timestamptz - interval '2 days')::date
         and ($3::timestamptz + interval '2 days')::date))`,
    [id, span.from, span.to],
  );
  return agendaOf(
    {
      times: times.rows.map(asTime).filter(({ students }) => students.length),
      lessons: lessons.rows.map(({ timeId, ofDay, ...row }) => ({
        ...row,
        ...(timeId && { timeId }),
        ...(ofDay && { ofDay }),
      })),
      holidays: await holidays(db),
    },
    span,
    timeZone,
  );
}

/** The times a teacher gives lessons at that are not over. */
export async function timesOfTeacher(db: Db, teacherId: string): Promise<TimeRow[]> {
  const { rows } = await db.query(
    `${TIME} where t.teacher_id = $1 and (t.ends_on is null or t.ends_on >= now() - interval '1 day')
     order by extract(isodow from t.starts_on), t.at, t.id`,
    [teacherId],
  );
  return rows.map(asTime).filter(({ students }) => students.length);
}

/** The lessons a student comes to within two months after `now`, in order, without those that are left out. */
export async function upcoming(
  db: Db,
  studentId: string,
  now: Date,
  timeZone: string,
  most = 4,
): Promise<AgendaEntry[]> {
  const to = new Date(now.getTime() + 62 * 86_400_000);
  const all = await agenda(db, { studentId }, { from: now, to }, timeZone);
  return all.filter(({ lesson, holiday }) => !holiday && (!lesson || lesson.state === 'planned')).slice(0, most);
}

export type NewTime = Omit<TimeRow, 'id' | 'students' | 'teacher_id'> & { students: readonly string[] };

/** A time at which students come from now on. Throws where one of them is not the teacher's. */
export async function addTime(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  given: NewTime,
  id = crypto.randomUUID(),
): Promise<string> {
  await db.query(
    `insert into lesson_time (id, workshop_id, teacher_id, rule, starts_on, ends_on, at, minutes)
      values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [id, teacher.workshop_id, teacher.id, given.rule, given.startsOn, given.endsOn ?? null, given.at, given.minutes],
  );
  await db.query(
    'insert into lesson_time_student (lesson_time_id, student_id, workshop_id) select $1, unnest($2::uuid[]), $3',
    [id, [...new Set(given.students)], teacher.workshop_id],
  );
  return id;
}

/** A time comes round no more after a day; what was held at it stays. False where there is none. */
export async function endTime(db: Db, id: string, lastDay: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from lesson_time where id = $1 and starts_on > $2::date', [id, lastDay]);
  if (rowCount) return true;
  return Boolean((await db.query('update lesson_time set ends_on = $2 where id = $1', [id, lastDay])).rowCount);
}

/** The days on which no lesson comes round, from a little before now on. */
export async function holidays(db: Db): Promise<(Holiday & { id: string })[]> {
  const { rows } = await db.query<Holiday & { id: string }>(
    `select id, name, to_char(from_on, 'YYYY-MM-DD') as from, to_char(to_on, 'YYYY-MM-DD') as to from holiday
     where to_on > now() - interval '400 days' order by from_on, id`,
  );
  return rows;
}

export async function addHoliday(
  db: Db,
  owner: Pick<Person, 'workshop_id'>,
  { name, from, to }: Holiday,
): Promise<void> {
  await db.query('insert into holiday (id, workshop_id, name, from_on, to_on) values ($1, $2, $3, $4, $5)', [
    crypto.randomUUID(),
    owner.workshop_id,
    name,
    from,
    to,
  ]);
}

export async function dropHoliday(db: Db, id: string): Promise<void> {
  await db.query('delete from holiday where id = $1', [id]);
}
