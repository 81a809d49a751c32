import { z } from 'zod';
import { clockOf } from '@/core/documents/settings';
import { ChangesPage } from '@/features/workshop/ChangesPage';
import { events, MOST_EVENTS } from '@/server/events';
import { asPerson, requireTeacher } from '@/server/session';
import { askedOnce } from '@/ui/asked';

export const metadata = { title: 'Changes' };

const numberShape = z.coerce.number().int().min(1).max(Number.MAX_SAFE_INTEGER);

export default async function Changes({ searchParams }: { searchParams: Promise<{ before?: string }> }) {
  const { settings } = await requireTeacher();
  const before = numberShape.safeParse((await askedOnce(searchParams)).before).data;
  const found = await asPerson((db) => events(db, before));
  return <ChangesPage events={found} clock={clockOf(settings)} most={MOST_EVENTS} />;
}
