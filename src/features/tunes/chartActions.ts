'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { chartFormShape, type ChartForm } from '@/core/documents/chart';
import { MOST_SAVES } from '@/core/limits';
import { problemsOf, sentence } from '@/core/result';
import { asPerson, requireTeacher } from '@/server/session';
import { keepChart } from '@/server/tuneCharts';

const sentShape = z.object({
  tune: z.uuid(),
  /** The save it was changed from; 0 where there was none. */
  from: z.number().int().min(0).max(MOST_SAVES),
  form: chartFormShape,
});

export type ChartKept = { ok: true; saveNumber: number } | { ok: false; say: string };

/**
 * Keeps the chart of a tune as it was typed; what cannot be played is told with its place, and a later save is never
 * overwritten.
 */
export async function keepChartAction(given: { tune: string; from: number; form: ChartForm }): Promise<ChartKept> {
  const teacher = await requireTeacher();
  const sent = sentShape.safeParse(given);
  if (!sent.success) return { ok: false, say: sentence(problemsOf(sent.error)[0]!) };
  const saved = await asPerson((db) => keepChart(db, teacher, sent.data));
  if (!saved.ok) return { ok: false, say: sentence(saved.problems[0]!) };
  if (saved.value.kind === 'gone')
    return { ok: false, say: 'This tune is not on the list any more. Copy what you typed.' };
  if (saved.value.kind === 'behind')
    return {
      ok: false,
      say: 'This chart was kept in another window meanwhile. Copy what you typed and open it again.',
    };
  revalidatePath(`/tunes/${sent.data.tune}`);
  return { ok: true, saveNumber: saved.value.save_number };
}
