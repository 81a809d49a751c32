import { StudentToday } from '@/features/today/StudentToday';
import { TeacherToday } from '@/features/today/TeacherToday';
import { openAssignments } from '@/server/assignments';
import { groovesOf } from '@/server/grooves';
import { studentNews } from '@/server/news';
import { asPerson, requirePerson } from '@/server/session';
import { takes } from '@/server/takes';
import { askedOnce } from '@/ui/asked';
import { askedOf } from '@/ui/FindByName';
import { readerOf } from '@/ui/reader';

export const metadata = { title: 'Today' };

interface TodayPageProps {
  searchParams: Promise<{ name?: string; from?: string }>;
}

export default async function TodayPage({ searchParams }: TodayPageProps) {
  const who = await requirePerson();
  if (who.role === 'teacher') {
    const asked = askedOf(await askedOnce(searchParams));
    const news = await asPerson((db) => studentNews(db, { timeZone: who.settings.timeZone, ...asked }));
    return <TeacherToday news={news} asked={asked} workshop={who.workshop} reader={readerOf(who)} />;
  }
  return asPerson(async (db) => {
    const set = await openAssignments(db, who.id);
    // Only the first is drawn, so only its notes are read.
    const [first] = set[0] ? await groovesOf(db, [set[0].groove_id]) : [];
    return (
      <StudentToday
        student={who}
        assignments={set}
        first={first}
        recent={await takes(db, { playerId: who.id, most: 5 })}
      />
    );
  });
}
