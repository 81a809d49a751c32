import { PathsPage } from '@/features/paths/PathsPage';
import { DRILL } from '@/features/paths/shapes';
import { drillChoices } from '@/server/drills';
import { grooves } from '@/server/grooves';
import { paths } from '@/server/paths';
import { asPerson, requireTeacher } from '@/server/session';

export const metadata = { title: 'Paths' };

export default async function Paths() {
  await requireTeacher();
  return asPerson(async (db) => (
    <PathsPage
      paths={await paths(db)}
      grooves={[
        ...(await grooves(db))
          .filter(({ archived }) => !archived)
          .map(({ id, title, tempo }) => ({ id, title, tempo })),
        ...(await drillChoices(db)).map(({ id, name, goal }) => ({
          id: `${DRILL}${id}`,
          title: `Drill: ${name}`,
          tempo: goal,
        })),
      ]}
    />
  ));
}
