import { execFileSync, spawnSync } from 'node:child_process';
import { addDays } from 'date-fns';
import { beforeAll, describe, expect, test } from 'vitest';
import { setAssignment } from './assignments';
import { calendarAt, calendarOf, dropFeed, feedMade, makeFeed } from './calendar';
import { addHoliday, addTime } from './lessonTimes';
import { openLesson, skipLesson } from './lessons';
import { ada, bo, grooveId, seed, teacher, teacherToken } from './testing/seeded';
import { throwAwayDatabase } from './testing/throwAway';

const here = throwAwayDatabase('calendar');
/** A second reader, of another house: Debian's python3-icalendar. */
const PYTHON = '/usr/bin/python3';
const hasReader = spawnSync(PYTHON, ['-c', 'import icalendar']).status === 0;
if (!hasReader) console.error('python3-icalendar is not here: what it reads of a calendar is left out.');

/** Each event as "start in UTC, what", as the other reader has them. */
function readElsewhere(calendar: string): string[] {
  const script = `
import sys, datetime, icalendar
for event in icalendar.Calendar.from_ical(sys.stdin.buffer.read()).walk('VEVENT'):
    at = event['DTSTART'].dt.astimezone(datetime.timezone.utc)
    print(at.strftime('%Y-%m-%dT%H:%M'), str(event['SUMMARY']))`;
  return execFileSync(PYTHON, ['-c', script], { input: calendar }).toString().trim().split('\n');
}

beforeAll(() => seed(here));

describe.each([
  ['Europe/Zurich', ['2026-10-20T14:00', '2026-10-27T15:00', '2026-11-03T15:00']],
  ['America/New_York', ['2026-10-20T20:00', '2026-10-27T20:00', '2026-11-03T21:00']],
])('in %s', (timeZone, starts) => {
  const rows = {
    role: 'student' as const,
    workshop: 'Boathouse',
    settings: { version: 1, timeZone },
    times: [
      {
        id: 't',
        rule: 'FREQ=WEEKLY;INTERVAL=1',
        startsOn: '2026-10-20',
        endsOn: '2026-11-03',
        at: '16:00',
        minutes: 45,
        teacher: 'Oda Ferrant',
        students: ['Ada'],
      },
    ],
    lessons: [],
    due: [],
    holidays: [],
  };

  test.skipIf(!hasReader)('another reader has a lesson at 16:00 on both sides of a clock change', () => {
    expect(readElsewhere(calendarOf(rows, new Date('2026-10-25T12:00Z')))).toEqual(
      starts.map((at) => `${at} Lesson with Oda Ferrant`),
    );
  });
});

describe('the calendar of a person', () => {
  const now = new Date();
  const day = (days: number) => addDays(now, days).toISOString().slice(0, 10);
  let token: string;
  let timeId: string;

  beforeAll(async () => {
    timeId = await here.as(teacherToken, (db) =>
      addTime(db, teacher, {
        rule: 'FREQ=WEEKLY;INTERVAL=1',
        startsOn: day(1),
        endsOn: day(22),
        at: '16:00',
        minutes: 45,
        students: [ada.id, bo.id],
      }),
    );
    await here.as(teacherToken, async (db) => {
      await addHoliday(db, teacher, { name: 'Ice on the lake', from: day(8), to: day(8) });
      const lesson = await openLesson(db, teacher, { timeId, day: day(15) }, 'UTC');
      await skipLesson(db, lesson!, true);
      await setAssignment(db, teacher, {
        student_id: ada.id,
        groove_id: grooveId,
        tempo: 72,
        click: 'counts',
        minutes: 10,
        reason: '',
        due_at: addDays(now, 2),
      });
    });
    token = await here.as(ada.token, async (db) => makeFeed(db, { id: ada.id, workshop_id: teacher.workshop_id }));
  });

  const titles = async (at: string) =>
    [...((await calendarAt(at, now)) ?? '').matchAll(/SUMMARY:(.*)\r/g)].map(([, one]) => one);

  test('has what takes place and what is due, without holidays and what is skipped, and nobody else’s name', async () => {
    const calendar = (await calendarAt(token, now))!;
    expect(await titles(token)).toEqual([
      `Lesson with ${teacher.name}`,
      `Lesson with ${teacher.name}`,
      'Due: Slow crossing',
    ]);
    expect(calendar).not.toContain('Bo');
    expect(calendar).toContain(`UID:${timeId}-${day(1)}@mochila`);
  });

  test('of a teacher names who comes', async () => {
    const theirs = await here.as(teacherToken, (db) => makeFeed(db, teacher));
    expect(await titles(theirs)).toEqual(['Lesson: Ada\\, Bo', 'Lesson: Ada\\, Bo', 'Due: Slow crossing (Ada)']);
  });

  test('is nobody’s at another address, nor once it was taken back or made anew', async () => {
    expect(await calendarAt('nothing', now)).toBeUndefined();
    expect(await calendarAt('x'.repeat(43), now)).toBeUndefined();
    const anew = await here.as(ada.token, (db) => makeFeed(db, { id: ada.id, workshop_id: teacher.workshop_id }));
    expect(await calendarAt(token, now)).toBeUndefined();
    expect(await calendarAt(anew, now)).toBeDefined();
    expect(await here.as(ada.token, (db) => feedMade(db, ada))).toBeInstanceOf(Date);
    expect(await here.as(bo.token, (db) => feedMade(db, ada))).toBeUndefined();
    await here.as(bo.token, (db) => dropFeed(db, ada));
    expect(await calendarAt(anew, now)).toBeDefined();
    await here.as(ada.token, (db) => dropFeed(db, ada));
    expect(await calendarAt(anew, now)).toBeUndefined();
  });
});
