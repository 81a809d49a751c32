'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { ready, type Rule } from '@/core/drill/rule';
import { sentence } from '@/core/result';
import { dropDrill, keepDrill } from '@/server/drills';
import { asPerson, requireTeacher } from '@/server/session';

const nameShape = z
  .string()
  .trim()
  .min(1, 'Give the drill a name.')
  .max(120, 'At most 120 characters.')
  .refine((name) => !name.includes('\0'), 'It holds characters that cannot be written.');

/** Keeps a rule under a name; says what is wrong when it makes nothing or has no name. */
export async function keepDrillAction(name: string, rule: Rule): Promise<string | undefined> {
  const teacher = await requireTeacher();
  const named = nameShape.safeParse(name);
  if (!named.success) return named.error.issues[0]!.message;
  const read = ready(rule);
  if (!read.ok) return sentence(read.problems[0]!);
  await asPerson((db) => keepDrill(db, teacher, named.data, read.value.rule));
  revalidatePath('/drills');
  return undefined;
}

export async function dropDrillAction(id: string): Promise<void> {
  await requireTeacher();
  if (z.uuid().safeParse(id).success) await asPerson((db) => dropDrill(db, id));
  revalidatePath('/drills');
}
