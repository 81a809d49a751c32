import { addDays } from 'date-fns';
import { notFound, redirect } from 'next/navigation';
import { z } from 'zod';
import { onClock } from '@/core/plan/agenda';
import { ChartsPage, SPANS } from '@/features/charts/ChartsPage';
import { chartData, type Span } from '@/server/charts';
import { student } from '@/server/people';
import { asPerson, requirePerson } from '@/server/session';
import { askedOnce } from '@/ui/asked';
import { readerOf } from '@/ui/reader';

export const metadata = { title: 'Charts' };

interface ChartsProps {
  searchParams: Promise<{ student?: string; weeks?: string; beside?: string }>;
}

const USUAL_WEEKS = 8;

export default async function Charts({ searchParams }: ChartsProps) {
  const who = await requirePerson();
  const asked = await askedOnce(searchParams);
  const id = who.role === 'student' ? who.id : z.uuid().safeParse(asked.student).data;
  // A teacher's charts are of a student: which one is chosen in the log.
  if (!id) redirect('/takes');
  const { timeZone } = who.settings;
  const weeks = SPANS.find((many) => String(many) === asked.weeks) ?? USUAL_WEEKS;
  const today = new Date();
  const span = (back: number): Span => ({
    from: onClock(addDays(today, 1 - 7 * weeks * (back + 1)), timeZone).day,
    to: onClock(addDays(today, -7 * weeks * back), timeZone).day,
  });
  return asPerson(async (db) => {
    const found = who.role === 'student' ? who : await student(db, id);
    if (!found) notFound();
    return (
      <ChartsPage
        student={found}
        isOwn={who.role === 'student'}
        weeks={weeks}
        now={await chartData(db, id, span(0), who.settings)}
        before={asked.beside === 'yes' ? await chartData(db, id, span(1), who.settings) : undefined}
        reader={readerOf(who)}
      />
    );
  });
}
