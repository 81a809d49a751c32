import { z } from 'zod';
import { TakeLog } from '@/features/takes/TakeLog';
import { students } from '@/server/people';
import { asPerson, requirePerson } from '@/server/session';
import { takes } from '@/server/takes';

export const metadata = { title: 'Log' };

export default async function TakesPage({ searchParams }: { searchParams: Promise<{ student?: string }> }) {
  const who = await requirePerson();
  const chosen = z.uuid().safeParse((await searchParams).student).data;
  return asPerson(async (db) => {
    const people = who.role === 'teacher' ? await students(db) : [];
    return (
      <TakeLog
        teacher={who.role === 'teacher'}
        students={people}
        chosen={chosen}
        takes={await takes(db, { playerId: chosen })}
      />
    );
  });
}
