import type { Subject } from '@/core/documents/listening';
import type { ClickPlanName } from '@/core/time/clickPlan';
import type { Db } from './database';
import type { Person } from './people';

/** What is set to be practised: a groove or some bars of it, or a listening drill; how, how long a day, and why. */
export interface Assignment {
  id: string;
  student_id: string;
  /** Nothing where it is listened to. */
  groove_id: string | null;
  subject: Subject | null;
  /** What it is called: the groove's title, or what is listened to. */
  title: string;
  meter: string | null;
  /** The goal. */
  tempo: number;
  click: ClickPlanName;
  /** A day. */
  minutes: number;
  reason: string;
  /** The first and the last of the bars that are set, from 0; all of them without. */
  bar_from: number | null;
  bar_to: number | null;
  /** Where the ladder up to the goal begins, and its step. */
  ladder_start: number | null;
  ladder_step: number | null;
  /** So many clean takes at the goal and it is passed. */
  pass_takes: number | null;
  due_at: Date | null;
  set_at: Date;
  set_by: string;
  ended_at: Date | null;
}

const COLUMNS = `a.id, a.student_id, a.groove_id, a.subject, coalesce(g.title, 'By ear: ' || a.subject) as title,
  g.meter, a.tempo, a.click, a.minutes,
  a.reason, a.bar_from, a.bar_to, a.ladder_start, a.ladder_step, a.pass_takes, a.due_at, a.set_at, t.name as set_by,
  a.ended_at`;
const FROM = 'from assignment a left join groove g on g.id = a.groove_id join person t on t.id = a.set_by';

/** What is set for a student and not ended, the newest first. */
export async function openAssignments(db: Db, studentId: string): Promise<Assignment[]> {
  return (
    await db.query<Assignment>(
      `select ${COLUMNS} ${FROM} where a.student_id = $1 and a.ended_at is null order by a.set_at desc, a.id`,
      [studentId],
    )
  ).rows;
}

/** How what is set goes. Nothing here was played by the simulated kit, and nothing that was set aside. */
export interface Going {
  /** Sounding time of today by the workshop's clock, and of the last seven days. */
  today_ms: number;
  week_ms: number;
  /** Days of the last seven. */
  days: number;
  takes: number;
  /**
   * Takes at the goal, as it is set now, with nothing to fix; of a listening drill, sittings with four of five right.
   */
  clean: number;
  last_tempo: number | null;
  /** Spread of the first take and of the last, where both are known. */
  first_sd_ms: number | null;
  last_sd_ms: number | null;
  passed: boolean;
}
export type Homework = Assignment & Going;

/** How many of those that were ended a page shows. */
const MOST_ENDED = 12;

/**
 * Right answers of a sitting that count as clean: what is heard four times of five was not guessed (of two, p < 0.06
 * in eight).
 */
const CLEAN_SHARE = 0.8;

/**
 * What is set for students, open or ended, with how it goes: the newest first. Sounding time is that of every take of
 * the groove since it was set, at whatever tempo: the ladder below the goal is practice too.
 */
export async function homework(
  db: Db,
  studentIds: readonly string[],
  { timeZone, ended = false }: { timeZone: string; ended?: boolean },
): Promise<Homework[]> {
  const { rows } = await db.query<Homework>(
    `select ${COLUMNS}, played.*, coalesce(played.clean >= a.pass_takes, false) as passed ${FROM}
     cross join lateral (
       select coalesce(sum(ms) filter (where (at at time zone $2)::date = (now() at time zone $2)::date), 0)::float8
         as today_ms,
         coalesce(sum(ms) filter (where at > now() - interval '7 days'), 0)::float8 as week_ms,
         (count(distinct (at at time zone $2)::date) filter (where at > now() - interval '7 days'))::int as days,
         count(*)::int as takes, (count(*) filter (where is_clean))::int as clean,
         (array_agg(tempo order by at desc) filter (where tempo is not null))[1] as last_tempo,
         (array_agg(sd order by at) filter (where sd is not null))[1] as first_sd_ms,
         (array_agg(sd order by at desc) filter (where sd is not null))[1] as last_sd_ms
       from (
         select k.played_at as at, k.played_ms as ms, k.tempo, k.sd_error_ms as sd,
           k.assignment_id is not distinct from a.id and k.verdict_about = 'clean' and k.tempo >= a.tempo as is_clean
         from take k where k.player_id = a.student_id and k.groove_id = a.groove_id and k.struck_by = 'player'
           and k.set_aside_at is null
           and k.played_at >= a.set_at and k.played_at <= coalesce(a.ended_at, 'infinity')
         union all
         select l.received_at, 0, null, null, l.asked >= 5 and l.answered >= l.asked * ${CLEAN_SHARE}
         from listening l where a.subject is not null and l.player_id = a.student_id and l.subject = a.subject
           and l.received_at >= a.set_at
           and l.received_at <= coalesce(a.ended_at, 'infinity')
       ) one) played
     where a.student_id = any($1::uuid[]) and (a.ended_at is not null) = $3
     order by coalesce(a.ended_at, a.set_at) desc, a.id limit $4`,
    [studentIds, timeZone, ended, ended ? MOST_ENDED : 400],
  );
  return rows;
}

/** How something is to be practised; what is left out is as usual, or not asked. */
export type HowSet = Pick<Assignment, 'tempo' | 'click' | 'minutes' | 'reason'> &
  Partial<Pick<Assignment, 'bar_from' | 'bar_to' | 'ladder_start' | 'ladder_step' | 'pass_takes' | 'due_at'>>;

export type NewAssignment = HowSet &
  Pick<Assignment, 'student_id' | 'groove_id'> &
  Partial<Pick<Assignment, 'subject'>>;

const HOW = [
  'tempo',
  'click',
  'minutes',
  'reason',
  'bar_from',
  'bar_to',
  'ladder_start',
  'ladder_step',
  'pass_takes',
  'due_at',
] as const;
const howValues = (given: HowSet) => HOW.map((name) => given[name] ?? null);

/**
 * Sets something for a student of the teacher's; anybody else's is refused by the database. What stands there already
 * just so is not set again, however often it is sent. Gives its id.
 */
export async function setAssignment(
  db: Db,
  teacher: Pick<Person, 'id' | 'workshop_id'>,
  given: NewAssignment & { id?: string; setAt?: Date },
): Promise<string> {
  const id = given.id ?? crypto.randomUUID();
  // Two that are sent at once come one after another.
  await db.query('select pg_advisory_xact_lock(hashtextextended($1, 0))', [`assignment ${given.student_id}`]);
  const values = howValues(given);
  const same = await db.query<{ id: string }>(
    `select id from assignment where student_id = $1
       and groove_id is not distinct from $2 and subject is not distinct from $3
       and tempo = $4::numeric(6, 3) and click = $5 and minutes = $6 and reason = $7
       and (bar_from, bar_to, ladder_start, ladder_step, pass_takes, due_at) is not distinct from
         ($8::smallint, $9::smallint, $10::numeric(6, 3), $11::numeric(6, 3), $12::smallint, $13::timestamptz)
           and ended_at is null`,
    [given.student_id, given.groove_id, given.subject ?? null, ...values],
  );
  if (same.rows[0] && !given.id) return same.rows[0].id;
  await db.query(
    `insert into assignment (id, workshop_id, student_id, groove_id, subject, set_by, set_at, ${HOW.join(', ')})
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17)`,
    [
      id,
      teacher.workshop_id,
      given.student_id,
      given.groove_id,
      given.subject ?? null,
      teacher.id,
      given.setAt ?? new Date(),
      ...values,
    ],
  );
  return id;
}

/** Changes how something that is set is practised. False when there is none of that id that is open. */
export async function changeAssignment(db: Db, id: string, given: HowSet): Promise<boolean> {
  const { rowCount } = await db.query(
    `update assignment set (${HOW.join(', ')}) = ($2, $3, $4, $5, $6, $7, $8, $9, $10, $11)
      where id = $1 and ended_at is null`,
    [id, ...howValues(given)],
  );
  return rowCount === 1;
}

/** Ends an assignment: it stays in the log and leaves Today. False when there is none of that id to end. */
export async function endAssignment(db: Db, id: string): Promise<boolean> {
  return Boolean(
    (await db.query('update assignment set ended_at = now() where id = $1 and ended_at is null', [id])).rowCount,
  );
}

/** Sets again what was ended. */
export async function setAgain(db: Db, id: string): Promise<boolean> {
  return Boolean(
    (await db.query('update assignment set ended_at = null where id = $1 and ended_at is not null', [id])).rowCount,
  );
}

/**
 * Takes back what was set by mistake, as if it never was; false where something was played for it already: that is
 * ended.
 */
export async function undoAssignment(db: Db, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'delete from assignment where id = $1 and not exists (select from take where assignment_id = $1)',
    [id],
  );
  return rowCount === 1;
}
