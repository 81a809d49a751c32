'use server';

import { z } from 'zod';
import { readClimb, type Climb } from '@/core/documents/climb';
import { MOST_SAVES } from '@/core/limits';
import { keepLadder } from '@/server/ladders';
import { asPerson, requirePerson } from '@/server/session';

/** `kept` as the step of that number; `behind` where another window has gone on; `refused` where it is no ladder. */
export type LadderAnswer = { kind: 'kept'; step: number } | { kind: 'behind' } | { kind: 'refused' };

/** Keeps where the signed-in person stands on a groove's ladder, going on from the step `from`. */
export async function keepLadderAction(grooveId: string, climb: Climb, from: number): Promise<LadderAnswer> {
  const person = await requirePerson();
  const id = z.uuid().safeParse(grooveId);
  const read = readClimb(climb);
  const step = z.number().int().min(0).max(MOST_SAVES).safeParse(from);
  if (!id.success || !read.ok || !step.success) return { kind: 'refused' };
  const kept = await asPerson((db) => keepLadder(db, person, id.data, read.value, step.data)).catch(() => null);
  if (kept === null) return { kind: 'refused' };
  return kept === undefined ? { kind: 'behind' } : { kind: 'kept', step: kept };
}
