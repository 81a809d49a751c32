import { PeopleList } from '@/features/people/PeopleList';
import { students } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';

export const metadata = { title: 'People' };

export default async function PeoplePage() {
  await requireTeacher();
  return <PeopleList students={await asPerson(students)} />;
}
