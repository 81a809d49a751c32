'use server';

import { z } from 'zod';
import { sentence } from '@/core/result';
import { keepListening } from '@/server/listening';
import { asPerson, requirePerson } from '@/server/session';

/** Keeps what the signed-in person listened to and answered; a word when it cannot be. */
export async function keepListeningAction(id: string, sitting: unknown): Promise<string | undefined> {
  const person = await requirePerson();
  const read = z.uuid().safeParse(id);
  if (!read.success) return 'This sitting has no number of its own. Begin another.';
  const kept = await asPerson((db) => keepListening(db, person, read.data, sitting));
  return kept.ok ? undefined : sentence(kept.problems[0]!);
}
