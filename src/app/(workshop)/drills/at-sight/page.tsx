import { archiveAction } from '@/features/grooves/actions';
import { SightPage } from '@/features/sight/SightPage';
import { sightPlans } from '@/server/sightPlans';
import { asPerson, requireTeacher } from '@/server/session';

export const metadata = { title: 'At sight' };

export default async function AtSightPage() {
  const teacher = await requireTeacher();
  return <SightPage school={teacher.school} kept={await asPerson(sightPlans)} onArchive={archiveAction} />;
}
