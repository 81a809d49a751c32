import { notFound } from 'next/navigation';
import { z } from 'zod';
import { clockOf } from '@/core/documents/settings';
import { dueChoicesOf } from '@/features/homework/dueChoices';
import { homeworkChoices } from '@/features/homework/homeworkChoices';
import { HomeworkSection } from '@/features/homework/HomeworkSection';
import { DRILL } from '@/features/homework/shapes';
import { InviteByMail } from '@/features/mail/InviteByMail';
import { StudentPaths } from '@/features/paths/StudentPaths';
import { NextSteps } from '@/features/plan/NextSteps';
import { TunesReached } from '@/features/tunes/TunesReached';
import { Sharing } from '@/features/people/Sharing';
import { StudentPage } from '@/features/people/StudentPage';
import { homework } from '@/server/assignments';
import { drillChoices } from '@/server/drills';
import { grooves } from '@/server/grooves';
import { invitationOf } from '@/server/invitations';
import { lessonsOf } from '@/server/lessons';
import { upcoming } from '@/server/lessonTimes';
import { reachedOf } from '@/server/learnt';
import { studentNews } from '@/server/news';
import { knownOf, suggestionsFor } from '@/server/nextSteps';
import { paths } from '@/server/paths';
import { student } from '@/server/people';
import { teachers, teachersOf } from '@/server/teachers';
import { asPerson, requireTeacher } from '@/server/session';
import { takes } from '@/server/takes';
import { chartChoices } from '@/server/tuneCharts';
import { tunes, tunesFor } from '@/server/tunes';
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
  const clock = clockOf(teacher.settings);
  return asPerson(async (db) => {
    const found = await student(db, id.data);
    if (!found) notFound();
    const coming = await upcoming(db, found.id, new Date(), timeZone);
    const known = await knownOf(db, found.id, timeZone);
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
            homework={known.homework}
            ended={await homework(db, [found.id], { timeZone, ended: true })}
            choices={homeworkChoices(
              await grooves(db),
              await drillChoices(db),
              await tunes(db),
              await chartChoices(db),
            )}
            due={dueChoicesOf(coming, clock)}
            clock={clock}
            chosen={drill && `${DRILL}${drill}`}
            canSet={!found.archived}
          />
        }
        comesNext={
          !found.archived && (
            <>
              <NextSteps
                student={found}
                reader={readerOf(teacher)}
                {...await suggestionsFor(db, found.id, timeZone, known)}
              />
              <StudentPaths
                studentId={found.id}
                walked={known.paths}
                all={(await paths(db))
                  .filter(({ archived }) => !archived)
                  .map(({ id: one, name }) => ({ id: one, name }))}
              />
              <TunesReached tunes={await tunesFor(db, reachedOf(known.learnt))} name={found.name} />
            </>
          )
        }
        sharing={
          colleagues.length > 1 && (
            <Sharing student={found} teachers={colleagues} shared={await teachersOf(db, found.id)} />
          )
        }
        byMail={<InviteByMail id={found.id} />}
        openUntil={(await invitationOf(db, found.id))?.expires_at}
        figures={known.figures}
        listening={known.listening}
        takes={await takes(db, { playerId: found.id })}
      />
    );
  });
}
