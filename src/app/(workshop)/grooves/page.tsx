import { newGrooveAction } from '@/features/bench/actions';
import { GrooveShelf } from '@/features/grooves/GrooveShelf';
import { grooves } from '@/server/grooves';
import { asPerson, requirePerson } from '@/server/session';

export const metadata = { title: 'Grooves' };

export default async function GroovesPage() {
  const who = await requirePerson();
  return <GrooveShelf person={who} grooves={await asPerson(grooves)} newGroove={newGrooveAction} />;
}
