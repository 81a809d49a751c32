import { GettingHeard } from '@/features/ears/GettingHeard';
import { requirePerson } from '@/server/session';

export const metadata = { title: 'Getting heard' };

export default async function GettingHeardPage() {
  await requirePerson();
  return <GettingHeard />;
}
