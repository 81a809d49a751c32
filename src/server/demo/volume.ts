import pg from 'pg';
import type { Db } from '../database';

/** How many people and takes a workshop is to have. */
export interface Volume {
  students: number;
  takes: number;
  /** Lines of the list of changes; none more where nothing is said. */
  lines: number;
}

const MOST: Volume = { students: 20_000, takes: 500_000, lines: 2_000_000 };
/** Over how many days the takes are spread. */
const DAYS = 365;
/** Students of one teacher, besides those of the owner. */
const STUDENTS_A_TEACHER = 40;

/**
 * "2000,20000" or "2000,200000,1000000": students, takes, and lines of the log. Throws with words where it cannot be
 * read.
 */
export function volumeFrom(text: string): Volume {
  const [, students, takes, lines = 0] = /^(\d{1,6})\s*,\s*(\d{1,6})(?:\s*,\s*(\d{1,7}))?$/.exec(text.trim()) ?? [];
  const volume = { students: Number(students), takes: Number(takes), lines: Number(lines) };
  if (!(volume.students <= MOST.students && volume.takes <= MOST.takes && volume.lines <= MOST.lines))
    throw new Error(
      `“${text}” is no volume. Write students, takes and lines of the log, such as 200,5000,20000; at most ${MOST.students},${MOST.takes},${MOST.lines}.`,
    );
  return volume;
}

/**
 * Brings the workshop of the demo up to so many students and takes, as the database's owner, in one transaction:
 * made-up people, with a teacher for every forty of them, each with one of the demo's grooves set and a lesson a
 * week, copies of the demo's takes with their figures, and lines of the log, spread over a year before `now`. What is
 * there stays; a second time it adds what is short.
 */
export async function fillVolume(ownerUrl: string, volume: Volume, now: Date): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('begin');
    const { rows } = await client.query<{ id: string; students: number; takes: number }>(
      `select id, (select count(*)::int from person where role = 'student') as students,
         (select count(*)::int from take) as takes from workshop where is_demo`,
    );
    if (!rows[0]) throw new Error('Only the demo workshop can be filled: leave MOCHILA_DEMO=0 out.');
    await addStudents(client, rows[0].id, volume.students - rows[0].students, now);
    await addLessons(client, rows[0].id, now);
    await addTakes(client, volume.takes - rows[0].takes, now);
    await addLines(client, rows[0].id, volume.lines, now);
    await client.query('commit');
    // So that the database plans for what is there now.
    await client.query('analyze');
  } finally {
    await client.end();
  }
}

async function addStudents(db: Db, workshopId: string, count: number, now: Date): Promise<void> {
  await db.query(
    `insert into person (id, workshop_id, role, name, sign_in_name, age, level, setup, school)
     select gen_random_uuid(), $1, 'teacher', 'Cox ' || n,
       'cox' || n || '-' || substr(gen_random_uuid()::text, 1, 8), 'grown-up', 'concert',
       'crossed', 'e-and-a / trip-let'
     from generate_series(1, $2) n`,
    [workshopId, Math.floor(Math.max(0, count) / STUDENTS_A_TEACHER)],
  );
  await db.query(
    `with added as (
       insert into person (id, workshop_id, role, name, sign_in_name, age, level, setup, school)
       select gen_random_uuid(), $1, 'student', 'Rower ' || n,
         'rower' || n || '-' || substr(gen_random_uuid()::text, 1, 8), 'grown-up',
         (array['first year', 'second year', 'advanced', 'concert'])[1 + n % 4], 'crossed', 'e-and-a / trip-let'
       from generate_series(1, $2) n returning id),
     taught as (
       insert into teaching (student_id, teacher_id, workshop_id)
       select one.id, teacher.id, $1 from (select id, row_number() over (order by id) as n from added) one
       join (select id, row_number() over (order by is_owner desc, id) as n, count(*) over () as of from person
             where workshop_id = $1 and role = 'teacher') teacher on teacher.n = 1 + one.n % teacher.of)
     insert into assignment (id, workshop_id, student_id, groove_id, set_by, set_at, tempo, click, minutes, reason)
     select gen_random_uuid(), $1, added.id, chosen.id, teacher.id, $3, chosen.tempo, 'counts', 10, ''
     from (select id, row_number() over (order by id) as n from added) added
     join (select id, tempo, row_number() over (order by id) as n, count(*) over () as of from groove
       where workshop_id = $1) chosen
       on chosen.n = 1 + added.n % chosen.of
     cross join (select id from person where workshop_id = $1 and is_owner limit 1) teacher`,
    [workshopId, count, now],
  );
}

/** A time a week for each student who has none, and the lessons of the last month held at it. */
async function addLessons(db: Db, workshopId: string, now: Date): Promise<void> {
  await db.query(
    `create temporary table new_time on commit drop as
     select gen_random_uuid() as id, p.id as student_id,
       (select min(t.teacher_id::text)::uuid from teaching t where t.student_id = p.id) as teacher_id,
       ($2::timestamptz - interval '28 days')::date + (row_number() over (order by p.id) % 7)::int as starts_on,
       make_time(8 + (row_number() over (order by p.id) % 12)::int, 0, 0) as at
     from person p
     where p.workshop_id = $1 and p.role = 'student'
       and not exists (select from lesson_time_student s where s.student_id = p.id)`,
    [workshopId, now],
  );
  await db.query(
    `insert into lesson_time (id, workshop_id, teacher_id, rule, starts_on, at, minutes)
     select id, $1, teacher_id, 'FREQ=WEEKLY;INTERVAL=1', starts_on, at, 45 from new_time`,
    [workshopId],
  );
  await db.query(
    'insert into lesson_time_student (lesson_time_id, student_id, workshop_id) select id, student_id, $1 from new_time',
    [workshopId],
  );
  await db.query(
    `create temporary table new_lesson on commit drop as
     select gen_random_uuid() as id, t.id as time_id, t.student_id, t.teacher_id, t.starts_on + 7 * week as of_day, t.at
     from new_time t cross join generate_series(0, 2) week`,
  );
  await db.query(
    `insert into lesson (id, workshop_id, teacher_id, lesson_time_id, of_day, starts_at, minutes, state, began_at,
      ended_at, words)
     select id, $1, teacher_id, time_id, of_day, of_day + at, 45, 'held', of_day + at,
       of_day + at + interval '45 minutes', 'Go on as set.'
     from new_lesson`,
    [workshopId],
  );
  await db.query(
    'insert into lesson_student (lesson_id, student_id, workshop_id) select id, student_id, $1 from new_lesson',
    [workshopId],
  );
}

/** Lines of the list of changes, up to so many: homework that was set for everybody in turn. */
async function addLines(db: Db, workshopId: string, count: number, now: Date): Promise<void> {
  await db.query(
    `insert into event (workshop_id, happened_at, by_person, about, kind, detail)
     select $1, $3::timestamptz - make_interval(mins => (${DAYS * 24 * 60} * (1 - g.n::float8 / $2))::int), o.id,
       p.id, 'homework set', 'Slow crossing'
     from generate_series(1, greatest(0, $2 - (select count(*)::int from event))) g(n)
     cross join (select id from person where workshop_id = $1 and is_owner limit 1) o
     join (select id, row_number() over (order by id) as n, count(*) over () as of from person
       where workshop_id = $1 and role = 'student') p
       on p.n = 1 + (g.n::bigint * 7919) % p.of`,
    [workshopId, count, now],
  );
}

/** The columns of a take that the database does not make itself. */
async function keptColumns(db: Db): Promise<string[]> {
  const { rows } = await db.query<{ column_name: string }>(
    `select column_name from information_schema.columns
     where table_schema = 'public' and table_name = 'take' and is_generated = 'NEVER'`,
  );
  return rows.map(({ column_name }) => column_name);
}

async function addTakes(db: Db, count: number, now: Date): Promise<void> {
  const anew: Record<string, string> = {
    id: 'copy.id',
    player_id: 'copy.player_id',
    assignment_id: 'null',
    played_at: 'copy.played_at',
    received_at: 'copy.played_at',
    level: 'copy.level',
  };
  const columns = await keptColumns(db);
  await db.query(
    `create temporary table copy on commit drop as
     select gen_random_uuid() as id, model.id as model_id, player.id as player_id, player.level,
       $2::timestamptz - make_interval(mins => (random() * ${DAYS * 24 * 60})::int) as played_at
     from generate_series(1, $1) g(n)
     join (select id, row_number() over (order by id) as n, count(*) over () as of from take) model
       on model.n = 1 + g.n % model.of
     join (select id, level, row_number() over (order by id) as n, count(*) over () as of from person
       where role = 'student') player
       on player.n = 1 + (g.n::bigint * 7919) % player.of`,
    [count, now],
  );
  await db.query(
    `insert into take (${columns.join(', ')})
     select ${columns.map((name) => anew[name] ?? `model.${name}`).join(', ')} from copy
       join take model on model.id = copy.model_id`,
  );
  await db.query(
    `insert into take_place (take_id, limb, bar, exercise, count, part, parts, counts, matched, missed,
      mean_error_ms, sd_error_ms)
     select copy.id, limb, bar, exercise, count, part, parts, counts, matched, missed, mean_error_ms, sd_error_ms
     from copy join take_place on take_id = copy.model_id`,
  );
}
