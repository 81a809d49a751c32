import { expect, test, vi } from 'vitest';
import { readSettings } from '@/core/documents/settings';
import { daysSpan } from '@/core/plan/agenda';
import { homework, openAssignments } from '../assignments';
import { drills } from '../drills';
import { openSession } from '../door';
import { grooves } from '../grooves';
import { events } from '../events';
import { agenda, upcoming } from '../lessonTimes';
import { lastWords, studentNews, wanting } from '../news';
import { signedInPerson, students } from '../people';
import { takes } from '../takes';
import { DEMO_NOW as NOW } from '../testing/templates';
import { throwAwayDatabase } from '../testing/throwAway';
import { fillVolume, volumeFrom } from './volume';

const here = throwAwayDatabase('volume', 'demo');
const count = async (what: string) => Number((await here.owner.query(`select count(*) as n from ${what}`)).rows[0].n);

/** How often each list asks the database, and how many rows it then has. */
async function asked(token: string) {
  return here.as(token, async (db) => {
    const query = vi.spyOn(db, 'query');
    const person = (await signedInPerson(db))!;
    const { timeZone } = readSettings({}).settings;
    const lists: Record<string, () => Promise<unknown>> = {
      Today: () => studentNews(db, { timeZone }),
      'wants an eye': () => wanting(db),
      'lessons today': () => agenda(db, { teacherId: person.id }, daysSpan(NOW, timeZone), timeZone),
      'the next lessons of one': () => upcoming(db, person.id, NOW, timeZone),
      'last words': () => lastWords(db, [person.id]),
      homework: () => homework(db, [person.id], { timeZone }),
      changes: () => events(db),
      People: () => students(db),
      Log: () => takes(db),
      Grooves: () => grooves(db),
      Drills: () => drills(db),
      'what is set': () => openAssignments(db, person.id),
    };
    const numbers: Record<string, number> = {};
    for (const [name, list] of Object.entries(lists)) {
      query.mockClear();
      await list();
      numbers[name] = query.mock.calls.length;
    }
    query.mockRestore();
    return numbers;
  });
}

test('a workshop is brought up to so many; lists ask as often as with six', async () => {
  const teacher = (await here.owner.query<{ id: string }>(`select id from person where is_owner`)).rows[0]!.id;
  const token = await openSession(teacher);
  const before = await asked(token);
  expect(Object.values(before).every((queries) => queries >= 1 && queries <= 3)).toBe(true);

  await fillVolume(here.ownerUrl, { students: 60, takes: 500, lines: 900 }, NOW);
  await fillVolume(here.ownerUrl, { students: 60, takes: 500, lines: 900 }, NOW);
  expect([await count(`person where role = 'student'`), await count('take')]).toEqual([60, 500]);
  expect(await count('event')).toBeGreaterThanOrEqual(900);
  // Each take keeps its figures by place, and each student has something set.
  expect(await count('take where not exists (select from take_place where take_id = take.id)')).toBe(0);
  expect(
    await count(
      `person where role = 'student' and not exists (select from assignment where student_id = person.id and ended_at is null)`,
    ),
  ).toBe(0);
  expect(await asked(token)).toEqual(before);
});

test.each(['', '5', 'many,more', '5,-1', '99999999,1', '30000,1'])('“%s” is no volume', (text) => {
  expect(() => volumeFrom(text)).toThrow(/no volume/);
});

test('a volume is students and takes', () => {
  expect(volumeFrom(' 200, 5000 ')).toEqual({ students: 200, takes: 5000, lines: 0 });
  expect(volumeFrom('2000,200000,1000000').lines).toBe(1_000_000);
});
