'use server';

import { z } from 'zod';
import { readEars, type Ears } from '@/core/documents/ears';
import { textShape } from '@/core/documents/shapes';
import { MOST_NAME } from '@/core/limits';
import { keepEars } from '@/server/ears';
import { asPerson, requirePerson } from '@/server/session';

const deviceShape = z.object({ id: z.uuid(), name: textShape(MOST_NAME).refine((name) => name.trim() !== '') });

/** Keeps what a device of the signed-in person's has learnt by getting heard; false where that cannot be read. */
export async function keepEarsAction(device: { id: string; name: string }, ears: Ears): Promise<boolean> {
  const who = await requirePerson();
  const [on, read] = [deviceShape.safeParse(device), readEars(ears)];
  if (!on.success || !read.ok) return false;
  await asPerson((db) => keepEars(db, who, { deviceId: on.data.id, name: on.data.name, ears: read.value }));
  return true;
}
