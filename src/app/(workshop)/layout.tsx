import type { ReactNode } from 'react';
import { signOutAction } from '@/features/door/actions';
import { Outbox } from '@/ui/outbox/Outbox';
import { runningLesson } from '@/server/lessons';
import { asPerson, requirePerson } from '@/server/session';
import { LessonRuns } from '@/ui/lesson/LessonRuns';
import { Shell } from '@/ui/Shell';

export default async function WorkshopLayout({ children }: { children: ReactNode }) {
  const { id, role, name, workshop, setup } = await requirePerson();
  const running = await asPerson((db) => runningLesson(db, { id, role }));
  return (
    <Shell role={role} name={name} workshop={workshop} signOut={signOutAction}>
      <Outbox playerId={id} />
      <LessonRuns lesson={running} role={role} setup={setup}>
        {children}
      </LessonRuns>
    </Shell>
  );
}
