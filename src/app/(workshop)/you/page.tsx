import { signOutAction } from '@/features/door/actions';
import { YouPage } from '@/features/you/YouPage';
import { requirePerson } from '@/server/session';

export const metadata = { title: 'You' };

export default async function You() {
  const { name, sign_in_name, workshop } = await requirePerson();
  return (
    <YouPage
      name={name}
      signInName={sign_in_name}
      workshop={workshop}
      isDemo={process.env.MOCHILA_DEMO === '1'}
      signOut={signOutAction}
    />
  );
}
