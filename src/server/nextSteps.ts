import type { Subject } from '@/core/documents/listening';
import { nextSteps, type OpenWork, type StudentNow, type Suggestion } from '@/core/plan/nextStep';
import { USUAL_STEP } from '@/core/plan/review';
import { switchesOfMany, type FiguresOfMany } from '@/core/plan/studentFigures';
import type { PassedWork } from '@/core/plan/works';
import { homework as homeworkOf, type Homework } from './assignments';
import type { Db } from './database';
import { dayNow, learntBy, passedOf, THAT_COUNTS, type LearntGroove } from './learnt';
import { listeningOf, type ListeningProgress } from './listening';
import { walkedBy, walkedOf, type WalkedPath } from './paths';
import type { Person } from './people';
import { figuresOfStudent } from './takeFigures';

/** So many takes tell what is named again and again. */
const TAKES_NAMED = 12;
/** Sittings by ear that tell how well a subject is heard. */
const SITTINGS = 3;

/** All that a student's next step is found from; what pages have read already is handed in. */
export interface Known {
  homework: readonly Homework[];
  learnt: readonly LearntGroove[];
  paths: readonly WalkedPath[];
  figures: FiguresOfMany;
  listening: readonly ListeningProgress[];
}

/** Reads all that a student's next step is found from: as many queries whatever there is. */
export async function knownOf(db: Db, studentId: string, timeZone: string): Promise<Known> {
  const learnt = await learntBy(db, studentId, timeZone);
  return {
    homework: await homeworkOf(db, [studentId], { timeZone }),
    learnt,
    paths: await walkedBy(db, studentId, learnt),
    figures: await figuresOfStudent(db, studentId),
    listening: await listeningOf(db, studentId),
  };
}

/** What comes next for a student, without what was refused and is not over. Nothing is set by it. */
export async function suggestionsFor(
  db: Db,
  studentId: string,
  timeZone: string,
  { homework, learnt, paths, figures, listening }: Known,
): Promise<{ suggestions: Suggestion[]; passed: PassedWork[]; today: number }> {
  const { rows: refused } = await db.query<{ key: string }>(
    'select key from refused where student_id = $1 and until > (now() at time zone $2)::date',
    [studentId, timeZone],
  );
  const today = await dayNow(db, timeZone);
  const { rows: grooves } = await db.query<{ id: string; tempo: number }>(
    'select id, tempo::float8 as tempo from groove where id = any ($1::uuid[])',
    [homework.flatMap(({ groove_id }) => groove_id ?? [])],
  );
  const written = new Map(grooves.map(({ id, tempo }) => [id, tempo]));
  const passed = passedOf(learnt);
  const now: StudentNow = {
    homework: homework.map((one) => workOf(one, { written, learnt, today })),
    kept: passed.filter(({ assignmentId }) => !assignmentId),
    paths: paths.map(walkedOf),
    heat: figures.heat,
    switches: switchesOfMany(figures.takes),
    named: await namedOf(db, studentId),
    ears: heardRight(listening),
    tempo: figures.takes[0]?.tempo ?? null,
  };
  return { suggestions: nextSteps(now, new Set(refused.map(({ key }) => key))), passed, today };
}

/** How many of the last takes have a verdict that names the swing, or the flams. */
async function namedOf(db: Db, studentId: string): Promise<StudentNow['named']> {
  const { rows } = await db.query<{ swing: number; flam: number }>(
    `select (count(*) filter (where verdict_about = 'swing'))::int as swing,
      (count(*) filter (where verdict_about = 'flam'))::int as flam
     from (select k.verdict_about from take k where k.player_id = $1 and ${THAT_COUNTS} order by k.played_at desc
       limit ${TAKES_NAMED}) last`,
    [studentId],
  );
  return rows[0]!;
}

interface WorkKnown {
  /** The tempo each groove is written at. */
  written: ReadonlyMap<string, number>;
  learnt: readonly LearntGroove[];
  today: number;
}

function workOf(one: Homework, { written, learnt, today }: WorkKnown): OpenWork {
  const tries = learnt.find(({ grooveId }) => grooveId === one.groove_id)?.tries ?? [];
  const week = tries.filter(({ day, bpm }) => day > today - 7 && bpm >= one.tempo - 0.001);
  return {
    assignmentId: one.id,
    grooveId: one.groove_id,
    subject: one.subject,
    title: one.title,
    goal: one.tempo,
    step: one.ladder_step ?? USUAL_STEP,
    written: (one.groove_id && written.get(one.groove_id)) || null,
    passTakes: one.pass_takes,
    clean: one.clean,
    passed: one.passed,
    comesBack: one.groove_id !== null && one.bar_from === null,
    weekAtGoal: week.length,
    weekClean: week.filter(({ clean }) => clean).length,
  };
}

/** The share that was right of each subject, over the last sittings. */
const heardRight = (listening: readonly ListeningProgress[]): Map<Subject, number> =>
  new Map(
    listening.map(({ subject, sittings }) => {
      const late = sittings.slice(0, SITTINGS);
      const asked = late.reduce((all, one) => all + one.asked, 0);
      return [subject, asked ? late.reduce((all, one) => all + one.answered, 0) / asked : 0];
    }),
  );

/** Refuses a suggestion for so many weeks, by the workshop's clock. */
export async function refuse(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  { studentId, key, weeks, timeZone }: { studentId: string; key: string; weeks: number; timeZone: string },
): Promise<void> {
  await db.query(
    `insert into refused (student_id, key, workshop_id, refused_by, until)
      values ($1, $2, $3, $4, (now() at time zone $5)::date + 7 * $6::int)
     on conflict (student_id, key) do update set until = excluded.until, refused_by = excluded.refused_by`,
    [studentId, key, teacher.workshop_id, teacher.id, timeZone, weeks],
  );
}
