import { clockOf } from '@/core/documents/settings';
import { daysSpan } from '@/core/plan/agenda';
import { groupBy } from '@/core/stats/groupBy';
import { OpenLesson } from '@/features/lessons/OpenLesson';
import { OwnPaths } from '@/features/paths/OwnPaths';
import { DayPlanSection } from '@/features/plan/DayPlanSection';
import { LessonsToday } from '@/features/today/LessonsToday';
import { StudentToday } from '@/features/today/StudentToday';
import { TeacherToday } from '@/features/today/TeacherToday';
import { TunesReached } from '@/features/tunes/TunesReached';
import { WantsAnEye } from '@/features/today/WantsAnEye';
import { backupOverdue } from '@/features/workshop/backup';
import { homework } from '@/server/assignments';
import { planOfToday } from '@/server/dayPlans';
import { groovesOf } from '@/server/grooves';
import { learntBy, reachedOf } from '@/server/learnt';
import { lessonsOf } from '@/server/lessons';
import { agenda, upcoming } from '@/server/lessonTimes';
import { lastWords, studentNews, wanting } from '@/server/news';
import type { Person } from '@/server/people';
import { walkedBy } from '@/server/paths';
import { asPerson, requirePerson } from '@/server/session';
import { takes } from '@/server/takes';
import { tunesFor } from '@/server/tunes';
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
  return who.role === 'teacher' ? ofTeacher(who, askedOf(await askedOnce(searchParams))) : ofStudent(who);
}

async function ofTeacher(who: Person, asked: { words: string; from: number }) {
  const { timeZone, backupDays } = who.settings;
  const reader = readerOf(who);
  return asPerson(async (db) => {
    const entries = await agenda(db, { teacherId: who.id }, daysSpan(new Date(), timeZone), timeZone);
    const ids = [
      ...new Set(entries.flatMap(({ lesson, time }) => (lesson?.students ?? time!.students).map(({ id }) => id))),
    ];
    const { students: come } = await studentNews(db, { timeZone, ids });
    const known = {
      news: new Map(come.map((one) => [one.id, one])),
      homework: groupBy(await homework(db, ids, { timeZone }), ({ student_id }) => student_id),
      words: await lastWords(db, ids),
    };
    // The demo is made anew in a minute; nobody wants a backup of it.
    const isKept = !who.is_demo && who.is_owner;
    return (
      <TeacherToday
        news={await studentNews(db, { timeZone, ...asked })}
        asked={asked}
        workshop={who.workshop}
        reader={reader}
        backupOverdue={isKept ? backupOverdue(await lastBackup(db), backupDays, new Date()) : undefined}
      >
        <LessonsToday
          entries={entries}
          known={known}
          reader={reader}
          openLesson={(timeId, day, whose) => <OpenLesson timeId={timeId} day={day} who={whose} variant="outlined" />}
        />
        <WantsAnEye wanting={await wanting(db)} clock={clockOf(who.settings)} />
      </TeacherToday>
    );
  });
}

async function ofStudent(who: Person) {
  const { timeZone } = who.settings;
  return asPerson(async (db) => {
    const set = await homework(db, [who.id], { timeZone });
    // Only the first whose minutes are not done is drawn, so only its notes are read.
    const played = set.filter(({ groove_id }) => groove_id);
    const drawn = (played.find(({ today_ms, minutes }) => today_ms < minutes * 60_000) ?? played[0])?.groove_id;
    const recent = await takes(db, { playerId: who.id, most: 5 });
    const learnt = await learntBy(db, who.id, timeZone);
    const planned = await planOfToday(db, who.id, timeZone);
    const [first] = drawn ? await groovesOf(db, [drawn]) : [];
    return (
      <StudentToday
        student={who}
        homework={set}
        first={first}
        next={(await upcoming(db, who.id, new Date(), timeZone, 1))[0]?.startsAt}
        last={(await lessonsOf(db, who.id, 1))[0]}
        plan={<DayPlanSection planned={planned} hasWork={set.length > 0 || recent.length > 0} />}
        reached={
          <>
            <OwnPaths walked={await walkedBy(db, who.id, learnt)} />
            <TunesReached tunes={await tunesFor(db, reachedOf(learnt))} />
          </>
        }
        isPlanned={planned?.plan.ok === true}
        recent={recent}
      />
    );
  });
}
