import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { z } from 'zod';
import { Handout } from '@/features/handouts/Handout';
import { handoutOptions } from '@/features/handouts/options';
import { pieceOf } from '@/features/handouts/pieceOf';
import { openAssignments } from '@/server/assignments';
import { groove } from '@/server/grooves';
import { canMakePdf, ORIGIN_HEADER } from '@/server/pdf';
import { student } from '@/server/people';
import { asPerson, requirePerson } from '@/server/session';
import { askedOnce } from '@/ui/asked';
import { Unreadable } from '@/ui/Unreadable';

interface HandoutPageProps {
  params: Promise<{ groove: string }>;
  searchParams: Promise<Record<string, string | string[]>>;
}

/** What is on the sheet: a groove, and whose it is where it is somebody's. */
const onSheet = cache(async (id: string, forId: unknown, setId: unknown) => {
  const who = await requirePerson();
  const [grooveId, whoseId, assignmentId] = [id, forId, setId].map((one) => z.uuid().safeParse(one).data);
  if (!grooveId) return undefined;
  return asPerson(async (db) => {
    const asksFor = who.role === 'teacher' && whoseId ? await student(db, whoseId) : undefined;
    const whose = who.role === 'student' ? who : asksFor;
    const open = whose ? await openAssignments(db, whose.id) : [];
    const found = await groove(db, grooveId);
    return found && { found, whose, set: open.find((one) => one.id === assignmentId && one.groove_id === grooveId) };
  });
});

/** Browsers call by it what they print. */
export async function generateMetadata({ params, searchParams }: HandoutPageProps) {
  const asked = await askedOnce<string>(searchParams);
  const sheet = await onSheet((await params).groove, asked.for, asked.set);
  return { title: [sheet?.found.title ?? 'Handout', sheet?.whose?.name].filter(Boolean).join(', ') };
}

/** A groove, drill or chart on paper, for nobody in particular or as it is set for a student. */
export default async function GrooveHandout({ params, searchParams }: HandoutPageProps) {
  const who = await requirePerson();
  const asked = await askedOnce<string>(searchParams);
  const sheet = await onSheet((await params).groove, asked.for, asked.set);
  if (!sheet) notFound();
  const { found, whose, set } = sheet;
  const { content } = found;
  if ('unreadable' in content) return <Unreadable what="This groove" problem={content.unreadable} />;
  const reader = whose ?? who;
  return (
    <Handout
      content={{
        title: found.title,
        name: whose?.name,
        workshop: who.workshop,
        school: reader.school,
        pieces: [pieceOf(found, reader.setup, set)!],
      }}
      options={handoutOptions(asked)}
      hasPdf={canMakePdf()}
      origin={(await headers()).get(ORIGIN_HEADER) ?? undefined}
    />
  );
}
