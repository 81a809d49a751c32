import { ByEar } from '@/features/listening/ByEar';
import { listeningOf } from '@/server/listening';
import { asPerson, requirePerson } from '@/server/session';

export const metadata = { title: 'By ear' };

export default async function ListeningPage() {
  const person = await requirePerson();
  const progress = await asPerson((db) => listeningOf(db, person.id));
  return <ByEar school={person.school} progress={progress} />;
}
