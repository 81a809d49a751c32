import type { ReactNode } from 'react';
import { signOutAction } from '@/features/door/actions';
import { Outbox } from '@/ui/outbox/Outbox';
import { requirePerson } from '@/server/session';
import { Shell } from '@/ui/Shell';

export default async function WorkshopLayout({ children }: { children: ReactNode }) {
  const { id, role, name, workshop } = await requirePerson();
  return (
    <Shell role={role} name={name} workshop={workshop} signOut={signOutAction}>
      <Outbox playerId={id} />
      {children}
    </Shell>
  );
}
