import { newGrooveAction } from '@/features/bench/actions';
import { GrooveShelf } from '@/features/grooves/GrooveShelf';
import { EVERYTHING, found } from '@/features/grooves/find';
import { grooves, groovesOf } from '@/server/grooves';
import { asPerson, requirePerson } from '@/server/session';

export const metadata = { title: 'Grooves' };

/** Strips that are drawn at once; the others are asked for when they come into sight. */
const FIRST_DRAWN = 8;

export default async function GroovesPage() {
  const who = await requirePerson();
  return asPerson(async (db) => {
    // The teacher's drills have a screen of their own; a student finds here all that was ever set.
    const shelf = await grooves(db, { drills: who.role === 'student' });
    const first = found(shelf, EVERYTHING).slice(0, FIRST_DRAWN);
    const drawn = await groovesOf(
      db,
      first.map(({ id }) => id),
    );
    const { id, role, school, setup } = who;
    return (
      <GrooveShelf
        person={{ id, role, school, setup }}
        grooves={shelf}
        first={drawn.map(({ id: groove, content }) => [groove, content])}
        newGroove={newGrooveAction}
      />
    );
  });
}
