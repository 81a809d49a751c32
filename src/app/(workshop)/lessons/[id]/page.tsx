import { notFound } from 'next/navigation';
import { z } from 'zod';
import { clockOf } from '@/core/documents/settings';
import { dueChoicesOf } from '@/features/homework/dueChoices';
import { homeworkChoices } from '@/features/homework/homeworkChoices';
import { HomeworkSection } from '@/features/homework/HomeworkSection';
import { opensChoices } from '@/features/lessons/choices';
import { LessonPage } from '@/features/lessons/LessonPage';
import { homework } from '@/server/assignments';
import { drillChoices } from '@/server/drills';
import { grooves } from '@/server/grooves';
import { lesson } from '@/server/lessons';
import { upcoming } from '@/server/lessonTimes';
import { lessonTemplates } from '@/server/lessonTemplates';
import { lastWords } from '@/server/news';
import { asPerson, requireTeacher } from '@/server/session';
import { chartChoices } from '@/server/tuneCharts';
import { tunes } from '@/server/tunes';

export const metadata = { title: 'Lesson' };

export default async function OneLessonPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const id = z.uuid().safeParse((await params).id);
  if (!id.success) notFound();
  const { timeZone } = teacher.settings;
  const clock = clockOf(teacher.settings);
  return asPerson(async (db) => {
    const found = await lesson(db, id.data);
    if (!found) notFound();
    const ids = found.students.map((one) => one.id);
    const [shelf, drills, charts] = [await grooves(db), await drillChoices(db), await chartChoices(db)];
    const words = await lastWords(db, ids);
    const next = ids[0]
      ? await upcoming(db, ids[0], new Date(Math.max(Date.now(), found.starts_at.getTime() + 60_000)), timeZone)
      : [];
    return (
      <LessonPage
        lesson={found}
        clock={clock}
        choices={opensChoices(shelf, drills, charts)}
        templates={await lessonTemplates(db)}
        last={found.students.flatMap(({ id: whose, name }) => {
          const last = words.get(whose);
          return last && last.at < found.starts_at ? [{ name, ...last }] : [];
        })}
        homework={
          <HomeworkSection
            students={found.students}
            homework={await homework(db, ids, { timeZone })}
            choices={homeworkChoices(shelf, drills, await tunes(db), charts)}
            due={dueChoicesOf(next, clock)}
            clock={clock}
            canSet={found.state !== 'skipped'}
          />
        }
      />
    );
  });
}
