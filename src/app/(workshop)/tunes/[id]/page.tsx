import { notFound } from 'next/navigation';
import { z } from 'zod';
import { sentence } from '@/core/result';
import { TunePage } from '@/features/tunes/TunePage';
import { grooves } from '@/server/grooves';
import { asPerson, requireTeacher } from '@/server/session';
import { chartOf } from '@/server/tuneCharts';
import { tune } from '@/server/tunes';

export const metadata = { title: 'Tune' };

export default async function TuneChart({ params }: { params: Promise<{ id: string }> }) {
  const [, id] = [await requireTeacher(), z.uuid().safeParse((await params).id)];
  if (!id.success) notFound();
  const { found, chart, all } = await asPerson(async (db) => {
    const one = await tune(db, id.data);
    return {
      found: one,
      chart: one?.chart_id ? await chartOf(db, one.chart_id) : undefined,
      all: (await grooves(db)).filter(({ archived }) => !archived),
    };
  });
  if (!found) notFound();
  return (
    <TunePage
      key={found.id}
      tune={found}
      kept={chart?.kind === 'chart' ? { id: chart.id, saveNumber: chart.save_number, chart: chart.chart } : undefined}
      unreadable={chart?.kind === 'unreadable' ? `The chart cannot be read. ${sentence(chart.problem)}` : undefined}
      grooves={all.map(({ id: one, title }) => ({ id: one, title }))}
    />
  );
}
