import pg from 'pg';
import { afterAll, describe, expect, test } from 'vitest';
import { ACTORS, owner, theCast, type ActorName, type Cast } from './served';

/**
 * The same table as SQL, with the login roles the web server has: what each person sees of every table of the database,
 * and what they can change. A new table without a row fails.
 */
const cast: Cast = theCast();
const web = new pg.Pool({ connectionString: process.env.SERVED_WEB_URL });
const door = new pg.Pool({ connectionString: process.env.SERVED_DOOR_URL });
afterAll(() => Promise.all([web.end(), door.end()]));

const seen = (by: Partial<Record<ActorName, number>>) =>
  Object.fromEntries(ACTORS.map((actor) => [actor, by[actor] ?? 0])) as Record<ActorName, number>;

/**
 * How many rows each person sees of a table, with the cast and nothing else in it; `denied` for everybody without
 * numbers.
 */
const SEEN: Record<string, Record<ActorName, number> | 'denied'> = {
  workshop: seen({ student: 1, other: 1, teacher: 1, colleague: 1, owner: 1, foreign: 1 }),
  // Everybody themselves and the teachers; teachers the students they have; the owner all.
  person: seen({ student: 4, other: 4, teacher: 5, colleague: 3, owner: 5, foreign: 1 }),
  teaching: seen({ student: 1, other: 1, teacher: 2, owner: 2 }),
  // Those that were set, and the steps of a path that is walked.
  groove: seen({ student: 2, teacher: 2, colleague: 2, owner: 2 }),
  path: seen({ student: 1, teacher: 1, colleague: 1, owner: 1 }),
  path_step: seen({ student: 1, teacher: 1, colleague: 1, owner: 1 }),
  path_student: seen({ student: 1, teacher: 1, owner: 1 }),
  refused: seen({ teacher: 1, owner: 1 }),
  day_plan: seen({ student: 1, teacher: 1, owner: 1 }),
  tune: seen({ student: 1, other: 1, teacher: 1, colleague: 1, owner: 1 }),
  tune_groove: seen({ student: 1, other: 1, teacher: 1, colleague: 1, owner: 1 }),
  feed: seen({ student: 1 }),
  mail_address: seen({ student: 1, teacher: 1, owner: 1 }),
  mail: seen({ teacher: 1, owner: 1 }),
  assignment: seen({ student: 1, teacher: 1, owner: 1 }),
  take: seen({ student: 1, teacher: 1, owner: 1 }),
  take_note: seen({ student: 1, teacher: 1, owner: 1 }),
  recording: seen({ student: 1, teacher: 1, owner: 1 }),
  lesson_time: seen({ student: 1, teacher: 1, owner: 1 }),
  lesson_time_student: seen({ student: 1, teacher: 1, owner: 1 }),
  lesson: seen({ student: 1, teacher: 1, owner: 1 }),
  lesson_student: seen({ student: 1, teacher: 1, owner: 1 }),
  // Its notes are no student's to read.
  lesson_plan: seen({ teacher: 1, owner: 1 }),
  lesson_template: seen({ teacher: 1 }),
  lesson_screen: seen({}),
  lesson_groove: seen({}),
  holiday: seen({ student: 1, other: 1, teacher: 1, colleague: 1, owner: 1 }),
  ears: seen({ student: 1 }),
  invitation: seen({ teacher: 1, owner: 1 }),
  drill: seen({ teacher: 1, colleague: 1, owner: 1 }),
  favourite: seen({}),
  ladder: seen({}),
  listening: seen({}),
  credential: 'denied',
  session: 'denied',
  device: 'denied',
  installation: 'denied',
  sign_in_failure: 'denied',
  restoring: 'denied',
  migration: 'denied',
};
/** Seen row by row below: how many there are is not for a table. */
const SEEN_BY_ROW = ['event', 'take_place'];

/** What the web server's role may do to a table at all, before any row is asked whose it is. */
const GRANTED: Record<string, string> = {
  assignment:
    'delete, insert, update(bar_from, bar_to, click, due_at, ended_at, ladder_start, ladder_step, minutes, pass_takes, reason, tempo)',
  day_plan: 'insert, update(changed_at, document)',
  drill: 'delete, insert, update(changed_at, family, rule, tags)',
  ears: 'delete, insert, update(document, kept_at, name)',
  event: '',
  favourite: 'delete, insert',
  feed: 'delete, insert',
  groove:
    'insert, update(archived_at, chart, document, document_version, level, meter, save_number, saved_at, tags, tempo, title)',
  invitation: 'delete, insert(person_id, token_hash, workshop_id)',
  ladder: 'insert, update(changed_at, document, step, tempo)',
  holiday: 'delete, insert',
  lesson: 'delete, insert, update(began_at, ended_at, minutes, starts_at, state, words)',
  lesson_plan: 'insert, update(document, save_number)',
  lesson_groove: '',
  lesson_screen: 'insert, update(document, groove_id, is_let_go)',
  lesson_student: 'delete, insert',
  lesson_template: 'delete, insert, update(document)',
  lesson_time: 'delete, insert, update(at, ends_on, minutes, rule, starts_on)',
  lesson_time_student: 'delete, insert',
  listening: 'insert',
  person:
    'insert(age, goals, id, level, name, report, role, school, setup, sign_in_name, workshop_id), update(age, archived_at, goals, level, limits, name, report, school, setup, sign_in_name)',
  mail: 'delete, insert, update(body, failed, sent_at)',
  mail_address: 'delete, insert, update(address, wants_summary)',
  path: 'insert, update(archived_at, name, save_number)',
  path_step: 'delete, insert',
  path_student: 'delete, insert',
  recording: 'delete, insert, update(is_pinned)',
  refused: 'delete, insert, update(refused_by, until)',
  take: 'insert, update(set_aside_at, set_aside_by, set_aside_why)',
  take_note: 'delete, insert',
  take_place: 'insert',
  teaching: 'delete, insert',
  tune: 'delete, insert, update(chart_id, feel, meter, part, tempo, title)',
  tune_groove: 'delete, insert',
  workshop: 'update(name, place, settings, settings_number)',
};

/** Runs one statement as a person, and undoes what it did. */
async function as<T extends pg.QueryResultRow>(actor: ActorName, sql: string, pool = web): Promise<pg.QueryResult<T>> {
  const client = await pool.connect();
  try {
    await client.query('begin');
    const token = actor === 'visitor' ? '' : cast[actor].token;
    await client.query(`select set_config('mochila.session', $1, true)`, [token]);
    return await client.query<T>(sql);
  } finally {
    await client.query('rollback');
    client.release();
  }
}
const denied = /permission denied|row-level security|not your password|nothing is being restored/;

describe('tables', () => {
  test('each has its row here, and rows of its own that are looked at one by one', async () => {
    const { rows } = await owner.query<{ name: string; is_guarded: boolean }>(
      `select relname as name, relrowsecurity as is_guarded from pg_class
       where relnamespace = 'public'::regnamespace and relkind in ('r', 'v', 'm', 'p') order by 1`,
    );
    expect(rows.map(({ name }) => name)).toEqual([...Object.keys(SEEN), ...SEEN_BY_ROW].toSorted());
    expect(rows.filter(({ is_guarded }) => !is_guarded).map(({ name }) => name)).toEqual(['migration']);
  });

  test.each(Object.keys(SEEN))('%s: what each person sees', async (table) => {
    const seen = SEEN[table]!;
    for (const actor of ACTORS) {
      const asked = as<{ count: number }>(actor, `select count(*)::int from ${table}`);
      if (seen === 'denied') await expect(asked, actor).rejects.toThrow(denied);
      else expect([actor, (await asked).rows[0]!.count]).toEqual([actor, seen[actor]]);
      // The door reads no table but the tries it counts.
      if (table !== 'sign_in_failure')
        await expect(as(actor, `select * from ${table}`, door), actor).rejects.toThrow(denied);
    }
  });

  test('figures by place go with their take; changes are the teacher’s', async () => {
    const counts = async (table: string) =>
      Promise.all(
        ACTORS.map(
          async (actor) =>
            (await as<{ count: number }>(actor, `select count(*)::int from ${table}`)).rows[0]!.count > 0,
        ),
      );
    expect(await counts('take_place')).toEqual([false, true, false, true, false, true, false]);
    expect(await counts('event')).toEqual([false, false, false, true, true, true, true]);
    const { rows } = await as<{ workshop_id: string }>('foreign', 'select distinct workshop_id from event');
    expect(rows.map(({ workshop_id }) => workshop_id)).not.toContain(cast.workshop);
  });

  test('what may be written at all is granted column by column', async () => {
    const { rows } = await owner.query<{ name: string; granted: string }>(
      `with whole as (
         select table_name, lower(privilege_type) as can from information_schema.role_table_grants where grantee = 'mochila_web'),
       parts as (
         select table_name, lower(privilege_type) || '(' || string_agg(column_name, ', ' order by column_name) || ')' as can
         from information_schema.column_privileges c where grantee = 'mochila_web' and privilege_type <> 'SELECT'
           and not exists (select from whole where whole.table_name = c.table_name and whole.can = lower(c.privilege_type))
         group by table_name, privilege_type)
       select table_name as name, coalesce(string_agg(can, ', ' order by can) filter (where can <> 'select'), '') as granted
       from (select * from whole union all select * from parts) all_of_it group by table_name order by table_name`,
    );
    expect(Object.fromEntries(rows.map(({ name, granted }) => [name, granted]))).toEqual(GRANTED);
  });
});

/** Statements that would do harm, who tries them, and that nothing comes of them: an error, or no row. */
const HARM: [what: string, sql: (cast: Cast) => string, except: ActorName[]][] = [
  ['another’s take', ({ take }) => `delete from take where id = '${take}'`, []],
  ['a take’s figures', ({ take }) => `update take set mean_error_ms = 0 where id = '${take}'`, []],
  [
    'setting another’s take aside',
    ({ take, student }) =>
      `update take set set_aside_at = now(), set_aside_by = '${student.id}', set_aside_why = 'x' where id = '${take}'`,
    ['student'],
  ],
  ['a note of another', ({ note }) => `delete from take_note where id = '${note}'`, ['student']],
  [
    'a note in another’s name',
    ({ take, teacher, workshop }) =>
      `insert into take_note (id, take_id, workshop_id, author_id, words) values (gen_random_uuid(), '${take}', '${workshop}', '${teacher.id}', 'x')`,
    ['teacher'],
  ],
  ['another’s recording', ({ take }) => `delete from recording where take_id = '${take}'`, ['student']],
  [
    'pinning another’s recording',
    ({ take }) => `update recording set is_pinned = true where take_id = '${take}'`,
    ['student', 'teacher', 'owner'],
  ],
  ['the sound of a recording', ({ take }) => `update recording set sound = '\\x00' where take_id = '${take}'`, []],
  ['an invitation', ({ other }) => `delete from invitation where person_id = '${other.id}'`, ['teacher', 'owner']],
  [
    'inviting',
    ({ student, workshop }) =>
      `insert into invitation (person_id, workshop_id, token_hash) values ('${student.id}', '${workshop}', sha256('x'))`,
    ['teacher', 'owner'],
  ],
  [
    'inviting a teacher',
    ({ teacher, workshop }) =>
      `insert into invitation (person_id, workshop_id, token_hash) values ('${teacher.id}', '${workshop}', sha256('x'))`,
    ['owner'],
  ],
  ['reading what a link holds', () => 'select token_hash from invitation', []],
  ['using an invitation', () => `select door_join('\\x00', 'x', 'x', 'x')`, []],
  ['deleting a student who is not archived', ({ student }) => `select 1 where delete_student('${student.id}')`, []],
  ['reading the workshop’s rows as they are kept', () => `select backup_rows('credential', 0)`, ['owner', 'foreign']],
  ['rows that nobody restores', () => `select restore_rows('person', '{}')`, []],
  ['leaving a demo that is none', () => `select 1 where leave_demo('x', 'x', 'xx', 'x', false)`, []],
  ['ending another’s session', () => `select 1 where end_own_session('00')`, []],
  ['another’s ears', ({ student }) => `delete from ears where person_id = '${student.id}'`, ['student']],
  [
    'ears in another’s name',
    ({ student, workshop }) =>
      `insert into ears (person_id, device_id, workshop_id, name, document) values ('${student.id}', gen_random_uuid(), '${workshop}', 'x', '{}')`,
    ['student'],
  ],
  [
    'a groove’s bars',
    ({ groove }) => `update groove set title = 'x' where id = '${groove}'`,
    ['teacher', 'colleague', 'owner'],
  ],
  [
    'an ended homework',
    ({ assignment }) => `update assignment set ended_at = now() where id = '${assignment}'`,
    ['teacher', 'owner'],
  ],
  [
    'a person’s level',
    ({ student }) => `update person set level = 'concert' where id = '${student.id}'`,
    ['teacher', 'owner'],
  ],
  ['a person’s part', ({ student }) => `update person set role = 'teacher' where id = '${student.id}'`, []],
  [
    'archiving',
    ({ student }) => `update person set archived_at = now() where id = '${student.id}'`,
    ['teacher', 'owner'],
  ],
  ['the workshop', ({ workshop }) => `update workshop set settings = '{}' where id = '${workshop}'`, ['owner']],
  ['a drill', ({ drill }) => `delete from drill where id = '${drill}'`, ['teacher', 'colleague', 'owner']],
  [
    'another’s ladder',
    ({ student, groove, workshop }) =>
      `insert into ladder (person_id, groove_id, workshop_id, tempo, document) values ('${student.id}', '${groove}', '${workshop}', 60, '{}')`,
    ['student'],
  ],
  [
    'another’s favourite',
    ({ other, groove, workshop }) =>
      `insert into favourite (person_id, groove_id, workshop_id) values ('${other.id}', '${groove}', '${workshop}')`,
    [],
  ],
  [
    'a teacher more',
    ({ workshop }) =>
      `insert into person (workshop_id, role, name, sign_in_name, level, school) values ('${workshop}', 'teacher', 'X', 'xyz', 'concert', 'x')`,
    ['owner'],
  ],
  ['another’s password', ({ student }) => `select set_password('${student.id}', 'x')`, ['student', 'teacher', 'owner']],
  ['the teacher’s password', ({ teacher }) => `select set_password('${teacher.id}', 'x')`, ['teacher']],
  [
    'a student who is nobody’s to take',
    ({ other, colleague, workshop }) =>
      `insert into teaching (student_id, teacher_id, workshop_id) values ('${other.id}', '${colleague.id}', '${workshop}')`,
    ['teacher', 'owner'],
  ],
  ['owning', ({ teacher }) => `update person set is_owner = true where id = '${teacher.id}'`, []],
  ['making an owner', ({ teacher }) => `select 1 where set_owner('${teacher.id}', true)`, ['owner']],
  ['taking over from a teacher who is there', ({ colleague }) => `select 1 where take_over('${colleague.id}')`, []],
  ['the last owner', ({ owner: last }) => `select 1 where set_owner('${last.id}', false)`, []],
  [
    'a teacher’s archiving',
    ({ colleague }) => `update person set archived_at = now() where id = '${colleague.id}'`,
    ['colleague', 'owner'],
  ],
  ['a lesson', ({ lesson }) => `update lesson set words = 'x' where id = '${lesson}'`, ['teacher', 'owner']],
  ['dropping a lesson', ({ lesson }) => `delete from lesson where id = '${lesson}'`, ['teacher']],
  [
    'a lesson’s notes',
    ({ lesson }) => `update lesson_plan set document = '{}' where lesson_id = '${lesson}'`,
    ['teacher', 'owner'],
  ],
  [
    'sitting in a lesson',
    ({ lesson, other, workshop }) =>
      `insert into lesson_student (lesson_id, student_id, workshop_id) values ('${lesson}', '${other.id}', '${workshop}')`,
    ['teacher', 'owner'],
  ],
  [
    'a lesson in another’s name',
    ({ teacher, workshop }) =>
      `insert into lesson (id, workshop_id, teacher_id, starts_at, minutes) values (gen_random_uuid(), '${workshop}', '${teacher.id}', now(), 45)`,
    ['teacher'],
  ],
  [
    'a time that comes round',
    ({ time }) => `update lesson_time set minutes = 200 where id = '${time}'`,
    ['teacher', 'owner'],
  ],
  ['a template', ({ template }) => `delete from lesson_template where id = '${template}'`, ['teacher']],
  ['a holiday', ({ holiday }) => `delete from holiday where id = '${holiday}'`, ['owner']],
  [
    'taking homework back',
    ({ assignment }) => `delete from assignment where id = '${assignment}'`,
    ['teacher', 'owner'],
  ],
  [
    'a lesson’s screen',
    ({ lesson, groove, workshop }) =>
      `insert into lesson_screen (lesson_id, workshop_id, groove_id, document) values ('${lesson}', '${workshop}', '${groove}', '{}')`,
    // It does not run.
    [],
  ],
  ['saying something in a lesson', ({ lesson }) => `select 1 where say_in_lesson('${lesson}', '{}')`, []],
  [
    'another’s plan of a day',
    ({ student, workshop }) =>
      `insert into day_plan (student_id, day, workshop_id, document) values ('${student.id}', '2026-02-02', '${workshop}', '{}')`,
    ['student'],
  ],
  [
    'changing another’s plan',
    ({ student }) => `update day_plan set document = '{}' where student_id = '${student.id}'`,
    ['student'],
  ],
  ['a path', ({ path }) => `update path set name = 'x' where id = '${path}'`, ['teacher', 'owner']],
  ['a step of a path', ({ path }) => `delete from path_step where path_id = '${path}'`, ['teacher', 'owner']],
  [
    'putting a student on a path',
    ({ path, other, workshop, teacher }) =>
      `insert into path_student (path_id, student_id, workshop_id, put_by) values ('${path}', '${other.id}', '${workshop}', '${teacher.id}')`,
    ['teacher'],
  ],
  [
    'taking a student off a path',
    ({ student }) => `delete from path_student where student_id = '${student.id}'`,
    ['teacher', 'owner'],
  ],
  ['what was refused', ({ student }) => `delete from refused where student_id = '${student.id}'`, ['teacher', 'owner']],
  ['a tune', ({ tune }) => `update tune set tempo = 300 where id = '${tune}'`, ['teacher', 'colleague', 'owner']],
  [
    'the chart of a tune',
    ({ tune, groove }) => `update tune set chart_id = '${groove}' where id = '${tune}'`,
    ['teacher', 'colleague', 'owner'],
  ],
  ['another’s calendar', ({ student }) => `delete from feed where person_id = '${student.id}'`, ['student']],
  ['what a calendar’s address holds', () => 'select token_hash from feed', []],
  ['reading a calendar', () => `select door_calendar('x')`, []],
  [
    'another’s address',
    ({ student }) => `update mail_address set address = 'x@x' where person_id = '${student.id}'`,
    ['student'],
  ],
  [
    'a mail in another’s name',
    ({ teacher, workshop }) =>
      `insert into mail (id, workshop_id, written_by, kind, address, subject, body) values (gen_random_uuid(), '${workshop}', '${teacher.id}', 'lesson', 'a@b', 'x', 'x')`,
    ['teacher'],
  ],
  [
    'another’s mail',
    ({ workshop }) => `update mail set sent_at = now() where workshop_id = '${workshop}'`,
    ['teacher'],
  ],
  ['the door’s names', () => `select door_named('tova')`, []],
  ['a session', ({ teacher }) => `select door_open_session('${teacher.id}', '\\x00', '1 day')`, []],
  ['passwords', () => `select door_credential('tova')`, []],
  ['roles', () => 'set role mochila_door', []],
  ['the owner', () => `select pg_read_file('/etc/passwd')`, []],
];

describe('what nobody brings about by SQL', () => {
  test.each(HARM)('%s', async (_, sql, except) => {
    for (const actor of ACTORS) {
      const tried = await as(actor, sql(cast)).then(
        ({ rowCount }) => (rowCount ? 'done' : 'nothing'),
        (error: Error) => (denied.test(error.message) ? 'denied' : error.message),
      );
      if (except.includes(actor)) expect([actor, tried]).toEqual([actor, 'done']);
      else expect([actor, ['nothing', 'denied'].includes(tried) ? 'refused' : tried]).toEqual([actor, 'refused']);
    }
  });
});
