import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { z } from 'zod';
import { Handout } from '@/features/handouts/Handout';
import { handoutOptions } from '@/features/handouts/options';
import { pieceOf } from '@/features/handouts/pieceOf';
import { openAssignments } from '@/server/assignments';
import { groovesOf } from '@/server/grooves';
import { lesson } from '@/server/lessons';
import { canMakePdf, ORIGIN_HEADER } from '@/server/pdf';
import { student } from '@/server/people';
import { asPerson, requirePerson } from '@/server/session';
import { clockOf } from '@/core/documents/settings';
import { askedOnce } from '@/ui/asked';
import { dayInWords } from '@/ui/words/dates';
import { namesInWords, opening } from '@/ui/words/text';

interface LessonHandoutProps {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[]>>;
}

/** A lesson, who comes to it, what is set for them and what it opened. */
const onSheet = cache(async (id: string) => {
  const who = await requirePerson();
  const lessonId = z.uuid().safeParse(id).data;
  if (!lessonId) return undefined;
  return asPerson(async (db) => {
    const one = await lesson(db, lessonId);
    if (!one) return undefined;
    const whose =
      who.role === 'student'
        ? [who]
        : (await Promise.all(one.students.map((each) => student(db, each.id)))).filter((each) => each !== undefined);
    const set = (await Promise.all(whose.map((each) => openAssignments(db, each.id)))).flat();
    const opened = one.plan.ok
      ? one.plan.value.steps.flatMap(({ opens }) => (opens && 'id' in opens ? [opens.id] : []))
      : [];
    const grooveIds = [...new Set([...set.flatMap(({ groove_id }) => groove_id ?? []), ...opened])];
    return { one, whose, set, stored: await groovesOf(db, grooveIds) };
  });
});

/** Browsers call by it what they print. */
export async function generateMetadata({ params }: LessonHandoutProps) {
  const sheet = await onSheet((await params).id);
  return { title: sheet ? `Lesson, ${namesInWords(sheet.whose.map(({ name }) => name))}` : 'Lesson' };
}

/** A whole lesson on paper: its steps, what it opened, and the homework of who comes. */
export default async function LessonHandout({ params, searchParams }: LessonHandoutProps) {
  const who = await requirePerson();
  const asked = await askedOnce<string>(searchParams);
  const found = await onSheet((await params).id);
  if (!found) notFound();
  const { one, whose, set, stored } = found;
  const reader = whose[0] ?? who;
  const ofSet = set.flatMap((each) => {
    const played = stored.find((row) => row.id === each.groove_id);
    return (played && pieceOf(played, reader.setup, each)) ?? [];
  });
  // What was opened and not set stands by itself.
  const others = stored.filter((row) => !set.some(({ groove_id }) => groove_id === row.id));
  return (
    <Handout
      content={{
        title: 'Lesson',
        name: namesInWords(whose.map(({ name }) => name)),
        date: dayInWords(one.starts_at, clockOf(who.settings)),
        workshop: who.workshop,
        school: reader.school,
        steps: one.plan.ok
          ? one.plan.value.steps.map(({ title, kind, opens, minutes }) => ({
              title: title || [opening(kind), opens && 'title' in opens && opens.title].filter(Boolean).join(': '),
              minutes,
            }))
          : [],
        takenHome: one.words,
        pieces: [...ofSet, ...others.flatMap((row) => pieceOf(row, reader.setup) ?? [])],
      }}
      options={handoutOptions(asked)}
      hasPdf={canMakePdf()}
      origin={(await headers()).get(ORIGIN_HEADER) ?? undefined}
    />
  );
}
