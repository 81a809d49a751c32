import { PersonForm } from '@/features/people/PersonForm';
import { WorkshopPage } from '@/features/workshop/WorkshopPage';
import { requireTeacher } from '@/server/session';

export const metadata = { title: 'Workshop' };

export default async function Workshop() {
  const teacher = await requireTeacher();
  return (
    <WorkshopPage
      name={teacher.workshop}
      settings={teacher.settings}
      number={teacher.settings_number}
      unread={teacher.settings_problems}
    >
      <PersonForm person={teacher} />
    </WorkshopPage>
  );
}
