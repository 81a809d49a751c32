import { notFound } from 'next/navigation';
import { z } from 'zod';
import { TakeView } from '@/features/takes/TakeView';
import { asPerson, requirePerson } from '@/server/session';
import { take } from '@/server/takes';
import { Page } from '@/ui/Page';
import { readerOf } from '@/ui/reader';
import { Unreadable } from '@/ui/Unreadable';

export const metadata = { title: 'Take' };

export default async function TakePage({ params }: { params: Promise<{ id: string }> }) {
  const [who, id] = [await requirePerson(), z.uuid().safeParse((await params).id)];
  const found = id.success ? await asPerson((db) => take(db, id.data)) : undefined;
  // Another's take and one that never was are answered alike.
  if (!found) notFound();
  const { take: read, ...row } = found;
  if (!read.ok)
    return (
      <Page title={row.title || 'Take'}>
        <Unreadable what="This take" problem={read.problems[0]!} />
      </Page>
    );
  return <TakeView row={row} take={read.value} reader={readerOf(who)} own={found.player_id === who.id} />;
}
