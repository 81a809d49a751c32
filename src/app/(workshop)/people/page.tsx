import { PeopleList } from '@/features/people/PeopleList';
import { students } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { askedOf } from '@/ui/FindByName';

export const metadata = { title: 'People' };

interface PeoplePageProps {
  searchParams: Promise<{ name?: string; from?: string }>;
}

export default async function PeoplePage({ searchParams }: PeoplePageProps) {
  await requireTeacher();
  const asked = askedOf(await searchParams);
  return <PeopleList found={await asPerson((db) => students(db, asked))} asked={asked} />;
}
