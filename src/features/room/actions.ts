'use server';

import { z } from 'zod';
import { climbShape, type Climb } from '@/core/documents/climb';
import { keepLadder } from '@/server/ladders';
import { asPerson, requirePerson } from '@/server/session';

/** Keeps where the signed-in person stands on a groove's ladder. False when it cannot be kept. */
export async function keepLadderAction(grooveId: string, climb: Climb): Promise<boolean> {
  const person = await requirePerson();
  const [id, read] = [z.uuid().safeParse(grooveId), climbShape.safeParse(climb)];
  if (!id.success || !read.success) return false;
  return asPerson((db) => keepLadder(db, person, id.data, read.data)).then(
    () => true,
    () => false,
  );
}
