import { notFound } from 'next/navigation';
import { z } from 'zod';
import { dueChoicesOf } from '@/features/homework/dueChoices';
import { homeworkChoices } from '@/features/homework/homeworkChoices';
import { HomeworkSection } from '@/features/homework/HomeworkSection';
import { DRILL } from '@/features/homework/shapes';
import { Sharing } from '@/features/people/Sharing';
import { StudentPage } from '@/features/people/StudentPage';
import { homework } from '@/server/assignments';
import { drillChoices } from '@/server/drills';
import { grooves } from '@/server/grooves';
import { invitationOf } from '@/server/invitations';
import { lessonsOf } from '@/server/lessons';
import { upcoming } from '@/server/lessonTimes';
import { listeningOf } from '@/server/listening';
import { studentNews } from '@/server/news';
import { student, teachers, teachersOf } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { figuresOfStudent } from '@/server/takeFigures';
import { takes } from '@/server/takes';
import { askedOnce } from '@/ui/asked';
import { readerOf } from '@/ui/reader';

export const metadata = { title: 'Student' };

/** Lessons that stand on the page itself. */
const MOST_LESSONS_SHOWN = 6;

interface PersonPageProps {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ drill?: string }>;
}

export default async function PersonPage({ params, searchParams }: PersonPageProps) {
  const teacher = await requireTeacher();
  const id = z.uuid().safeParse((await params).id);
  if (!id.success) notFound();
  const { drill } = await askedOnce(searchParams);
  const { timeZone } = teacher.settings;
  return asPerson(async (db) => {
    const found = await student(db, id.data);
    if (!found) notFound();
    const coming = await upcoming(db, found.id, new Date(), timeZone);
    const colleagues = (await teachers(db)).filter(({ archived }) => !archived);
    return (
      <StudentPage
        student={found}
        reader={readerOf(teacher)}
        news={(await studentNews(db, { timeZone, ids: [found.id] })).students[0]}
        next={coming[0]?.startsAt}
        lessons={await lessonsOf(db, found.id, MOST_LESSONS_SHOWN)}
        homework={
          <HomeworkSection
            key={drill}
            students={[found]}
            homework={await homework(db, [found.id], { timeZone })}
            ended={await homework(db, [found.id], { timeZone, ended: true })}
            choices={homeworkChoices(await grooves(db), await drillChoices(db))}
            due={dueChoicesOf(coming, timeZone)}
            timeZone={timeZone}
            chosen={drill && `${DRILL}${drill}`}
            canSet={!found.archived}
          />
        }
        sharing={
          colleagues.length > 1 && (
            <Sharing student={found} teachers={colleagues} shared={await teachersOf(db, found.id)} />
          )
        }
        openUntil={(await invitationOf(db, found.id))?.expires_at}
        figures={await figuresOfStudent(db, found.id)}
        listening={await listeningOf(db, found.id)}
        takes={await takes(db, { playerId: found.id })}
      />
    );
  });
}
