import { notFound, redirect } from 'next/navigation';
import { z } from 'zod';
import { Bench } from '@/features/bench/Bench';
import { groove, playsOther } from '@/server/grooves';
import { asPerson, requireTeacher } from '@/server/session';
import { Page } from '@/ui/Page';
import { Unreadable } from '@/ui/Unreadable';

export const metadata = { title: 'Bench' };

export default async function BenchPage({ params }: { params: Promise<{ groove: string }> }) {
  const [teacher, id] = [await requireTeacher(), z.uuid().safeParse((await params).groove)];
  const found = id.success ? await asPerson((db) => groove(db, id.data)) : undefined;
  if (!found) notFound();
  // A drill or chart that was written out stays as it is: it is practised, and changed where it was made.
  const { content } = found;
  if ('unreadable' in content)
    return (
      <Page title={found.title}>
        <Unreadable what="This groove" problem={content.unreadable} />
      </Page>
    );
  if (playsOther(content)) redirect(`/room/${found.id}`);
  return (
    <Bench
      key={found.id}
      id={found.id}
      level={found.level}
      school={teacher.school}
      settings={teacher.settings}
      opened={content.groove}
      saveNumber={found.save_number}
    />
  );
}
