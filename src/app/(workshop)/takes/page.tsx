import { z } from 'zod';
import { searchedIn } from '@/core/documents/shapes';
import { MOST_NAME } from '@/core/limits';
import { TakeLog } from '@/features/takes/TakeLog';
import { students } from '@/server/people';
import { asPerson, requirePerson } from '@/server/session';
import { figuresOfStudent } from '@/server/takeFigures';
import { MOST_LISTED, takes } from '@/server/takes';
import { askedOnce } from '@/ui/asked';
import { readerOf } from '@/ui/reader';

export const metadata = { title: 'Log' };

/** As many names as are offered when one is looked for. */
const MOST_NAMES = 12;

interface TakesPageProps {
  searchParams: Promise<{ student?: string; name?: string; before?: string }>;
}

export default async function TakesPage({ searchParams }: TakesPageProps) {
  const who = await requirePerson();
  const { student, name, before } = await askedOnce(searchParams);
  const chosen = z.uuid().safeParse(student).data;
  const until = z.iso.datetime().safeParse(before).data;
  const words = searchedIn(name, MOST_NAME);
  // A teacher's own takes are among everybody's: only one player's are drawn together.
  const player = who.role === 'student' ? who.id : chosen;
  return asPerson(async (db) => (
    <TakeLog
      isTeacher={who.role === 'teacher'}
      found={who.role === 'teacher' ? await students(db, { words, most: MOST_NAMES }) : undefined}
      words={words}
      chosen={chosen}
      reader={readerOf(who)}
      most={MOST_LISTED}
      isNewest={!until}
      figures={player && !until ? await figuresOfStudent(db, player) : undefined}
      takes={await takes(db, { playerId: chosen, before: until ? new Date(until) : undefined })}
    />
  ));
}
