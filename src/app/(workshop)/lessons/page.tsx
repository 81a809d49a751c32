import { z } from 'zod';
import { clockOf } from '@/core/documents/settings';
import { instantOf, onClock, weekOf } from '@/core/plan/agenda';
import { WeekPage } from '@/features/lessons/WeekPage';
import { agenda, holidays, timesOfTeacher } from '@/server/lessonTimes';
import { students } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { askedOnce } from '@/ui/asked';

export const metadata = { title: 'Lessons' };

/** More students than these are found by their page. */
const MOST_CHOICES = 200;

export default async function LessonsPage({ searchParams }: { searchParams: Promise<{ week?: string }> }) {
  const teacher = await requireTeacher();
  const { timeZone, weekStart } = teacher.settings;
  const today = onClock(new Date(), timeZone).day;
  // Of this century: others no lesson is in.
  const asked = z.iso
    .date()
    .startsWith('20')
    .safeParse((await askedOnce(searchParams)).week).data;
  const from = weekOf(asked ?? today, weekStart);
  const after = weekOf(from, weekStart, 1);
  const span = { from: instantOf(from, '00:00', timeZone), to: instantOf(after, '00:00', timeZone) };
  return asPerson(async (db) => (
    <WeekPage
      entries={await agenda(db, { teacherId: teacher.id }, span, timeZone)}
      week={{ from, before: weekOf(from, weekStart, -1), after, isNow: from === weekOf(today, weekStart) }}
      today={today}
      times={await timesOfTeacher(db, teacher.id)}
      students={(await students(db, { most: MOST_CHOICES })).students.map(({ id, name }) => ({ id, name }))}
      holidays={(await holidays(db)).filter(({ to }) => to >= today)}
      clock={clockOf(teacher.settings)}
      isOwner={teacher.is_owner}
    />
  ));
}
