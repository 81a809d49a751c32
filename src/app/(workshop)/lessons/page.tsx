import { addDays, startOfISOWeek } from 'date-fns';
import { z } from 'zod';
import { instantOf, onClock } from '@/core/plan/agenda';
import { WeekPage } from '@/features/lessons/WeekPage';
import { agenda, holidays, timesOfTeacher } from '@/server/lessonTimes';
import { students } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { askedOnce } from '@/ui/asked';

export const metadata = { title: 'Lessons' };

/** More students than these are found by their page. */
const MOST_CHOICES = 200;

/** The Monday of a day's week, as a day; so many weeks on. */
function mondayOf(day: string, weeks = 0): string {
  // By noon of a zone without a clock that changes: only the date counts.
  const monday = addDays(startOfISOWeek(new Date(`${day}T12:00:00`)), 7 * weeks);
  return onClock(new Date(Date.UTC(monday.getFullYear(), monday.getMonth(), monday.getDate())), 'UTC').day;
}

export default async function LessonsPage({ searchParams }: { searchParams: Promise<{ week?: string }> }) {
  const teacher = await requireTeacher();
  const { timeZone } = teacher.settings;
  const today = onClock(new Date(), timeZone).day;
  // Of this century: others no lesson is in.
  const asked = z.iso
    .date()
    .startsWith('20')
    .safeParse((await askedOnce(searchParams)).week).data;
  const monday = mondayOf(asked ?? today);
  const after = mondayOf(monday, 1);
  const span = { from: instantOf(monday, '00:00', timeZone), to: instantOf(after, '00:00', timeZone) };
  return asPerson(async (db) => (
    <WeekPage
      entries={await agenda(db, { teacherId: teacher.id }, span, timeZone)}
      week={{ monday, before: mondayOf(monday, -1), after, isNow: monday === mondayOf(today) }}
      today={today}
      times={await timesOfTeacher(db, teacher.id)}
      students={(await students(db, { most: MOST_CHOICES })).students.map(({ id, name }) => ({ id, name }))}
      holidays={(await holidays(db)).filter(({ to }) => to >= today)}
      timeZone={timeZone}
      isOwner={teacher.is_owner}
    />
  ));
}
