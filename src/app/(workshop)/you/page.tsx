import { YouPage } from '@/features/you/YouPage';
import { requirePerson } from '@/server/session';

export const metadata = { title: 'You' };

export default async function You() {
  const { name, sign_in_name, workshop } = await requirePerson();
  return <YouPage name={name} signInName={sign_in_name} workshop={workshop} />;
}
