import type { PoolClient } from 'pg';
import { limbsIn } from '@/core/groove/kit';
import { usualRule } from '@/core/drill/rule';
import { familyNamed } from '@/core/drill/registry';
import { usualPlan } from '@/core/plan/lesson';
import { emptyTake, playedTake } from '@/core/testing/takes';
import { setAssignment } from '@/server/assignments';
import { STARTER_GROOVES } from '@/server/demo/grooves';
import { hashPassword } from '@/server/door';
import { keepDrill } from '@/server/drills';
import { addGroove } from '@/server/grooves';
import { judgedTake } from '@/server/judging/judged';
import { openLesson } from '@/server/lessons';
import { addTime } from '@/server/lessonTimes';
import { keepPath, setWalks } from '@/server/paths';
import { insertTake } from '@/server/takes';
import { owner, sessionOf, type Actor, type Cast } from './served';

export const PASSWORD = 'a long password';

async function person(db: PoolClient, workshop: string, role: 'teacher' | 'student', name: string): Promise<Actor> {
  const { rows } = await db.query<{ id: string }>(
    `insert into person (workshop_id, role, name, sign_in_name, level, school) values ($1, $2, $3, $4, 'second year', 'e-and-a / trip-let')
     returning id`,
    [workshop, role, name, name.toLowerCase()],
  );
  const { id } = rows[0]!;
  await db.query('insert into credential (person_id, password_hash) values ($1, $2)', [
    id,
    await hashPassword(PASSWORD),
  ]);
  return { id, name, token: '' };
}

export async function seedCast(): Promise<Cast> {
  const db = await owner.connect();
  const workshopOf = async (name: string) =>
    (await db.query<{ id: string }>('insert into workshop (name) values ($1) returning id', [name])).rows[0]!.id;
  const [workshop, elsewhere] = [await workshopOf('Boathouse'), await workshopOf('Elsewhere')];
  const teacher = await person(db, workshop, 'teacher', 'Tova');
  const student = await person(db, workshop, 'student', 'Ada');
  const other = await person(db, workshop, 'student', 'Bo');
  const colleague = await person(db, workshop, 'teacher', 'Cleo');
  const owns = await person(db, workshop, 'teacher', 'Odo');
  const foreign = await person(db, elsewhere, 'teacher', 'Mirk');
  await db.query('update person set is_owner = true where id = any($1::uuid[])', [[owns.id, foreign.id]]);
  for (const pupil of [student, other])
    await db.query('insert into teaching (student_id, teacher_id, workshop_id) values ($1, $2, $3)', [
      pupil.id,
      teacher.id,
      workshop,
    ]);
  const by = { id: teacher.id, workshop_id: workshop };
  const made = STARTER_GROOVES[0]!;
  const groove = await addGroove(db, by, made);
  const assignment = await setAssignment(db, by, {
    student_id: student.id,
    groove_id: groove,
    tempo: 72,
    click: 'counts',
    minutes: 10,
    reason: '',
  });
  const family = familyNamed('placement')!;
  const drill = await keepDrill(db, by, { name: 'Planks', tags: [], rule: usualRule(family) });
  const take = crypto.randomUUID();
  const played = playedTake({ spreadMs: 9 }, emptyTake(made.groove, { rounds: 2, task: limbsIn(made.groove) }));
  await insertTake(db, {
    id: take,
    player: { id: student.id, workshop_id: workshop },
    grooveId: groove,
    playedAt: new Date(),
    judged: judgedTake(played, 'second year'),
  });
  const note = crypto.randomUUID();
  await db.query(
    `insert into take_note (id, take_id, workshop_id, author_id, words) values ($1, $2, $3, $4, 'The stool creaked.')`,
    [note, take, workshop, student.id],
  );
  // The beginning of a WAV file: nobody plays it here.
  await db.query(
    `insert into recording (take_id, workshop_id, player_id, kind, length_ms, zero_ms, sound)
     values ($1, $2, $3, 'audio/wav', 1000, 0, 'RIFF of a lake')`,
    [take, workshop, student.id],
  );
  await db.query(
    `insert into ears (person_id, device_id, workshop_id, name, document) values ($1, gen_random_uuid(), $2, 'iPhone', '{}')`,
    [student.id, workshop],
  );
  await db.query(`insert into invitation (person_id, workshop_id, token_hash) values ($1, $2, sha256('a lake'))`, [
    other.id,
    workshop,
  ]);
  const [time, template, holiday] = [crypto.randomUUID(), crypto.randomUUID(), crypto.randomUUID()];
  await addTime(
    db,
    by,
    { students: [student.id], rule: 'FREQ=WEEKLY;INTERVAL=1', startsOn: '2026-11-24', at: '16:00', minutes: 45 },
    time,
  );
  const lesson = (await openLesson(db, by, { timeId: time, day: '2026-11-24' }, 'Etc/UTC'))!;
  await db.query('insert into lesson_template (id, workshop_id, made_by, name, document) values ($1, $2, $3, $4, $5)', [
    template,
    workshop,
    teacher.id,
    'Short',
    JSON.stringify(usualPlan(20)),
  ]);
  await db.query(
    `insert into holiday (id, workshop_id, name, from_on, to_on) values ($1, $2, 'Regatta', '2027-06-01', '2027-06-02')`,
    [holiday, workshop],
  );
  const [path, tune] = [crypto.randomUUID(), crypto.randomUUID()];
  const step = await addGroove(db, by, STARTER_GROOVES[2]!);
  await keepPath(db, by, {
    id: path,
    name: 'To the pier',
    saveNumber: 0,
    steps: [{ grooveId: step, goal: 60, passTakes: 2 }],
  });
  await setWalks(db, by, { pathId: path, studentId: student.id, walks: true });
  await db.query(
    `insert into refused (student_id, key, workshop_id, refused_by, until) values ($1, 'listen flam', $2, $3, '2099-01-01')`,
    [student.id, workshop, teacher.id],
  );
  await db.query(`insert into day_plan (student_id, day, workshop_id, document) values ($1, '2026-01-01', $2, '{}')`, [
    student.id,
    workshop,
  ]);
  await db.query(
    `insert into tune (id, workshop_id, title, tempo, meter, feel) values ($1, $2, 'Morning ferry', 72, '4/4', 'straight')`,
    [tune, workshop],
  );
  await db.query('insert into tune_groove (tune_id, groove_id, workshop_id) values ($1, $2, $3)', [
    tune,
    groove,
    workshop,
  ]);
  await db.query(`insert into feed (person_id, workshop_id, token_hash) values ($1, $2, sha256('a pier'))`, [
    student.id,
    workshop,
  ]);
  await db.query(
    `insert into mail_address (person_id, workshop_id, address, wants_summary) values ($1, $2, 'ada@example.org', true)`,
    [student.id, workshop],
  );
  await db.query(
    `insert into mail (id, workshop_id, written_by, about, kind, address, subject, body)
     values (gen_random_uuid(), $1, $2, $3, 'lesson', 'ada@example.org', 'Moved', 'Your lesson is moved.')`,
    [workshop, teacher.id, student.id],
  );
  db.release();
  for (const one of [teacher, student, other, colleague, owns, foreign]) one.token = await sessionOf(one.id);
  return {
    workshop,
    teacher,
    student,
    other,
    colleague,
    owner: owns,
    foreign,
    groove,
    assignment,
    take,
    drill,
    note,
    lesson,
    time,
    template,
    holiday,
    path,
    step,
    tune,
  };
}
