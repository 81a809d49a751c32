import { WorkshopPage } from '@/features/workshop/WorkshopPage';
import { requireTeacher } from '@/server/session';

export const metadata = { title: 'Workshop' };

export default async function Workshop() {
  const { workshop, settings } = await requireTeacher();
  return <WorkshopPage name={workshop} settings={settings} />;
}
