import { subHours } from 'date-fns';
import pg from 'pg';
import { randomFrom, seedOf } from '@/core/random';
import type { AgeBand } from '@/core/limits';
import { setAssignment } from '../assignments';
import type { Db } from '../database';
import { grooveOfDrill, keepDrill } from '../drills';
import { addGroove } from '../grooves';
import { judgedTake } from '../judging/judged';
import { keepRecording } from '../recordings';
import { insertTake } from '../takes';
import { DEMO_DRILLS } from './drills';
import { STARTER_GROOVES } from './grooves';
import { heard } from './heard';
import { fillAtSight } from './atSight';
import { fillComesNext } from './comesNext';
import { DEMO_DAYS, demoTake } from './demoTake';
import { fillListening } from './listening';
import { dueOf, fillLessons } from './lessons';
import {
  DEMO_COLLEAGUE,
  DEMO_STUDENTS,
  DEMO_TEACHER,
  DEMO_WORKSHOP,
  type DemoLearnt,
  type DemoStudent,
} from './people';
import { atHour, demoId } from './demoId';

/** How what was learnt is played. */
const WELL = { spreadMs: 5 };
/** What the teacher of the demo likes best. */
const DEMO_FAVOURITES = ['Ferry ramp', 'Lantern ghosts', 'Palm jetty', 'Six oars'];

/**
 * Fills an empty database with the demo workshop, in one transaction, as the database's owner. Does
 * nothing where there is a workshop already. Only the dates depend on `now`; the rest is the same every time.
 */
export async function fillDemo(ownerUrl: string, now: Date): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('begin');
    await client.query('lock table workshop in exclusive mode');
    const { rowCount } = await client.query('select from workshop');
    if (!rowCount) await fill(client, now);
    // What is made up happened on no day: the list of changes begins with the first visitor.
    if (!rowCount) await client.query('delete from event');
    await client.query('commit');
  } finally {
    await client.end();
  }
}

async function fill(db: Db, now: Date): Promise<void> {
  const workshop_id = demoId('workshop');
  await db.query('insert into workshop (id, name, place, is_demo, settings) values ($1, $2, $3, true, $4)', [
    workshop_id,
    DEMO_WORKSHOP.name,
    DEMO_WORKSHOP.place,
    JSON.stringify({ version: 1, timeZone: DEMO_WORKSHOP.timeZone }),
  ]);
  const add = (
    id: string,
    role: string,
    one: { name: string; signInName: string; age: number; school: string },
    level: string,
    setup: string,
  ) =>
    db.query(
      `insert into person (id, workshop_id, role, name, sign_in_name, age, level, setup, school, report)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
      [
        id,
        workshop_id,
        role,
        one.name,
        one.signInName,
        bandOf(one.age),
        level,
        setup,
        one.school,
        one.age < 11 ? 'plain words' : 'figures',
      ],
    );
  const teacher = { id: demoId(DEMO_TEACHER.name), workshop_id };
  await add(teacher.id, 'teacher', DEMO_TEACHER, 'concert', 'crossed');
  await db.query('update person set is_owner = true where id = $1', [teacher.id]);
  const colleague = demoId(DEMO_COLLEAGUE.name);
  await add(colleague, 'teacher', DEMO_COLLEAGUE, 'concert', 'crossed');
  for (const { groove, level, tags } of STARTER_GROOVES)
    await addGroove(db, teacher, { id: demoId(groove.title), groove, level, tags });
  for (const title of DEMO_FAVOURITES)
    await db.query('insert into favourite (person_id, groove_id, workshop_id) values ($1, $2, $3)', [
      teacher.id,
      demoId(title),
      workshop_id,
    ]);
  for (const student of DEMO_STUDENTS) {
    const id = demoId(student.name);
    await add(id, 'student', student, student.level, student.setup);
    for (const teacherId of [teacher.id, ...(DEMO_COLLEAGUE.shares === student.name ? [colleague] : [])])
      await db.query('insert into teaching (student_id, teacher_id, workshop_id) values ($1, $2, $3)', [
        id,
        teacherId,
        workshop_id,
      ]);
    for (const { daysAgo, endedDaysAgo, groove, pass, due, ladder, ...given } of student.assignments) {
      const assignmentId = demoId(`${student.name} ${groove}`);
      await setAssignment(db, teacher, {
        ...given,
        pass_takes: pass ?? null,
        ladder_start: ladder?.start ?? null,
        ladder_step: ladder?.step ?? null,
        due_at: due ? dueOf(student.name, now) : null,
        id: assignmentId,
        student_id: id,
        groove_id: demoId(groove),
        setAt: atHour(now, daysAgo, 15, 0),
      });
      if (endedDaysAgo !== undefined)
        await db.query('update assignment set ended_at = $2 where id = $1', [
          assignmentId,
          atHour(now, endedDaysAgo, 15, 0),
        ]);
    }
    await fillTakes(db, now, student, { id, workshop_id });
    for (const one of student.learnt ?? [])
      await fillLearnt(db, now, one, { student, player: { id, workshop_id }, teacher });
    await fillListening(db, now, student, { id, workshop_id });
  }
  await fillHeard(db, now, workshop_id);
  await fillLessons(db, now, teacher);
  await fillWords(db, now, teacher);
  await fillDrills(db, now, teacher);
  await fillComesNext(db, now, teacher);
  await fillAtSight(db, teacher);
}

/** What of an age is kept. */
function bandOf(age: number): AgeBand {
  if (age < 12) return 'under 12';
  return age < 18 ? '12 to 17' : 'grown-up';
}

/** Words on a take of late, and one that was set aside. */
async function fillWords(db: Db, now: Date, teacher: { id: string; workshop_id: string }): Promise<void> {
  const lastOf = async (name: string, back: number) =>
    (
      await db.query<{ id: string }>(
        'select id from take where player_id = $1 order by played_at desc offset $2 limit 1',
        [demoId(name), back],
      )
    ).rows[0]!.id;
  const [noted, aside] = [await lastOf('Jonte Brackwater', 0), await lastOf('Noor Tavish', 1)];
  const write = (author: string, bar: number | null, words: string, hoursAgo: number) =>
    db.query(
      `insert into take_note (id, take_id, workshop_id, author_id, bar, words, written_at)
       values ($1, $2, $3, $4, $5, $6, $7)`,
      [demoId(`note ${words}`), noted, teacher.workshop_id, author, bar, words, subHours(now, hoursAgo)],
    );
  await write(demoId('Jonte Brackwater'), 8, 'The ferry horn came in here. I went on.', 14);
  await write(teacher.id, null, 'Good that you did. Say the a aloud while you play it, at 79.', 6);
  await db.query('update take set set_aside_at = now(), set_aside_by = player_id, set_aside_why = $2 where id = $1', [
    aside,
    'The stool slipped in the second round.',
  ]);
}

async function fillDrills(db: Db, now: Date, teacher: { id: string; workshop_id: string }): Promise<void> {
  for (const { name, tags, rule, set } of DEMO_DRILLS) {
    await keepDrill(db, teacher, { id: demoId(`drill ${name}`), name, tags, rule });
    if (!set) continue;
    const student = DEMO_STUDENTS.find((one) => one.name === set.student)!;
    const groove = await grooveOfDrill(db, teacher, { name, rule }, student.level, demoId(name));
    if (!groove.ok) throw new Error(`The demo's drill “${name}” cannot be written out`);
    await setAssignment(db, teacher, {
      id: demoId(`${student.name} ${name}`),
      student_id: demoId(student.name),
      groove_id: groove.value,
      setAt: atHour(now, set.daysAgo, 15, 0),
      tempo: rule.goal,
      click: rule.click,
      minutes: set.minutes,
      reason: set.reason,
    });
  }
}

async function fillTakes(
  db: Db,
  now: Date,
  student: DemoStudent,
  player: { id: string; workshop_id: string },
): Promise<void> {
  const random = randomFrom(seedOf(student.name));
  for (let daysAgo = DEMO_DAYS - 1; daysAgo >= 1; daysAgo--) {
    const set = student.assignments.filter((one) => one.daysAgo > daysAgo && (one.endedDaysAgo ?? 0) < daysAgo);
    const practised = random() * 10 < student.daysInTen;
    const count = 1 + Math.floor(random() * 3);
    const [hour, minute] = [15 + Math.floor(random() * 4), Math.floor(random() * 50)];
    if (!practised) continue;
    for (let index = 0; index < count && set.length; index++) {
      const one = set[index % set.length]!;
      const name = `${student.name} ${daysAgo} ${index}`;
      await insertTake(db, {
        id: demoId(`take ${name}`),
        player,
        grooveId: demoId(one.groove),
        assignmentId: demoId(`${student.name} ${one.groove}`),
        playedAt: atHour(now, daysAgo, hour, minute + index * 3),
        receivedAt: atHour(now, daysAgo, hour, minute + index * 3),
        judged: judgedTake(demoTake(student, one, daysAgo, seedOf(name)), student.level),
      });
    }
  }
}

/**
 * Something a student learnt before the weeks of the demo: set, passed on the first of its days, heard again on the
 * others.
 */
async function fillLearnt(
  db: Db,
  now: Date,
  { groove, tempo, daysAgo }: DemoLearnt,
  {
    student,
    player,
    teacher,
  }: {
    student: DemoStudent;
    player: { id: string; workshop_id: string };
    teacher: { id: string; workshop_id: string };
  },
): Promise<void> {
  const [first, ...later] = daysAgo;
  const set = {
    groove,
    tempo,
    daysAgo: first! + 7,
    click: 'counts' as const,
    minutes: 10,
    reason: 'Learnt well enough to come back to.',
  };
  const assignmentId = demoId(`${student.name} ${groove}`);
  await setAssignment(db, teacher, {
    ...set,
    id: assignmentId,
    student_id: player.id,
    groove_id: demoId(groove),
    setAt: atHour(now, set.daysAgo, 15, 0),
    pass_takes: 2,
  });
  await db.query('update assignment set ended_at = $2 where id = $1', [assignmentId, atHour(now, first! - 1, 15, 0)]);
  for (const [index, days] of [first!, first!, ...later].entries()) {
    const name = `${student.name} ${groove} ${index}`;
    const playedAt = atHour(now, days, 16, 10 + index * 3);
    await insertTake(db, {
      id: demoId(`take ${name}`),
      player,
      grooveId: demoId(groove),
      assignmentId: index < 2 ? assignmentId : undefined,
      playedAt,
      receivedAt: playedAt,
      judged: judgedTake(demoTake({ ...student, from: WELL, to: WELL }, set, 0, seedOf(name)), student.level),
    });
  }
}

/** Whose last take was heard by a microphone, with its sound kept. */
const HEARD = 'Bertil Quayle';

async function fillHeard(db: Db, now: Date, workshop_id: string): Promise<void> {
  const student = DEMO_STUDENTS.find(({ name }) => name === HEARD)!;
  const player = { id: demoId(HEARD), workshop_id };
  const [set] = student.assignments;
  const takeId = demoId(`take ${HEARD} heard`);
  const { take, ...recording } = heard(demoTake(student, set!, 1, seedOf(HEARD)), seedOf(HEARD));
  const playedAt = atHour(now, 1, 20, 10);
  await insertTake(db, {
    id: takeId,
    player,
    grooveId: demoId(set!.groove),
    assignmentId: demoId(`${HEARD} ${set!.groove}`),
    playedAt,
    receivedAt: playedAt,
    judged: judgedTake(take, student.level),
  });
  await keepRecording(db, player, { takeId, ...recording });
}
