import { notFound } from 'next/navigation';
import { z } from 'zod';
import { TakeView } from '@/features/takes/TakeView';
import { asPerson, requirePerson } from '@/server/session';
import { take } from '@/server/takes';

export const metadata = { title: 'Take' };

export default async function TakePage({ params }: { params: Promise<{ id: string }> }) {
  const [who, id] = [await requirePerson(), z.uuid().safeParse((await params).id)];
  const found = id.success ? await asPerson((db) => take(db, id.data)) : undefined;
  // Another's take and one that never was are answered alike.
  if (!found) notFound();
  return <TakeView take={found} school={who.school} own={found.player_id === who.id} />;
}
