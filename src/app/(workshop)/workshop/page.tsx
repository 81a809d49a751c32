import { PersonForm } from '@/features/people/PersonForm';
import { WorkshopPage } from '@/features/workshop/WorkshopPage';
import { asPerson, requireTeacher } from '@/server/session';
import { lastBackup } from '@/server/workshop';

export const metadata = { title: 'Workshop' };

export default async function Workshop() {
  const teacher = await requireTeacher();
  return (
    <WorkshopPage
      name={teacher.workshop}
      settings={teacher.settings}
      number={teacher.settings_number}
      unread={teacher.settings_problems}
      lastBackup={await asPerson(lastBackup)}
    >
      <PersonForm person={teacher} />
    </WorkshopPage>
  );
}
