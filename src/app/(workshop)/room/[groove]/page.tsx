import { notFound } from 'next/navigation';
import { z } from 'zod';
import { limbsIn, turnFor } from '@/core/groove/kit';
import { Room } from '@/features/room/Room';
import { settingsAsked } from '@/features/room/settings';
import { firstClimb } from '@/core/plan/ladder';
import { ladderOf } from '@/server/ladders';
import { openAssignments } from '@/server/assignments';
import { groove } from '@/server/grooves';
import { asPerson, requirePerson } from '@/server/session';

export const metadata = { title: 'Room' };

interface RoomPageProps {
  params: Promise<{ groove: string }>;
  searchParams: Promise<{ bpm?: string; click?: string; limbs?: string }>;
}

export default async function RoomPage({ params, searchParams }: RoomPageProps) {
  const [who, id, asked] = [await requirePerson(), z.uuid().safeParse((await params).groove), await searchParams];
  if (!id.success) notFound();
  const { found, set, climb } = await asPerson(async (db) => ({
    found: await groove(db, id.data),
    climb: await ladderOf(db, who.id, id.data, new Date()),
    set: (await openAssignments(db, who.id)).find((one) => one.groove_id === id.data),
  }));
  if (!found) notFound();
  const turned = turnFor(found.groove, who.setup);
  return (
    <Room
      playerId={who.id}
      level={who.level}
      school={who.school}
      grooveId={found.id}
      groove={turned}
      limits={who.settings.limits}
      drill={found.drill}
      assignment={set && { id: set.id, tempo: set.tempo, click: set.click, reason: set.reason }}
      climb={climb ?? firstClimb(found.drill?.rule.ladder, set?.tempo ?? found.groove.tempo)}
      asked={settingsAsked(asked, limbsIn(turned))}
    />
  );
}
