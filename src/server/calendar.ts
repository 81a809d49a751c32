import { randomBytes } from 'node:crypto';
import { addDays } from 'date-fns';
import { createEvents, type EventAttributes } from 'ics';
import { readSettings } from '@/core/documents/settings';
import { agendaOf, type DatedLesson, type Holiday, type LessonTime } from '@/core/plan/agenda';
import { doorPool, type Db } from './database';
import { tokenHash } from './door';
import type { LessonState } from './lessonTimes';
import type { Person } from './people';

/** How far a calendar looks back and ahead, in days: what is farther off may still be changed. */
const BACK_DAYS = 60;
const AHEAD_DAYS = 190;
/** What is due has no length; calendars want one. */
const DUE_MINUTES = 15;

type Named = { teacher: string; students: string[] };

/** What the database tells whoever has the address of a calendar. */
interface CalendarRows {
  role: 'teacher' | 'student';
  workshop: string;
  settings: unknown;
  times: (Omit<LessonTime, 'endsOn'> & Named & { endsOn: string | null })[];
  lessons: (Omit<DatedLesson, 'startsAt' | 'timeId' | 'ofDay'> &
    Named & { startsAt: string; timeId: string | null; ofDay: string | null; state: LessonState })[];
  due: { id: string; dueAt: string; title: string; student: string }[];
  holidays: Holiday[];
}

/**
 * Makes the address of the person's calendar anew, in place of the one before, and gives what stands at its end: it
 * is shown once.
 */
export async function makeFeed(db: Db, person: Pick<Person, 'id' | 'workshop_id'>): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await dropFeed(db, person);
  await db.query('insert into feed (person_id, workshop_id, token_hash) values ($1, $2, $3)', [
    person.id,
    person.workshop_id,
    tokenHash(token),
  ]);
  return token;
}

/** Takes the address back: nobody reads it any more. */
export async function dropFeed(db: Db, { id }: Pick<Person, 'id'>): Promise<void> {
  await db.query('delete from feed where person_id = $1', [id]);
}

/** When the person's address was made; undefined where there is none. */
export async function feedMade(db: Db, { id }: Pick<Person, 'id'>): Promise<Date | undefined> {
  const { rows } = await db.query<{ made_at: Date }>('select made_at from feed where person_id = $1', [id]);
  return rows[0]?.made_at;
}

/**
 * The calendar at an address as a file (RFC 5545), its times in UTC; undefined where the address is none, or was
 * taken back.
 */
export async function calendarAt(token: string, now: Date): Promise<string | undefined> {
  if (!/^[\w-]{43}$/.test(token)) return undefined;
  const { rows } = await doorPool().query<{ calendar: CalendarRows | null }>('select door_calendar($1) as calendar', [
    token,
  ]);
  return rows[0]?.calendar ? calendarOf(rows[0].calendar, now) : undefined;
}

/**
 * The lessons and what is due as a calendar. Every lesson is written with its instant, so that it stays at its hour
 * of the workshop's clock.
 */
export function calendarOf(rows: CalendarRows, now: Date): string {
  const { timeZone } = readSettings(rows.settings).settings;
  const span = { from: addDays(now, -BACK_DAYS), to: addDays(now, AHEAD_DAYS) };
  const entries = agendaOf(
    {
      times: rows.times.map(({ endsOn, ...time }) => ({ ...time, ...(endsOn && { endsOn }) })),
      lessons: rows.lessons.map(({ startsAt, timeId, ofDay, ...lesson }) => ({
        ...lesson,
        startsAt: new Date(startsAt),
        ...(timeId && { timeId }),
        ...(ofDay && { ofDay }),
      })),
      holidays: rows.holidays,
    },
    span,
    timeZone,
  ).filter(({ holiday, lesson }) => !holiday && lesson?.state !== 'skipped');
  const isTeacher = rows.role === 'teacher';
  const lessons = entries.map(({ startsAt, endsAt, lesson, time, ofDay }): EventAttributes => {
    const { teacher, students } = lesson ?? time!;
    return {
      // The same wherever it is moved to, so that a calendar moves it too.
      uid: `${time && ofDay ? `${time.id}-${ofDay}` : lesson!.id}@mochila`,
      title: isTeacher ? `Lesson: ${students.join(', ')}` : `Lesson with ${teacher}`,
      location: rows.workshop,
      ...inUtc(startsAt),
      end: partsOf(endsAt),
      endInputType: 'utc',
    };
  });
  const due = rows.due.map(({ id, dueAt, title, student }): EventAttributes => {
    const at = new Date(dueAt);
    return {
      uid: `due-${id}@mochila`,
      title: isTeacher ? `Due: ${title} (${student})` : `Due: ${title}`,
      ...inUtc(at),
      duration: { minutes: DUE_MINUTES },
    };
  });
  const { value, error } = createEvents([...lessons, ...due], { calName: rows.workshop, productId: 'mochila' });
  if (error || !value) throw error ?? new Error('The calendar could not be written');
  return value;
}

const partsOf = (date: Date): [number, number, number, number, number] => [
  date.getUTCFullYear(),
  date.getUTCMonth() + 1,
  date.getUTCDate(),
  date.getUTCHours(),
  date.getUTCMinutes(),
];

const inUtc = (date: Date) =>
  ({ start: partsOf(date), startInputType: 'utc', startOutputType: 'utc', endOutputType: 'utc' }) as const;
