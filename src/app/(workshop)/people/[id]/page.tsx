import { notFound } from 'next/navigation';
import { z } from 'zod';
import { StudentPage } from '@/features/people/StudentPage';
import { openAssignments } from '@/server/assignments';
import { drillChoices } from '@/server/drills';
import { grooves } from '@/server/grooves';
import { invitationOf } from '@/server/invitations';
import { listeningOf } from '@/server/listening';
import { student } from '@/server/people';
import { asPerson, requireTeacher } from '@/server/session';
import { figuresOfStudent } from '@/server/takeFigures';
import { takes } from '@/server/takes';
import { askedOnce } from '@/ui/asked';
import { readerOf } from '@/ui/reader';

export const metadata = { title: 'Student' };

interface PersonPageProps {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ drill?: string }>;
}

export default async function PersonPage({ params, searchParams }: PersonPageProps) {
  const teacher = await requireTeacher();
  const id = z.uuid().safeParse((await params).id);
  if (!id.success) notFound();
  const { drill } = await askedOnce(searchParams);
  return asPerson(async (db) => {
    const found = await student(db, id.data);
    if (!found) notFound();
    return (
      <StudentPage
        student={found}
        reader={readerOf(teacher)}
        assignments={await openAssignments(db, id.data)}
        grooves={await grooves(db)}
        drills={await drillChoices(db)}
        openUntil={(await invitationOf(db, id.data))?.expires_at}
        drill={drill}
        figures={await figuresOfStudent(db, id.data)}
        listening={await listeningOf(db, id.data)}
        takes={await takes(db, { playerId: id.data })}
      />
    );
  });
}
