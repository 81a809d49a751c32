import { keepGrooveAction } from '@/features/bench/actions';
import { DrillMaker } from '@/features/drills/DrillMaker';
import { drills } from '@/server/drills';
import { asPerson, requireTeacher } from '@/server/session';

export const metadata = { title: 'Drills' };

export default async function DrillsPage() {
  const teacher = await requireTeacher();
  return <DrillMaker school={teacher.school} limits={teacher.settings.limits} toBench={keepGrooveAction} kept={await asPerson(drills)} />;
}
