import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
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

export const metadata = { title: 'Handout' };

interface HandoutPageProps {
  params: Promise<{ groove: string }>;
  searchParams: Promise<Record<string, string | string[]>>;
}

/** A groove, drill or chart on paper, for nobody in particular or as it is set for a student. */
export default async function GrooveHandout({ params, searchParams }: HandoutPageProps) {
  const [who, id, asked] = [
    await requirePerson(),
    z.uuid().safeParse((await params).groove),
    await askedOnce<string>(searchParams),
  ];
  if (!id.success) notFound();
  const [forId, setId] = [z.uuid().safeParse(asked.for), z.uuid().safeParse(asked.set)];
  const { found, whose, set } = await asPerson(async (db) => {
    const asksFor = who.role === 'teacher' && forId.success ? await student(db, forId.data) : undefined;
    const named = who.role === 'student' ? who : asksFor;
    const open = named ? await openAssignments(db, named.id) : [];
    return {
      found: await groove(db, id.data),
      whose: named,
      set: open.find((one) => setId.success && one.id === setId.data && one.groove_id === id.data),
    };
  });
  if (!found) notFound();
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
