import { backupOverdue } from '@/features/workshop/backup';
import { StudentToday } from '@/features/today/StudentToday';
import { TeacherToday } from '@/features/today/TeacherToday';
import { openAssignments } from '@/server/assignments';
import { groovesOf } from '@/server/grooves';
import { studentNews } from '@/server/news';
import { asPerson, requirePerson } from '@/server/session';
import { takes } from '@/server/takes';
import { lastBackup } from '@/server/workshop';
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
    const { timeZone, backupDays } = who.settings;
    const [news, last] = await asPerson(async (db) => [
      await studentNews(db, { timeZone, ...asked }),
      await lastBackup(db),
    ]);
    // The demo is made anew in a minute; nobody wants a backup of it.
    const overdue = process.env.MOCHILA_DEMO === '1' ? undefined : backupOverdue(last, backupDays, new Date());
    return (
      <TeacherToday news={news} asked={asked} workshop={who.workshop} reader={readerOf(who)} backupOverdue={overdue} />
    );
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
