import { PeopleList } from '@/features/people/PeopleList';
import { students } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { askedOnce } from '@/ui/asked';
import { askedOf } from '@/ui/FindByName';

export const metadata = { title: 'People' };

interface PeoplePageProps {
  searchParams: Promise<{ name?: string; from?: string; archived?: string }>;
}

export default async function PeoplePage({ searchParams }: PeoplePageProps) {
  await requireTeacher();
  const given = await askedOnce(searchParams);
  const asked = askedOf(given);
  const archived = given.archived === 'yes';
  return (
    <PeopleList
      found={await asPerson((db) => students(db, { ...asked, archived }))}
      asked={asked}
      archived={archived}
    />
  );
}
