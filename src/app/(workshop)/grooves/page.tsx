import { newGrooveAction } from '@/features/bench/actions';
import { GrooveShelf } from '@/features/grooves/GrooveShelf';
import { grooves } from '@/server/grooves';
import { asPerson, requirePerson } from '@/server/session';

export const metadata = { title: 'Grooves' };

export default async function GroovesPage() {
  const who = await requirePerson();
  // The teacher's drills have a screen of their own; a student finds here all that was ever set.
  const shelf = (await asPerson(grooves)).filter(({ drill }) => who.role === 'student' || !drill);
  return <GrooveShelf person={who} grooves={shelf} newGroove={newGrooveAction} />;
}
