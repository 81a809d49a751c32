import type { CSSProperties, ReactNode } from 'react';
import { signOutAction } from '@/features/door/actions';
import { Outbox } from '@/ui/outbox/Outbox';
import { LessonBar } from '@/features/lessons/LessonBar';
import { runningLesson } from '@/server/lessons';
import { asPerson, requirePerson } from '@/server/session';
import { Shell } from '@/ui/Shell';
import { namesInWords } from '@/ui/words/text';

export default async function WorkshopLayout({ children }: { children: ReactNode }) {
  const { id, role, name, workshop } = await requirePerson();
  const running = await asPerson((db) => runningLesson(db, { id, role }));
  const hasBar = running !== undefined && role === 'teacher';
  return (
    <Shell role={role} name={name} workshop={workshop} signOut={signOutAction}>
      <Outbox playerId={id} />
      {/* Pages that fill the screen leave room for the bar. */}
      <div style={{ '--lesson-bar': hasBar ? '40px' : '0px' } as CSSProperties}>
        {hasBar && <LessonBar lesson={{ id: running.id, with: namesInWords(running.with) }} />}
        {children}
      </div>
    </Shell>
  );
}
