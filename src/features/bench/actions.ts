'use server';

import { revalidatePath } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { readGroove, writeGroove, type GrooveJson } from '@/core/documents/groove';
import { LEVELS, MOST_SAVES } from '@/core/limits';
import { sentence } from '@/core/result';
import { addGroove, groove, saveGroove } from '@/server/grooves';
import { textOf } from '@/ui/form';
import { asPerson, requireTeacher } from '@/server/session';

export type SaveAnswer =
  | { kind: 'saved'; saveNumber: number }
  | { kind: 'behind'; saveNumber: number; groove: GrooveJson }
  | { kind: 'refused'; say: string };

const sentShape = z.object({ id: z.uuid(), from: z.number().int().min(1).max(MOST_SAVES), groove: z.unknown() });

/** Saves a groove from the bench. What is not a groove is refused whole; a later save is never overwritten. */
export async function saveGrooveAction(given: { id: string; from: number; groove: GrooveJson }): Promise<SaveAnswer> {
  await requireTeacher();
  const sent = sentShape.safeParse(given);
  const read = readGroove(sent.data?.groove);
  if (!sent.success) return { kind: 'refused', say: 'This was not sent by the bench.' };
  if (!read.ok) return { kind: 'refused', say: sentence(read.problems[0]!) };
  const saved = await asPerson((db) => saveGroove(db, sent.data.id, sent.data.from, read.value));
  if (saved.kind === 'gone') return { kind: 'refused', say: 'This groove is not there any more.' };
  if (saved.kind === 'behind')
    return { kind: 'behind', saveNumber: saved.save_number, groove: writeGroove(saved.groove) };
  revalidatePath('/grooves');
  return { kind: 'saved', saveNumber: saved.save_number };
}

/** Keeps a groove beside the others, so that whichever of two versions is not chosen is not lost. */
export async function keepCopyAction(given: GrooveJson, level: string): Promise<{ ok: boolean; say?: string }> {
  const teacher = await requireTeacher();
  const sent = z.looseObject({ title: z.string() }).safeParse(given).data;
  const read = readGroove(sent && { ...sent, title: `${sent.title.slice(0, 100).trim()} (other window)` });
  if (!read.ok) return { ok: false, say: sentence(read.problems[0]!) };
  const known = z.enum(LEVELS).catch('first year').parse(level);
  await asPerson((db) => addGroove(db, teacher, { groove: read.value, level: known }));
  return { ok: true };
}

/** A new groove: an empty bar of 4/4 in 16ths, or a copy of one that is there; opened on the bench. */
export async function newGrooveAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const like = z.uuid().safeParse(textOf(form, 'like'));
  const id = await asPerson(async (db) => {
    const source = like.success ? await groove(db, like.data) : undefined;
    const original = source && 'groove' in source.content ? source.content.groove : undefined;
    const made = original
      ? { ...original, title: `${original.title.slice(0, 100)}, copy` }
      : {
          version: 1 as const,
          title: 'New groove',
          reading: 'numbers' as const,
          tempo: 80,
          bars: [
            {
              meter: { beats: 4, unit: 4 as const },
              cells: Array.from({ length: 4 }, () => ({ counts: 1, parts: 4 })),
              strokes: [],
            },
          ],
        };
    return addGroove(db, teacher, { groove: made, level: source?.level ?? 'first year' });
  });
  redirect(`/bench/${id}`);
}

/** Keeps what was made elsewhere as a groove and opens it on the bench; a word when it is none. */
export async function keepGrooveAction(given: GrooveJson): Promise<string | undefined> {
  const teacher = await requireTeacher();
  const read = readGroove(given);
  if (!read.ok) return sentence(read.problems[0]!);
  const id = await asPerson((db) => addGroove(db, teacher, { groove: read.value, level: 'first year' }));
  revalidatePath('/grooves');
  redirect(`/bench/${id}`);
}
