'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { readSightPlan, type SightPlanJson } from '@/core/documents/sightPlan';
import { tempoShape, titleShape } from '@/core/documents/shapes';
import { problemsOf, sentence } from '@/core/result';
import { asPerson, requireTeacher } from '@/server/session';
import { keepSight } from '@/server/sightPlans';

const namedShape = z.object({ title: titleShape, tempo: tempoShape, plan: z.unknown() });

/** What is kept as it comes from the form. */
export interface GivenSight {
  title: string;
  tempo: number;
  plan: SightPlanJson;
}

/** Keeps what is to be read at sight under a name; says what is wrong with it. */
export async function keepSightAction(
  given: GivenSight,
): Promise<{ ok: true; id: string } | { ok: false; say: string }> {
  const teacher = await requireTeacher();
  const named = namedShape.safeParse(given);
  if (!named.success) return { ok: false, say: problemsOf(named.error)[0]!.say };
  const plan = readSightPlan(named.data.plan);
  if (!plan.ok) return { ok: false, say: sentence(plan.problems[0]!) };
  const id = await asPerson((db) => keepSight(db, teacher, { ...named.data, plan: plan.value }));
  revalidatePath('/drills/at-sight');
  return { ok: true, id };
}
