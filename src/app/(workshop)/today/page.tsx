import { StudentToday } from '@/features/today/StudentToday';
import { TeacherToday } from '@/features/today/TeacherToday';
import { openAssignments } from '@/server/assignments';
import { grooves } from '@/server/grooves';
import { studentNews } from '@/server/news';
import { asPerson, requirePerson } from '@/server/session';
import { takes } from '@/server/takes';

export const metadata = { title: 'Today' };

export default async function TodayPage() {
  const who = await requirePerson();
  if (who.role === 'teacher') return <TeacherToday news={await asPerson(studentNews)} workshop={who.workshop} />;
  return asPerson(async (db) => {
    const shelf = new Map((await grooves(db)).map((groove) => [groove.id, groove]));
    const set = (await openAssignments(db, who.id)).map((one) => ({ ...one, groove: shelf.get(one.groove_id)! }));
    return <StudentToday student={who} assignments={set} recent={await takes(db, { playerId: who.id, most: 5 })} />;
  });
}
