'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { familyNamed } from '@/core/drill/registry';
import { readyRule } from '@/core/drill/rule';
import { type Rule } from '@/core/documents/rule';
import { textShape } from '@/core/documents/shapes';
import { MOST_NAME } from '@/core/limits';
import { problemsOf, sentence } from '@/core/result';
import { writeGroove, type GrooveJson } from '@/core/documents/groove';
import { dropDrill, grooveOfDrill, keepDrill } from '@/server/drills';
import { groove } from '@/server/grooves';
import { asPerson, requireTeacher } from '@/server/session';
import { tagsShape } from '@/ui/fields';
import { opening } from '@/ui/words/text';

const nameShape = textShape(MOST_NAME).min(1, 'Give the drill a name.');

const namedShape = z.object({ name: nameShape, tags: tagsShape, rule: z.unknown() });

/** A drill as the screen has it: tags as they are typed. */
interface GivenDrill {
  name: string;
  tags: string;
  rule: Rule;
}

/** The id of what was kept or written out, or why it could not be. */
type Answer = { ok: true; id: string } | { ok: false; say: string };

/** Keeps a rule under a name; says what is wrong when it makes nothing or has no name. */
export async function keepDrillAction(given: GivenDrill): Promise<Answer> {
  const teacher = await requireTeacher();
  const named = namedShape.safeParse(given);
  if (!named.success) return { ok: false, say: problemsOf(named.error)[0]!.say };
  const read = readyRule(named.data.rule);
  if (!read.ok) return { ok: false, say: sentence(read.problems[0]!) };
  const id = await asPerson((db) => keepDrill(db, teacher, { ...named.data, rule: read.value.rule }));
  revalidatePath('/drills');
  return { ok: true, id };
}

export async function dropDrillAction(id: string): Promise<void> {
  await requireTeacher();
  if (z.uuid().safeParse(id).success) await asPerson((db) => dropDrill(db, id));
  revalidatePath('/drills');
}

/** The groove that plays a drill in the room, under its name or, without one, under what it trains. */
export async function practiseDrillAction(given: GivenDrill): Promise<Answer> {
  const teacher = await requireTeacher();
  const sent = z.object({ name: z.unknown(), rule: z.unknown() }).safeParse(given).data;
  const read = readyRule(sent?.rule);
  if (!read.ok) return { ok: false, say: sentence(read.problems[0]!) };
  const { rule } = read.value;
  const name = nameShape.safeParse(sent?.name).data ?? opening(familyNamed(rule.family)!.wish);
  const written = await asPerson((db) => grooveOfDrill(db, teacher, { name, rule }, teacher.level));
  return written.ok ? { ok: true, id: written.value } : { ok: false, say: sentence(written.problems[0]!) };
}

/** The notes of a groove that a drill is to be made of or over. */
export async function grooveJsonAction(id: string): Promise<GrooveJson | undefined> {
  await requireTeacher();
  if (!z.uuid().safeParse(id).success) return undefined;
  const found = await asPerson((db) => groove(db, id));
  return found && 'groove' in found.content ? writeGroove(found.content.groove) : undefined;
}
