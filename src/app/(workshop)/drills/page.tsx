import { keepGrooveAction } from '@/features/bench/actions';
import { DrillMaker } from '@/features/drills/DrillMaker';
import { requireTeacher } from '@/server/session';

export const metadata = { title: 'Drills' };

export default async function DrillsPage() {
  const teacher = await requireTeacher();
  return <DrillMaker school={teacher.school} limits={teacher.settings.limits} toBench={keepGrooveAction} />;
}
